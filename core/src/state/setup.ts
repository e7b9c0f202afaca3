import type { Setup } from '../attribution/index.ts';
import type { Target, Tuning } from '../music/index.ts';
import type { BenchGoal } from '../sitting/index.ts';
import { type Instrument, soundingLength, stiffnessOf } from '../strings/index.ts';
import type { Cents } from '../units.ts';

/** Standard deviation of ln(B·f²) around what the gauge says: taken over from the design’s study, not measured anew. */
const GAUGE_SIGMA = 0.85;
/** Strings are tuned no further than this from where they were made for. */
const FARTHEST_TUNING: Cents = 700;

interface Own {
  readonly instrument: Instrument;
  readonly targets: readonly Target[];
  /** Cents of every course from before the session, course 1 first, where they are known. */
  readonly before: readonly (Cents | null)[];
  /** Tunings that this instrument may come from. */
  readonly tunings: readonly Tuning[];
  readonly goal: BenchGoal;
  /** Courses that are known to have new strings; the others have not. */
  readonly fresh?: readonly number[];
}

/** What is known before the first pluck, for telling which string sounds. */
export function setupFor({ instrument, targets, before, tunings, goal, fresh }: Own): Setup {
  return {
    strings: targets.map((target, i) => {
      const was = before[i] ?? null;
      const mean = stiffnessByGauge(instrument, target);
      return {
        target,
        ...(was !== null && { before: was }),
        ...(fresh && !fresh.includes(target.course) && { kept: true }),
        ...(mean !== null && { stiffness: { mean, sigma: GAUGE_SIGMA } }),
      };
    }),
    order: goal.order,
    tunings: tunings
      .filter(({ courses }) => courses.length === targets.length)
      .map(({ courses }) => courses.map(([midi], i) => 100 * ((midi ?? 0) - targets[i]!.midi)))
      .filter((offsets) => offsets.every((cents) => Math.abs(cents) <= FARTHEST_TUNING)),
    tolerance: goal.tolerance,
    fresh: fresh !== undefined,
  };
}

/** ln(B·f²) as a string's gauge says; null of a string that the instrument does not have. */
function stiffnessByGauge(instrument: Instrument, { course, hz }: Target): number | null {
  const spec = instrument.courses[course - 1]?.strings[0]?.spec;
  return spec
    ? Math.log(stiffnessOf(spec, soundingLength(instrument, course), hz) * hz ** 2)
    : null;
}
