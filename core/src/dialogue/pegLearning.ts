import type { HeardPluck } from '../coach/index.ts';
import { centsBetween, shiftHz, type Target } from '../music/index.ts';
import { type Instrument, type Peg, pegAfterAdvice, turnsFor } from '../strings/index.ts';
import type { Cents } from '../units.ts';

/** Smaller turns tell less of a peg than the hand's own scatter. */
const TELLING_TURN: Cents = 8;
/** Turned by less than this as it rang, a string was turned unheard: half of a telling turn. */
const UNHEARD: Cents = TELLING_TURN / 2;

/**
 * What the turn between the last two plucks shows of its peg, if it was made unheard: then
 * the hand went by the amount that it was told, and not by the display.
 * @param instrument as it sounds
 */
export function pegLearned(
  plucks: readonly HeardPluck[],
  targets: readonly Target[],
  instrument: Instrument,
): { readonly course: number; readonly peg: Peg } | null {
  const [before, last] = plucks.slice(-2);
  const [earlier, reading] = [before?.reading, last?.reading];
  if (!before || !earlier || !reading || earlier.course !== reading.course) return null;
  const { course } = reading;
  const target = targets[course - 1];
  const heardTo = before.ringing ? centsBetween(earlier.hz, before.ringing.endHz) : 0;
  const moved = Math.abs(centsBetween(earlier.hz, reading.hz));
  if (!target || moved < TELLING_TURN || Math.abs(heardTo) > UNHEARD) return null;
  const wanted = earlier.aim === undefined ? target.hz : shiftHz(target.hz, earlier.aim);
  const told = turnsFor(instrument, course, earlier.hz, wanted);
  if (!told) return null;
  const turn = { turns: told.turns, beforeHz: earlier.hz, afterHz: reading.hz };
  const peg = pegAfterAdvice(instrument, course, turn);
  return peg && { course, peg };
}
