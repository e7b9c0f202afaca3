import { inTuneReadings, offBy, type StringReading } from '../sitting/index.ts';
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
  /** All were right or tuned, but so much was turned that the others may have moved. */
  | { readonly kind: 'once more' }
  | { readonly kind: 'right' }
  | { readonly kind: 'done' };

/** So much turned in all moves the others by more than is let pass, cents. Common practice, no source. */
const MUCH: Cents = 60;

/**
 * How the instrument in hand stands: one strum, or each string once, tells that it is right; a string that
 * was off is tuned once two plucks in a row say so, or a strum.
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
  const wasOff = order.filter((course) => wasTurned(of(course), tolerance));
  if (wasOff.length === 0) return { kind: 'right' };
  return movedSince(readings, order, tolerance) ? { kind: 'once more' } : { kind: 'done' };
}

/** Which readings of one string are in tune; one that still moved is not. */
function rightOf(own: readonly StringReading[], tolerance: Cents): boolean[] {
  return inTuneReadings(own, tolerance).map((right, i) => right && !own[i]?.moving);
}

/** A strum reads a string to no more than this, in cents. */
const STRUM_ERROR: Cents = 4;

/** Whether a string must have been turned: it was out of tune by more than a strum may be wrong. */
function wasTurned(own: readonly StringReading[], tolerance: Cents): boolean {
  return rightOf(own, tolerance).some((right, i) => {
    const reading = own[i];
    const isDoubtful =
      reading?.strummed === true && Math.abs(offBy(reading)) <= tolerance + STRUM_ERROR;
    return !right && !isDoubtful;
  });
}

function isPutRight(own: readonly StringReading[], tolerance: Cents): boolean {
  const right = rightOf(own, tolerance);
  if (!right.at(-1)) return false;
  return !right.includes(false) || own.at(-1)?.strummed === true || right.at(-2) === true;
}

/** True where much was turned after some string was heard last. */
function movedSince(
  readings: readonly StringReading[],
  order: readonly number[],
  tolerance: Cents,
): boolean {
  const right = new Map<StringReading, boolean>();
  for (const course of order) {
    const own = readings.filter((reading) => reading.course === course);
    rightOf(own, tolerance).forEach((isRight, i) => {
      const reading = own[i];
      if (reading) right.set(reading, isRight);
    });
  }
  return order.some((course) => {
    const last = readings.findLastIndex((reading) => reading.course === course);
    let turned = 0;
    for (let i = last + 1; i < readings.length; i++) {
      const reading = readings[i];
      const before = readings.findLast((r, j) => j < i && r.course === reading?.course);
      if (reading && before && !right.get(before)) turned += Math.abs(reading.cents - before.cents);
    }
    return turned > MUCH;
  });
}
