import { nth } from '../maths/index.ts';
import type { StringReading } from '../sitting/index.ts';
import { FROM_ANOTHER_TUNING } from '../sitting/index.ts';
import { type Coupling, pull, type StringSpec } from '../strings/index.ts';
import type { Cents, EpochMs } from '../units.ts';

/** What is known of how a string stands, and from when. */
export type KnownFrom =
  /** It was read in this session. */
  | 'this sitting'
  /** It was left so in an earlier one, or the tuning it is kept in has it so: it may have moved since. */
  | 'earlier'
  | 'nothing';

/** Where one string stands at a moment. */
export interface StringState {
  readonly course: number;
  /** Which string of a course of several, 1 the first. */
  readonly member: number;
  /** Deviation from its target now; null where nothing is known of it. */
  readonly cents: Cents | null;
  /** One standard deviation of that. */
  readonly errorCents: Cents;
  readonly from: KnownFrom;
  /** What turns of the other strings have done to it since it was read, by the coupling; part of `cents`. */
  readonly drift: Cents;
}

/** A reading with its moment; without one it does not age. */
export interface ReadAt extends StringReading {
  readonly at?: EpochMs;
}

/** When a string was put on, as far as it is known. */
export interface Fitted {
  readonly at: EpochMs;
  readonly material: StringSpec['material'];
}

/** What the strings are known by. */
export interface KnownOfStrings {
  /** Readings of this session, the oldest first. */
  readonly readings: readonly ReadAt[];
  /** When the first string of every course was put on, course 1 first; null, or nothing, where it is not known. */
  readonly fitted?: readonly (Fitted | null)[];
  /** Cents of every course from before the session, course 1 first; null where they are not known. */
  readonly before: readonly (Cents | null)[];
  readonly coupling: Coupling;
}

/** A string that was left somewhere in an earlier session stands within this of it: it was played, and the room changed. */
const SINCE_EARLIER: Cents = 12;
/** A pitch that still moved when it was read. */
const MOVING: Cents = 1.5;
/** Between two readings of a string in a row a smaller change is no turn. */
const LEAST_TURN: Cents = 1;
/** A change beyond so many standard errors is a turn. */
const TURN_SIGMAS = 3;
/** Nothing is known better than this: the hand and the pluck are never the same twice. */
const LEAST_ERROR: Cents = 0.2;

/** A settled string wanders with the room and the hand: so far in half an hour, as a walk. From memory. */
const WANDERS = { cents: 1, ms: 1_800_000 } as const;
/**
 * What a new string may fall while its age grows by a factor of e, from the first minutes on:
 * common practice, no source. Doubt, not drift: how far it really falls is for the next pluck.
 */
const FALLS: Readonly<Record<StringSpec['material'], Cents>> = {
  steel: 4,
  fluorocarbon: 10,
  nylon: 12,
  gut: 12,
};
/** A string is fitted, slack and being wound, for this long. */
const FITTING_MS = 60_000;

interface Kept {
  readonly course: number;
  readonly member: number;
  cents: Cents | null;
  variance: number;
  from: KnownFrom;
  drift: Cents;
}

/**
 * Where every string stands now: the first ones of all courses, course 1 first, then further
 * ones of a course as they were read. As each was read last, and what the turns of
 * the others since did to it. A turn is seen by two readings of a string that differ by more
 * than their errors and its drift explain; also by the first reading of one that comes from
 * another tuning. With time the doubt of each grows, of a new string most. How it stands is as
 * of the last reading: the clock alone changes nothing that is said. One function of the log:
 * everything that is said follows from it.
 */
export function stateOf({
  readings,
  before,
  coupling,
  fitted = [],
}: KnownOfStrings): StringState[] {
  const kept = before.map((cents, i) => unread(i + 1, 1, cents));
  readings.forEach((reading, k) => {
    const member = reading.member ?? 1;
    if (reading.course > before.length) return;
    age(kept, fitted, { from: readings[k - 1]?.at, to: reading.at });
    const own = keptOf(kept, reading.course, member);
    const last = readings[k - 1];
    const inARow = last?.course === reading.course && (last.member ?? 1) === member;
    const variance = errorOf(reading) ** 2;
    if (own.cents !== null && isTurn(own, reading.cents - own.cents, variance, inARow))
      moveOthers(kept, own, reading.cents, coupling);
    own.cents = reading.cents;
    own.variance = variance;
    own.from = 'this sitting';
    own.drift = 0;
  });
  return kept.map(({ variance, ...known }) => ({ ...known, errorCents: Math.sqrt(variance) }));
}

/** Lets the doubt of every string grow over a stretch of time that is known. */
function age(
  kept: readonly Kept[],
  fitted: readonly (Fitted | null)[],
  { from, to }: { readonly from: EpochMs | undefined; readonly to: EpochMs | undefined },
): void {
  if (from === undefined || to === undefined || to <= from) return;
  for (const one of kept) {
    if (one.from !== 'this sitting') continue;
    one.variance += WANDERS.cents ** 2 * ((to - from) / WANDERS.ms);
    const own = fitted[one.course - 1];
    if (own && own.at <= to) one.variance += mayFall(own, from, to) ** 2;
  }
}

function mayFall({ at, material }: Fitted, from: EpochMs, to: EpochMs): Cents {
  const old = (moment: EpochMs) => Math.max(FITTING_MS, moment - at);
  return FALLS[material] * Math.log(old(to) / old(from));
}

function unread(course: number, member: number, cents: Cents | null): Kept {
  const from = cents === null ? 'nothing' : 'earlier';
  return { course, member, cents, variance: SINCE_EARLIER ** 2, from, drift: 0 };
}

/** A string by its course and place in it; a further one of a course is added when it is first heard of. */
function keptOf(kept: Kept[], course: number, member: number): Kept {
  const found = kept.find((one) => one.course === course && one.member === member);
  if (found) return found;
  const added = unread(course, member, null);
  kept.push(added);
  return added;
}

function errorOf({ errorCents, moving }: StringReading): Cents {
  return Math.hypot(Math.max(errorCents, LEAST_ERROR), moving ? MOVING : 0);
}

function isTurn(own: Kept, change: Cents, variance: number, inARow: boolean): boolean {
  // Nobody knows what happened to it since the session before, unless it was brought over from another tuning.
  if (own.from === 'earlier') return Math.abs(change) > FROM_ANOTHER_TUNING;
  const limit = TURN_SIGMAS * Math.sqrt(own.variance + variance);
  return Math.abs(change) > (inARow ? Math.max(LEAST_TURN, limit) : LEAST_TURN + limit);
}

function moveOthers(
  kept: readonly Kept[],
  turned: Kept,
  to: Cents,
  { matrix, error }: Coupling,
): void {
  const by = pull(to) - pull(turned.cents ?? to);
  for (const other of kept) {
    if (other === turned || other.cents === null) continue;
    const moved = couplingOf(matrix, other.course, turned.course) * by;
    other.cents += moved;
    other.drift += moved;
    // What the coupling leaves open is open of every move that it foretells.
    other.variance += (Math.min(1, error) * moved) ** 2;
  }
}

/** Strings of one course move each other as their neighbours do: the mean of what the turned one does to other courses. */
function couplingOf(matrix: Coupling['matrix'], of: number, by: number): number {
  if (of !== by) return nth(matrix, of - 1)[by - 1] ?? 0;
  const others = matrix.flatMap((row, j) => (j === by - 1 ? [] : (row[by - 1] ?? 0)));
  return others.length === 0 ? 0 : others.reduce((sum, one) => sum + one, 0) / others.length;
}
