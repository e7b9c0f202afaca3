import { Button, FileButton, Group, Text } from '@mantine/core';
import { LONGEST_SCALE, readScale } from '@rosefinch/core/formats';
import { noteName, type Scale, scaleOffsets, type Temper } from '@rosefinch/core/music';
import { useState } from 'react';
import { type Draft, rootOf, tuningOf } from './draft.ts';
import { RootSelect } from './RootSelect.tsx';

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
  /** A file that cannot be laid on these strings changes nothing. */
  const tried = (what: () => void) => {
    try {
      what();
      setProblem(null);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  const read = async (file: File | null) => {
    if (!file) return;
    // Whatever was chosen, no more of it is read than the longest scale has.
    const text = await file.slice(0, LONGEST_SCALE + 1).text();
    tried(() => {
      const found = readScale(text);
      lay(found, root);
      setScale(found);
    });
  };
  return (
    <Group align="end" gap="xs">
      <FileButton accept=".scl,text/plain" onChange={(file) => void read(file)}>
        {(props) => (
          <Button {...props} variant="default">
            From a scale file (.scl) …
          </Button>
        )}
      </FileButton>
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
            })
          }
        />
      )}
      {scale && !problem && <Text size="sm">{scale.description || 'It has no description.'}</Text>}
      {problem && (
        <Text size="sm" role="alert">
          {problem}. The offsets are as they were.
        </Text>
      )}
    </Group>
  );
}
