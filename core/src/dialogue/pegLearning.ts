import { type HeardPluck, pegStand, reversalOf } from '../coach/index.ts';
import { centsBetween } from '../music/index.ts';
import { type Peg, pegAfterAdvice, pegAfterLeast } from '../strings/index.ts';
import type { Cents } from '../units.ts';
import type { BenchWorld } from './benchTypes.ts';

/** A smallest step is told from the reading's own error by this. */
const TELLING_STEP: Cents = 1.5;
/** Smaller turns tell less of a peg than the hand's own scatter. */
const TELLING_TURN: Cents = 8;
/** Turned by less than this as it rang, a string was turned unheard: half of a telling turn. */
const UNHEARD: Cents = TELLING_TURN / 2;
/** Told less in all, a hand does what it can. */
const LEAST_TOLD = 4 / 360;

/**
 * What the turn between the last two plucks shows of its peg, if it was made unheard: then
 * the hand went by the amount that it was told, and not by the display.
 */
export function pegLearned(
  plucks: readonly HeardPluck[],
  { instrument }: Pick<BenchWorld, 'instrument'>,
): { readonly course: number; readonly peg: Peg } | null {
  const [before, last] = plucks.slice(-2);
  const [earlier, reading] = [before?.reading, last?.reading];
  if (!before || !last?.told || !earlier || earlier.course !== reading?.course) return null;
  const { course } = reading;
  const heardTo = before.ringing ? centsBetween(earlier.hz, before.ringing.endHz) : 0;
  const moved = centsBetween(earlier.hz, reading.hz);
  if (Math.abs(moved) < TELLING_STEP || Math.abs(heardTo) > UNHEARD) return null;
  const stand = pegStand(plucks.slice(0, -1), course);
  const since = Math.sign(stand.taken) === Math.sign(last.told) ? stand.taken : 0;
  const turns = last.told + since;
  const turn = { turns, beforeHz: earlier.hz, afterHz: reading.hz };
  if (Math.abs(turns) < LEAST_TOLD) {
    const onward = since === 0 && reversalOf(stand, turns) === 'onward';
    const peg = onward ? pegAfterLeast(instrument, course, turn) : null;
    return peg && { course, peg };
  }
  if (Math.abs(moved) < TELLING_TURN) return null;
  const peg = pegAfterAdvice(instrument, course, turn, reversalOf(stand, turns));
  return peg && { course, peg };
}
