import { median, nth } from '../maths/index.ts';
import type { Cents, Seconds } from '../units.ts';

/** What is called out while a string is turned as it rings. */
export type TurnCall = 'keep turning' | 'slowly' | 'stop' | 'let it ring' | 'wrong way';

/** A call with the moment when it was made. */
export interface Called {
  readonly call: TurnCall;
  /** The string has to go up. */
  readonly up: boolean;
  /** Seconds after the onset of the note. */
  readonly at: Seconds;
}

/** The note that is followed: its live track and what its string is meant to do. */
export interface TurnedNote {
  /** Seconds since the onset and cents from where the string is to be brought, by turns. */
  readonly track: readonly number[];
  /** Values before this moment belong to an earlier reading. */
  readonly since: Seconds;
  /** Within this the string is in tune. */
  readonly tolerance: Cents;
  /** It rings for seconds, so that there is time to go slowly. */
  readonly ringsLong: boolean;
}

/** A usual simple reaction time of a hand. From memory, no source. */
const REACTION: Seconds = 0.27;
/** How old a live value is. */
const LATE: Seconds = 0.025;
/** Pace is measured over this time, over the longer one for a slow turn. */
const PACE_OVER: Seconds = 0.13;
const SLOW_OVER: Seconds = 0.3;
/** The median of so many values is where the string stood. */
const FEWEST = 4;
/** A string that moves faster than this, in cents a second, is being turned; a pluck’s own glide comes on top, gone to 1/e in this time. */
const TURNS = 14;
const GLIDES = { pace: 400, gone: 0.12 } as const;
/** … once it has moved by this much. */
const GONE: Cents = 4;
/** Below the first pace, over the longer time, the string stands still; below the second, over the shorter time, its turn is slow. */
const STANDS = 5;
const SLOW = 10;
/** “Slowly” is called when the note is nearer than this, in cents, and in seconds at the present pace. */
const SLOWLY = { within: 25, ahead: 0.75 } as const;
/** “Let it ring” goes away after this time if no reading follows. */
const RINGS: Seconds = 1;
/** A call stays at least this long; only “Stop” may come sooner. */
const LEAST_SHOWN: Seconds = 0.4;

/** What to call out now; null while nobody turns. */
export function turnCall(before: Called | null, note: TurnedNote): Called | null {
  const now = movementOf(note);
  if (!now) return before;
  const called = before ? next(before, now, note) : begin(now, note);
  const { at } = now;
  if (called === 'let it ring' && called === before?.call && at - before.at > RINGS) return null;
  if (!called || called === before?.call) return before;
  const tooSoon = before !== null && called !== 'stop' && at - before.at < LEAST_SHOWN;
  return tooSoon ? before : { call: called, up: now.off < 0, at };
}

interface Movement {
  readonly at: Seconds;
  /** Cents from where it is to be brought. */
  readonly off: Cents;
  /** Cents a second. */
  readonly pace: number;
  /** How far it has gone from where it stood, and on which side of its note that was. */
  readonly gone: Cents;
  readonly from: Cents;
}

function movementOf({ track, since }: TurnedNote): Movement | null {
  const points: { at: Seconds; cents: Cents }[] = [];
  for (let i = 0; i + 1 < track.length; i += 2)
    if (nth(track, i) >= since) points.push({ at: nth(track, i), cents: nth(track, i + 1) });
  const last = points.at(-1);
  if (!last || points.length < FEWEST + 2) return null;
  const paceOver = (seconds: Seconds) => {
    const [first = last] = points.filter(({ at }) => last.at - at <= seconds);
    return first.at < last.at ? (last.cents - first.cents) / (last.at - first.at) : 0;
  };
  const from = median(points.slice(0, FEWEST).map(({ cents }) => cents));
  const quick = paceOver(PACE_OVER);
  const pace = Math.abs(quick) < SLOW ? paceOver(SLOW_OVER) : quick;
  return { at: last.at, off: last.cents, pace, gone: last.cents - from, from };
}

function begin(now: Movement, note: TurnedNote): TurnCall | null {
  const glide = GLIDES.pace * Math.exp(-now.at / GLIDES.gone);
  const turns = Math.abs(now.pace) > TURNS + glide && Math.abs(now.gone) > GONE;
  return turns ? moving(now, note) : null;
}

function next(before: Called, now: Movement, note: TurnedNote): TurnCall {
  if (Math.abs(now.pace) < STANDS) return 'let it ring';
  // After “Let it ring” only a new turn is called out, not what is left of the old one.
  return before.call === 'let it ring' && Math.abs(now.pace) < TURNS
    ? before.call
    : moving(now, note);
}

function moving({ off, pace, from }: Movement, { tolerance, ringsLong }: TurnedNote): TurnCall {
  const toward = Math.sign(off) !== Math.sign(pace);
  const left = Math.abs(off);
  // Past its note or on it, and still moving.
  const crossed = Math.sign(off) !== Math.sign(from) && Math.abs(from) > tolerance;
  if (!toward) return crossed || left <= tolerance ? 'stop' : 'wrong way';
  const speed = Math.abs(pace);
  if (left <= speed * (REACTION + LATE)) return 'stop';
  const near = left < SLOWLY.within && left < speed * SLOWLY.ahead;
  return ringsLong && near ? 'slowly' : 'keep turning';
}
