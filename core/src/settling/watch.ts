import { nth } from '../maths/index.ts';
import type { StringSpec } from '../strings/index.ts';
import type { Cents, Seconds } from '../units.ts';
import { roomIn } from './creeping.ts';
import type { SettlingEvent, SettlingReading } from './history.ts';
import { FARTHEST } from './outlook.ts';

/** 95 % on one side of a normal distribution. */
const SIDE = 1.645;
/** Too short to be a watch. */
export const LEAST_WATCH: Seconds = 15;
const BISECTIONS = 30;

/** How long a string was left alone, and how far it fell. */
export interface Watch {
  readonly seconds: Seconds;
  readonly fell: Cents;
}

/** How long it holds by a watch alone, and how long that was. */
export interface Bound {
  readonly hold: Seconds;
  readonly watch: Seconds;
}

/**
 * How long a string holds by the one thing that is true of all creep: left alone it only
 * slows. After a watch of w seconds in which it fell by d, the next T take at most d·T/w; with
 * the errors of both readings and the room's share. Null without a watch since it was touched.
 * @param stands where it goes on from; brought to its note where that is missing
 */
export function watchedHold(
  events: readonly SettlingEvent[],
  material: StringSpec['material'],
  tolerance: Cents,
  stands?: Cents,
): Bound | null {
  const untouched = untouchedReadings(events, stands === undefined);
  const [start, last] = [untouched[0], untouched.at(-1)];
  if (!start || !last) return null;
  const held = untouched.slice(0, -1).flatMap((first) => {
    const seconds = last.at - first.at;
    if (seconds < LEAST_WATCH) return [];
    const error = Math.hypot(first.errorCents, last.errorCents, roomIn(seconds, material));
    const fell = Math.max(0, first.cents - last.cents);
    const left = (time: Seconds) => {
      const longer = time / seconds;
      const unsure = Math.hypot(longer * error, last.errorCents, roomIn(time, material));
      return tolerance + (stands ?? 0) - longer * fell - SIDE * unsure;
    };
    return [lastTime(left)];
  });
  return held.length === 0 ? null : { hold: Math.max(...held), watch: last.at - start.at };
}

/** The longest watch of a string since it was touched last. */
export function watchOf(events: readonly SettlingEvent[]): Watch | null {
  const untouched = untouchedReadings(events, false);
  const [first, last] = [untouched[0], untouched.at(-1)];
  if (!first || !last || last.at - first.at < LEAST_WATCH) return null;
  return { seconds: last.at - first.at, fell: first.cents - last.cents };
}

/** The readings since it was touched last; for a string that is to be brought up also those of the watch before a turn. */
function untouchedReadings(
  events: readonly SettlingEvent[],
  before: boolean,
): readonly SettlingReading[] {
  const pieces: SettlingReading[][] = [[]];
  for (const event of events)
    if (event.kind === 'reading') pieces.at(-1)!.push(event);
    else pieces.push([]);
  const long = (piece: readonly SettlingReading[]) =>
    piece.length > 1 && nth(piece, piece.length - 1).at - nth(piece, 0).at >= LEAST_WATCH;
  const last = pieces.at(-1)!;
  return before && !long(last) ? (pieces.findLast(long) ?? last) : last;
}

/** How long something that only gets less stays above nothing. */
function lastTime(left: (time: Seconds) => number): Seconds {
  let [low, high] = [0, FARTHEST];
  for (let k = 0; k < BISECTIONS; k++) {
    const middle = (low + high) / 2;
    if (left(middle) > 0) low = middle;
    else high = middle;
  }
  return low;
}

/** It is said to hold the lesson from this probability on, and where the watch alone vouches for such a share of it. */
const SURE = 0.92;
const WATCHED_SHARE = 1 / 3;

/** Whether a string is said to hold the lesson. @param chance that it does, by the draws */
export function isVouchedFor(chance: number, bound: Bound | null, lesson: Seconds): boolean {
  return chance >= SURE && bound !== null && bound.hold >= WATCHED_SHARE * lesson;
}
