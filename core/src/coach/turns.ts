import { centsBetween } from '../music/index.ts';
import { type Instrument, playOf, type Reversal, turnsFor } from '../strings/index.ts';
import type { Cents, Hz } from '../units.ts';
import type { HeardPluck, TurnSize } from './heard.ts';

/** A string that moved less than this did not follow its peg. */
const FOLLOWED: Cents = 2.5;
/** A string that does not follow after its play is asked for this share more of what it was turned. */
const MORE_PLAY = 0.3;
/** Upwards a turn stops short by this much of its error: the last movement is to be an upward one. */
const SHORT = 0.5;

/** How a button stands: which way it took its string last, and how far it was turned since without the string following. */
export interface PegStand {
  /** 1 tightened, −1 loosened; 0 where nothing is known to have moved. */
  readonly way: -1 | 0 | 1;
  /** Turns of the button, positive tightens; 0 where the string follows. */
  readonly taken: number;
  /** How many turns those were: one may as well not have been made. */
  readonly idle: number;
}

const UNKNOWN: PegStand = { way: 0, taken: 0, idle: 0 };

/** How the button of a course stands after some plucks, by what was told before each and what came of it. */
export function pegStand(plucks: readonly HeardPluck[], course: number): PegStand {
  const own = plucks.filter(({ reading }) => reading?.course === course);
  return own.reduce<PegStand>((stand, { reading, told }, i) => {
    const before = own[i - 1]?.reading;
    if (!before || !reading) return stand;
    const moved = centsBetween(before.hz, reading.hz);
    if (Math.abs(moved) >= FOLLOWED) return { way: moved > 0 ? 1 : -1, taken: 0, idle: 0 };
    if (!told) return stand;
    const same = Math.sign(stand.taken) === Math.sign(told);
    const { taken, idle } = same ? stand : { taken: 0, idle: 0 };
    return { way: stand.way, taken: taken + told, idle: idle + 1 };
  }, UNKNOWN);
}

/** Whether a turn goes against the one before it. */
export function reversalOf({ way }: PegStand, turns: number): Reversal {
  if (way === 0) return 'unknown';
  return Math.sign(turns) === way ? 'onward' : 'reversed';
}

/**
 * Turns of the button to say from one pitch to another: with the play that is still to be gone
 * through when it last went the other way, and upwards a little short.
 */
export function turnsToSay(
  instrument: Instrument,
  course: number,
  { way, taken, idle }: PegStand,
  { fromHz, toHz }: { readonly fromHz: Hz; readonly toHz: Hz },
): TurnSize | null {
  const size = turnsFor(instrument, course, fromHz, toHz);
  if (!size) return null;
  const { turns, guess, error, least } = size;
  const sign = Math.sign(turns);
  const gone = sign !== 0 && Math.sign(taken) === sign ? Math.abs(taken) : 0;
  const play = way === -sign ? playOf(instrument, course) : 0;
  // More play than was known, or a slot that holds the string: nobody knows how much more.
  const left = gone > play ? (idle > 1 ? gone * MORE_PLAY : 0) : play - gone;
  const bare = sign > 0 ? turns * (1 - SHORT * Math.min(1, error)) : turns;
  return { turns: bare + sign * left, guess, ...(least !== undefined && { least }) };
}
