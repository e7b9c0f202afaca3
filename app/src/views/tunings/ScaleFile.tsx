import { Group, Text } from '@mantine/core';
import { noteName, type Scale, scaleOffsets, type Temper } from '@rosefinch/core/music';
import { TUNING_VIEW_SAYS } from '@rosefinch/core/words';
import { useState } from 'react';
import { type Draft, rootOf, tuningOf } from './draft.ts';
import { RootSelect } from './RootSelect.tsx';
import { ScaleButton, tried } from './ScaleButton.tsx';

interface Props {
  readonly draft: Draft;
  readonly onChange: (temper: Temper) => void;
}

/** Offsets from a scale of an open format: read, and laid above a root. */
export function ScaleFile({ draft, onChange }: Props) {
  const { accidental } = tuningOf(draft);
  const [scale, setScale] = useState<Scale | null>(null);
  const [root, setRoot] = useState(() => rootOf(draft.notes));
  const [problem, setProblem] = useState<string | null>(null);
  const lay = (wanted: Scale, above: number) => {
    const named = (midi: number) => noteName(midi, accidental);
    onChange({ kind: 'own', offsets: scaleOffsets(wanted, draft.notes, above, named) });
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
          label="The scale begins on"
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
        <Text size="sm">{scale.description || TUNING_VIEW_SAYS.noDescription}</Text>
      )}
      {problem && (
        <Text size="sm" role="alert">
          {TUNING_VIEW_SAYS.offsetsAsBefore(problem)}
        </Text>
      )}
    </Group>
  );
}
