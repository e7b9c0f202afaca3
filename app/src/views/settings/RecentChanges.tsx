import { Button, Group, Text, Title } from '@mantine/core';
import { list, message } from '@rosefinch/core/message';
import { TABLE_NAMES } from '@rosefinch/core/records';
import { useState } from 'react';
import { type Change, useData, useLive } from '../../data/index.ts';
import { zone } from '../../environment.ts';
import { useWords } from '../../parts/words/index.ts';
import { KINDS } from './kinds.ts';
import { useArchive } from './useArchive.ts';
import { useUndo } from './useUndo.ts';
import { WorkLine } from './WorkLine.tsx';

/** What goes along with other records, and means nothing by itself. */
const UNSAID: readonly string[] = ['settings', 'measurements'];

/** What was deleted, cleared or restored lately: each can be undone and redone, or deleted for good. */
export function RecentChanges() {
  const t = useWords();
  const changes = useLive((r) => r.changes.list(), 'changes');
  const archive = useArchive();
  const undo = useUndo(archive);
  const open = changes?.filter(({ isUndone }) => !isUndone) ?? [];
  return (
    <section aria-label={t('settings.changes')}>
      <Title order={2} size="h3">
        {t('settings.changes')}
      </Title>
      <Text mb="sm">{open.length > 0 ? t('settings.changesStay') : t('settings.noChanges')}</Text>
      <ul className="changes">
        {open.map((change) => (
          <ChangeRow key={change.id} change={change} onUndo={() => void undo(change.id)} />
        ))}
      </ul>
      <WorkLine work={archive.work} name={t('settings.undoing')} onCancel={archive.cancel} />
    </section>
  );
}

interface RowProps {
  readonly change: Change;
  readonly onUndo: () => void;
}

function ChangeRow({ change, onUndo }: RowProps) {
  const t = useWords();
  const { repository } = useData();
  const [isSure, setIsSure] = useState(false);
  const { kind, counts, at } = change;
  const items = TABLE_NAMES.filter((name) => !UNSAID.includes(name)).flatMap((name) =>
    counts[name]
      ? [message('settings.countOf', { kind: message(KINDS[name]), count: counts[name] })]
      : [],
  );
  return (
    <li>
      <Text>
        {t('settings.changeWas', {
          kind,
          when: t.moment(at, { now: at, zone: zone() }, 'moment'),
          what: list(items, 'commas'),
        })}
      </Text>
      {isSure ? (
        <Group mt="xs" mb="sm">
          <Text>{t('settings.forGood')}</Text>
          <Button color="dark" onClick={() => void repository.changes.forget(change.id)}>
            {t('settings.deleteForGood')}
          </Button>
          <Button variant="default" onClick={() => setIsSure(false)}>
            {t('settings.keepIt')}
          </Button>
        </Group>
      ) : (
        <Group mt="xs" mb="sm">
          <Button variant="default" onClick={onUndo}>
            {kind === 'undone' ? t('settings.redo') : t('common.undo')}
          </Button>
          <Button variant="default" onClick={() => setIsSure(true)}>
            {t('settings.deleteForGood')}
          </Button>
        </Group>
      )}
    </li>
  );
}
