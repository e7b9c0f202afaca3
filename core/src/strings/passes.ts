import type { Cents } from '../units.ts';
import { afterTurn } from './aim.ts';
import type { Coupling } from './coupling.ts';

/** Beyond this many passes nothing is foretold. */
const MOST_PASSES = 9;

/**
 * Passes until all strings are within tolerance, each string set right in its turn while
 * the others follow. The last pass is the one that finds nothing to do.
 * @param deviations cents from the target, course 1 first
 * @param order courses in the order in which they are tuned
 */
export function passesNeeded(
  deviations: readonly Cents[],
  order: readonly number[],
  coupling: Coupling,
  tolerance: Cents,
): number {
  let now = [...deviations];
  for (let pass = 1; pass <= MOST_PASSES; pass++) {
    let moved = false;
    for (const course of order) {
      if (Math.abs(now[course - 1] ?? 0) <= tolerance) continue;
      moved = true;
      now = afterTurn(now, course, 0, coupling);
    }
    if (!moved) return pass;
  }
  return MOST_PASSES;
}
