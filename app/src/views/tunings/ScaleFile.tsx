import { Group, Text } from '@mantine/core';
import type { Value } from '@rosefinch/core/message';
import { type Scale, scaleOffsets, type Temper } from '@rosefinch/core/music';
import { useState } from 'react';
import { useWords } from '../../parts/words/index.ts';
import { type Draft, rootOf, tuningOf } from './draft.ts';
import { RootSelect } from './RootSelect.tsx';
import { ScaleButton, tried } from './ScaleButton.tsx';

interface Props {
  readonly draft: Draft;
  readonly onChange: (temper: Temper) => void;
}

/** Offsets from a scale of an open format: read, and laid above a root. */
export function ScaleFile({ draft, onChange }: Props) {
  const t = useWords();
  const { accidental } = tuningOf(draft);
  const [scale, setScale] = useState<Scale | null>(null);
  const [root, setRoot] = useState(() => rootOf(draft.notes));
  const [problem, setProblem] = useState<Value | null>(null);
  const lay = (wanted: Scale, above: number) => {
    onChange({ kind: 'own', offsets: scaleOffsets(wanted, draft.notes, above) });
  };
  return (
    <Group align="end" gap="xs">
      <ScaleButton
        onProblem={setProblem}
        onScale={(found) => {
          // A file that cannot be laid on these strings changes nothing.
          lay(found, root);
          setScale(found);
        }}
      />
      {scale && (
        <RootSelect
          label={t('tunings.theScaleBeginsOn')}
          root={root}
          found={rootOf(draft.notes)}
          accidental={accidental}
          onChange={(wanted) =>
            tried(() => {
              lay(scale, wanted);
              setRoot(wanted);
            }, setProblem)
          }
        />
      )}
      {scale && !problem && (
        <Text size="sm">{scale.description || t('tunings.noDescription')}</Text>
      )}
      {problem && (
        <Text size="sm" role="alert">
          {t('tunings.offsetsAsBefore', { problem: problem })}
        </Text>
      )}
    </Group>
  );
}
