import type { NeckCourse, TemperedPlace } from '@rosefinch/core/fretboard';
import type { Tuning } from '@rosefinch/core/music';
import { HeatGrid } from '../charts/index.ts';
import { useWords } from '../words/index.ts';

interface Props {
  readonly label: string;
  readonly neck: readonly NeckCourse[];
  readonly accidental: Tuning['accidental'];
  readonly places: readonly TemperedPlace[];
  readonly highestFret: number;
}

/** How far each place of a neck lies from a temperament, the highest string on top. */
export function TemperedGrid({ label, neck, accidental, places, highestFret }: Props) {
  const t = useWords();
  const frets = Array.from({ length: highestFret + 1 }, (_, fret) => fret);
  const rows = neck.toReversed().map(({ course, midi }) => ({
    name: `${course} ${t.note(midi, accidental)}`,
    cents: frets.map(
      (fret) => places.find((one) => one.course === course && one.fret === fret)?.cents ?? null,
    ),
  }));
  return <HeatGrid label={label} frets={frets} rows={rows} />;
}
