import { offBy, type StringReading } from '../sitting/index.ts';
import type { Cents } from '../units.ts';

/** What an instrument of a round still needs, by what was heard of it. */
export type Heard =
  /** Some strings were not heard yet. */
  | {
      readonly kind: 'unread';
      readonly courses: readonly number[];
      /** How many strings there are. */
      readonly of: number;
    }
  /** These strings are off. */
  | { readonly kind: 'off'; readonly courses: readonly number[] }
  /** All were right or put right, but so much was turned that the others may have moved. */
  | { readonly kind: 'once more' }
  | { readonly kind: 'right' }
  | { readonly kind: 'done' };

/** However unsure a reading is, so far beyond the tolerance nothing is right. */
const EDGE: Cents = 1;
const EDGE_SIGMAS = 2;
/** So much turned in all moves the others by more than is let pass, cents. Common practice, no source. */
const MUCH: Cents = 60;

/**
 * How the instrument in hand stands: one strum, or each string once, tells that it is right; a string that
 * was off is put right once two plucks in a row say so, or a strum.
 */
export function heardOfRound(
  readings: readonly StringReading[],
  order: readonly number[],
  tolerance: Cents,
): Heard {
  const of = (course: number) => readings.filter((reading) => reading.course === course);
  const unread = order.filter((course) => of(course).length === 0);
  if (unread.length > 0) return { kind: 'unread', courses: unread, of: order.length };
  const off = order.filter((course) => !isPutRight(of(course), tolerance));
  if (off.length > 0) return { kind: 'off', courses: off };
  const wasOff = order.filter((course) => of(course).some((r) => !isRight(r, tolerance)));
  if (wasOff.length === 0) return { kind: 'right' };
  return movedSince(readings, order, tolerance) ? { kind: 'once more' } : { kind: 'done' };
}

/** True for a reading that is as near its note as is let pass. */
function isRight(reading: StringReading, tolerance: Cents): boolean {
  const edge = Math.min(EDGE, EDGE_SIGMAS * reading.errorCents);
  return !reading.moving && Math.abs(offBy(reading)) <= tolerance + edge;
}

function isPutRight(own: readonly StringReading[], tolerance: Cents): boolean {
  const last = own.at(-1);
  if (!last || !isRight(last, tolerance)) return false;
  if (own.every((reading) => isRight(reading, tolerance))) return true;
  const before = own.at(-2);
  return last.strummed === true || (before !== undefined && isRight(before, tolerance));
}

/** True where much was turned after some string was heard last. */
function movedSince(
  readings: readonly StringReading[],
  order: readonly number[],
  tolerance: Cents,
): boolean {
  return order.some((course) => {
    const last = readings.findLastIndex((reading) => reading.course === course);
    let turned = 0;
    for (let i = last + 1; i < readings.length; i++) {
      const reading = readings[i];
      const before = readings.findLast((r, j) => j < i && r.course === reading?.course);
      if (reading && before && !isRight(before, tolerance))
        turned += Math.abs(reading.cents - before.cents);
    }
    return turned > MUCH;
  });
}
