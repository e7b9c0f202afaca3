import { tuningName } from '@rosefinch/core/sentences';
import type { Words } from '@rosefinch/words';
import { useWords } from '../words/index.ts';
import './share.css';
import { Button, Group, Text, TextInput } from '@mantine/core';
import type { OwnTuning, Tuning } from '@rosefinch/core/music';
import type { Linked } from '@rosefinch/core/records';
import { QRCodeSVG } from 'qrcode.react';
import { useState } from 'react';
import { writeLink } from '../../data/index.ts';
import { base, copy, hashRoutes, shareSheet } from '../../environment.ts';
import { Dialog } from '../frame/index.ts';

/** The address that holds something by itself: nothing is sent anywhere. */
export function linkTo(what: Linked): string {
  return `${location.origin}${base}${hashRoutes() ? '#/' : ''}open#${writeLink(what)}`;
}

/** A tuning as a link holds it: its names written out, and without the date it was changed here. */
export function asLinked(
  tuning: Tuning & { readonly changedAt?: number },
  { value }: Words,
): OwnTuning {
  const { changedAt: _, aliases, ...rest } = tuning;
  return {
    ...rest,
    name: value(tuningName(tuning)),
    ...(aliases && { aliases: aliases.map(value) }),
  };
}

interface Props {
  readonly what: Linked;
  /** What it is called. */
  readonly title: string;
  readonly opened: boolean;
  readonly onClose: () => void;
}

/** A link to hand on: to copy, by the reader's own share sheet, or as a code for a camera. */
export function ShareLink({ what, title, opened, onClose }: Props) {
  const t = useWords();
  const [copied, setCopied] = useState<'yes' | 'refused' | null>(null);
  const url = linkTo(what);
  const share = shareSheet();
  return (
    <Dialog title={t('parts.handOnTitle', { title })} opened={opened} onClose={onClose}>
      <Text mb="sm">{t('parts.linkHolds')}</Text>
      <TextInput
        label={t('parts.link')}
        readOnly
        value={url}
        onFocus={(event) => event.currentTarget.select()}
      />
      <Group my="sm">
        <Button
          onClick={() =>
            copy(url).then(
              () => setCopied('yes'),
              () => setCopied('refused'),
            )
          }
        >
          {copied === 'yes' ? t('parts.copied') : t('parts.copyIt')}
        </Button>
        {share && (
          <Button
            variant="default"
            // Whoever changes their mind has not failed.
            onClick={() => void share(title, url).catch(() => {})}
          >
            {t('parts.share')}
          </Button>
        )}
      </Group>
      {copied === 'refused' && <Text role="alert">{t('parts.notCopied')}</Text>}
      <LinkCode url={url} />
    </Dialog>
  );
}

/** A link as a code, for the camera of a phone. */
export function LinkCode({ url, size = 220 }: { readonly url: string; readonly size?: number }) {
  const t = useWords();
  return (
    <span className="link-code">
      <QRCodeSVG value={url} size={size} marginSize={4} title={t('parts.theLinkAsACode')} />
    </span>
  );
}
