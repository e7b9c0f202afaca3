import type { Bridge } from '../strings/index.ts';
import type { Cents } from '../units.ts';

/**
 * How far the other strings drop for each cent that one is raised, by how the bridge is
 * held, before the instrument itself has been measured: middling figures, no source.
 */
export const EXPECTED_COUPLING: Readonly<Record<Bridge, number>> = {
  fixed: 0.03,
  loose: 0.05,
  floating: 0.12,
};
/** Beyond this many passes nothing is foretold. */
const MOST_PASSES = 9;

/**
 * Passes until all strings are within tolerance, each string set right in its turn while
 * the others follow it by `coupling`. The last pass is the one that finds nothing to do.
 * @param deviations cents from the target, in the order in which the strings are taken
 */
export function passesNeeded(
  deviations: readonly Cents[],
  coupling: number,
  tolerance: Cents,
): number {
  const cents = [...deviations];
  for (let pass = 1; pass <= MOST_PASSES; pass++) {
    let moved = false;
    for (let i = 0; i < cents.length; i++) {
      const change = -cents[i]!;
      if (Math.abs(change) <= tolerance) continue;
      moved = true;
      for (let j = 0; j < cents.length; j++) cents[j]! -= coupling * change;
      cents[i] = 0;
    }
    if (!moved) return pass;
  }
  return MOST_PASSES;
}
