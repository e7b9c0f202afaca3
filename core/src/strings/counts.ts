import { findTuning, type Tuning, tuningsFor } from '../music/index.ts';
import { usualPeg } from './instrument.ts';
import { layoutsFor, pegPlace } from './pegs.ts';
import { setsFor, withSet } from './sets.ts';
import type { Course, Instrument } from './types.ts';

/** The counts of strings that an instrument can be changed to, one more or one less: those that have a tuning. */
export function possibleCounts(
  { kind, courses }: Pick<Instrument, 'kind' | 'courses'>,
  tunings: readonly Tuning[],
): { readonly more: boolean; readonly fewer: boolean } {
  const has = (count: number) => tuningsFor(kind, count, tunings).length > 0;
  return { more: has(courses.length + 1), fewer: has(courses.length - 1) };
}

/**
 * The instrument with one string more, the thickest of a usual set, or like its last one; and in
 * the first tuning for so many.
 */
export function withString(instrument: Instrument, tunings: readonly Tuning[]): Instrument {
  const { courses } = instrument;
  const last = courses.at(-1);
  if (!last) return instrument;
  const grown = recounted(
    instrument,
    [...courses, { ...last, number: courses.length + 1 }],
    tunings,
  );
  const [set] = setsFor(grown);
  return set ? withSet(grown, set) : grown;
}

/** … with one string less; the others move up. */
export function withoutString(
  instrument: Instrument,
  string: number,
  tunings: readonly Tuning[],
): Instrument {
  const left = instrument.courses.filter(({ number }) => number !== string);
  return left.length > 0 ? recounted(instrument, left, tunings) : instrument;
}

/** Strings numbered anew, on pegs that stand as they can; a peg that no test has shown is guessed anew. */
function recounted(
  instrument: Instrument,
  courses: readonly Course[],
  tunings: readonly Tuning[],
): Instrument {
  const { kind } = instrument;
  const possible = layoutsFor(kind, courses.length);
  const layout = possible.includes(instrument.layout) ? instrument.layout : possible[0]!;
  const { homeTuningId: _, ...rest } = instrument;
  const kept = findTuning(instrument.tuningId, tunings);
  return {
    ...rest,
    layout,
    tuningId:
      kept?.courses.length === courses.length
        ? kept.id
        : (tuningsFor(kind, courses.length, tunings)[0]?.id ?? instrument.tuningId),
    courses: courses.map(({ strings }, i) => ({
      number: i + 1,
      strings: strings.map(({ spec, peg }) => {
        const { tighten } = usualPeg(
          peg.kind,
          pegPlace(layout, i + 1, courses.length),
          instrument.leftHanded,
        );
        return { spec, peg: peg.known === 'tested' ? peg : { ...peg, tighten } };
      }),
    })),
  };
}
