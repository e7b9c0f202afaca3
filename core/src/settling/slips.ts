import { nth } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import type { Draw } from './creeping.ts';
import type { Taken } from './steps.ts';

/** A drop that no creep makes is larger than this, and than so many standard deviations. */
const LEAST: Cents = 1.5;
const SIGMAS = 3;
/** Creep only slows down: so much faster than before is something else. */
const FASTER = 2;

/** A winding that lets go, again and again. */
export interface Slips {
  /** That it does. */
  readonly probability: number;
  /** Drops that creep cannot make, as they were read. */
  readonly seen: readonly Cents[];
  /** Its winding is named: only so surely, and after so many drops. */
  readonly named: boolean;
}

const SURE = 0.9;
const REPEATED = 2;

export function slipsOf(draws: readonly Draw[], seen: readonly Cents[]): Slips {
  const slipping = draws.filter(({ nature }) => nature.slips).length;
  const probability = slipping / Math.max(1, draws.length);
  return { probability, seen, named: probability > SURE && seen.length >= REPEATED };
}

/** Drops of a string left alone that are larger than its fall just before allows. */
export function dropsSeen(taken: readonly Taken[]): Cents[] {
  const counted = taken.filter(({ step }) => step !== 'left out');
  return counted.flatMap((look, i) => {
    const [before, earlier] = [counted[i - 1], counted[i - 2]];
    if (look.step !== 'waited' || !before || !earlier) return [];
    if (before.step !== 'waited' && before.step !== 'again') return [];
    const error = Math.hypot(nth(counted, i - 2).errorCents, before.errorCents, look.errorCents);
    const rate =
      (Math.max(0, earlier.cents - before.cents) + error) /
      Math.max(1, before.really - earlier.really);
    const fell = before.cents - look.cents;
    const most = FASTER * rate * (look.really - before.really);
    return fell > most + Math.max(LEAST, SIGMAS * error) ? [fell] : [];
  });
}
