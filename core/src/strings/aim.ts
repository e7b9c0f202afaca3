import { nth } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import { type Coupling, pull } from './coupling.ts';

/** With no string further out than this aiming cannot help: coupling is below what a hand can set. */
export const AIM_FROM: Cents = 15;
const ROUNDS = 25;

/**
 * Where to bring a string now so that all strings of `toCome` land at 0 together when the
 * last of them has been tuned; 0 where that cannot help.
 * @param deviations cents of every course now, course 1 first
 * @param toCome courses still to be tuned, the one to be aimed first
 */
export function aimFor(
  deviations: readonly Cents[],
  toCome: readonly number[],
  { matrix }: Coupling,
): Cents {
  const [first] = toCome;
  if (first === undefined) return 0;
  const far = Math.max(...toCome.map((course) => Math.abs(deviations[course - 1] ?? 0)));
  if (far < AIM_FROM) return 0;
  const start = toCome.map((course) => deviations[course - 1] ?? 0);
  // Each turn makes good what the others do, and they do little: a few rounds settle it.
  let turns = start.map((cents) => -cents);
  for (let round = 0; round < ROUNDS; round++) {
    const pulls = turns.map((turn, k) => pull(nth(start, k) + turn) - pull(nth(start, k)));
    turns = toCome.map((to, a) => {
      const drift = toCome.reduce(
        (sum, from, b) => (a === b ? sum : sum + (matrix[to - 1]?.[from - 1] ?? 0) * nth(pulls, b)),
        0,
      );
      return -nth(start, a) - drift;
    });
  }
  return nth(start, 0) + nth(turns, 0);
}

/** The deviations after one string was turned, course 1 first. */
export function afterTurn(
  deviations: readonly Cents[],
  course: number,
  to: Cents,
  { matrix }: Coupling,
): Cents[] {
  const change = pull(to) - pull(deviations[course - 1] ?? 0);
  return deviations.map((cents, j) =>
    j === course - 1 ? to : cents + (matrix[j]?.[course - 1] ?? 0) * change,
  );
}
