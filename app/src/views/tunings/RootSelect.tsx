import { NativeSelect } from '@mantine/core';
import { noteValue } from '@rosefinch/core/message';
import type { Tuning } from '@rosefinch/core/music';
import { useWords } from '../../parts/words/index.ts';

interface Props {
  readonly label: string;
  /** Pitch class, 0 being C. */
  readonly root: number;
  /** The one that the notes themselves tell. */
  readonly found: number;
  readonly accidental: Tuning['accidental'];
  readonly onChange: (root: number) => void;
}

/** One of the twelve notes, whatever its octave. */
export function RootSelect({ label, root, found, accidental, onChange }: Props) {
  const t = useWords();
  return (
    <NativeSelect
      label={label}
      data={Array.from({ length: 12 }, (_, pitchClass) => ({
        value: String(pitchClass),
        label:
          pitchClass === found
            ? t('tunings.rootFound', { note: noteValue(pitchClass, accidental, 'name') })
            : t.value(noteValue(pitchClass, accidental, 'name')),
      }))}
      value={root}
      onChange={(event) => onChange(Number(event.currentTarget.value))}
    />
  );
}
