import { NativeSelect } from '@mantine/core';
import { noteName, type Tuning } from '@rosefinch/core/music';

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
  return (
    <NativeSelect
      label={label}
      data={Array.from({ length: 12 }, (_, pitchClass) => ({
        value: String(pitchClass),
        // The octave is cut off: only the letter is wanted.
        label: `${noteName(pitchClass + 12, accidental).slice(0, -1)}${pitchClass === found ? ', found' : ''}`,
      }))}
      value={root}
      onChange={(event) => onChange(Number(event.currentTarget.value))}
    />
  );
}
