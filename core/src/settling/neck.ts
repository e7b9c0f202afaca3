import type { Cents, EpochMs } from '../units.ts';
import { lastCounted, type Taken } from './steps.ts';

/** Before a reading of these the string stood as it was read before. */
const SUDDEN = new Set(['stretched', 'brought up', 'let down', 'retuned', 'new string']);

/**
 * What the other strings did to each reading by bending the neck, in cents from where it
 * would be with all of them at their notes; so that a string is not taken to creep when its
 * neighbours were tuned, nor to hold because they crept.
 * @param matrix cents of course j for one cent of course i at [j − 1][i − 1]
 */
export function withNeck(
  taken: ReadonlyMap<number, readonly Taken[]>,
  matrix: readonly (readonly number[])[],
): Map<number, Taken[]> {
  const courses = [...taken.keys()];
  return new Map(
    courses.map((course) => [
      course,
      taken.get(course)!.map((look) => {
        let neck = 0;
        for (const other of courses)
          if (other !== course)
            neck +=
              (matrix[course - 1]?.[other - 1] ?? 0) * standingAt(taken.get(other)!, look.really);
        return { ...look, neck };
      }),
    ]),
  );
}

/** Where a string stood at a moment, from its readings before and after. */
function standingAt(taken: readonly Taken[], at: EpochMs): Cents {
  const counted = taken.filter(({ step }) => step !== 'left out');
  const before = lastCounted(counted.filter(({ really }) => really <= at));
  const after = counted.find(({ really }) => really > at);
  if (!before) return after?.cents ?? 0;
  // Turned or pulled only just before it was read again.
  if (!after || SUDDEN.has(after.step)) return before.cents;
  const share =
    Math.log1p((at - before.really) / 1000) / Math.log1p((after.really - before.really) / 1000);
  return before.cents + share * (after.cents - before.cents);
}
