import { errorOf } from '@rosefinch/core/intonation';
import { type Target, targetNote } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { HeatGrid } from '../../parts/charts/index.ts';
import { useWords } from '../../parts/words/index.ts';

interface Props {
  readonly check: FretCheck;
  readonly targets: readonly Target[];
}

/** What was read at each fret of each string, in the middle. */
export function HeatMap({ check, targets }: Props) {
  const t = useWords();
  // The octaves of a bridge are sounded more than once.
  const frets = [...new Set(check.frets)].sort((a, b) => a - b);
  const errors = (course: number, fret: number) =>
    check.readings.flatMap((reading) => {
      const { place, struckOut } = reading;
      const own = reading.course === course && place.kind === 'fret' && place.fret === fret;
      return own && !struckOut && place.pressure === 'normal' && !place.capo
        ? (errorOf(check, reading) ?? [])
        : [];
    });
  const rows = check.courses.map((course) => ({
    name: `${course} ${t.value(targetNote(targets[course - 1]))}`,
    cents: frets.map((fret) => {
      const list = errors(course, fret);
      return list.length > 0 ? list.reduce((sum, value) => sum + value, 0) / list.length : null;
    }),
  }));
  return <HeatGrid label={t('frets.errorsInCentsStringBy')} {...{ frets, rows }} />;
}
