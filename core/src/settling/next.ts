import type { NoteValue } from '../message.ts';
import type { Cents, EpochMs, Seconds, Semitones } from '../units.ts';
import type { StringHistory } from './history.ts';
import type { Taken } from './steps.ts';
import type { StringSettling } from './verdict.ts';
import { LEAST_WATCH, watchOf } from './watch.ts';

/** How a teacher settles new strings. */
export const WAYS = ['roundByRound', 'fivePulls', 'high'] as const;
export type Way = (typeof WAYS)[number];

/** How often each way pulls before it reads. */
const PULLS: Readonly<Record<Way, number>> = { roundByRound: 1, fivePulls: 5, high: 1 };

/** Pulls before each reading. */
export function pullsAtOnce(way: Way): number {
  return PULLS[way];
}

/** A new string as the adviser knows it. */
export interface SettlingString {
  readonly course: number;
  readonly note: NoteValue;
  /** From its note to where it breaks. */
  readonly headroom: Semitones;
  /** Steel, plain and thin: it breaks first. */
  readonly thin: boolean;
  /** Its readings; these are never behind. */
  readonly history: StringHistory;
  /** What was made of these very readings; null while that is being worked out. */
  readonly state: StringSettling | null;
}

/** What the strings are settled by. */
export interface SettlingRules {
  /** What they are tuned to. */
  readonly tuned: Cents;
  /** What a lesson allows. */
  readonly lesson: Cents;
  readonly way: Way;
  /** How much higher than its note a string is tuned: 0 but by the way that tunes them high. */
  readonly high: Cents;
}

interface Named {
  readonly course: number;
  readonly note: NoteValue;
}

/** What time it is, and when the next look is planned. */
export interface SettlingClock {
  readonly now: EpochMs;
  readonly look: EpochMs | null;
}

/** The one thing to do now, with what its sentence needs to know. */
export type SettlingStep =
  /** The teacher is asked about its last reading. */
  | { readonly step: 'answer'; readonly course: number }
  | { readonly step: 'no string' }
  /** `read`: at an earlier visit. */
  | { readonly step: 'pluck'; readonly course: number; readonly read: boolean }
  /** It was pulled, and has dropped. */
  | ({ readonly step: 'bring back' } & Named)
  | ({ readonly step: 'tune first' } & Named)
  | ({ readonly step: 'loosen'; readonly high: Cents } & Named)
  | {
      readonly step: 'pull';
      readonly course: number;
      readonly times: number;
      readonly headroom: Semitones;
      /** Little is left to where it breaks. */
      readonly near: boolean;
      readonly thin: boolean;
      /** How long it is expected to hold after the pull, and without it; null before that is known. */
      readonly brings: { readonly pulled: Seconds; readonly waited: Seconds } | null;
    }
  | ({ readonly step: 'bring up'; readonly high: Cents } & Named)
  /** It was left alone since it was touched: one pluck tells how it creeps; too soon where it was just plucked. */
  | { readonly step: 'watch'; readonly course: number; readonly tooSoon: boolean }
  | { readonly step: 'working out' }
  | { readonly step: 'all hold' }
  /** Left alone for so long, one pluck a string would make it sure; null where that is not soon. */
  | {
      readonly step: 'leave alone';
      readonly waiting: readonly number[];
      readonly sureAfter: Seconds | null;
    };

/** Below this a string is not pulled: common practice, no source. */
export const LEAST_HEADROOM: Semitones = 2.5;
/** With less than twice that it is pulled with care. */
const NEAR_HEADROOM: Semitones = 2 * LEAST_HEADROOM;
/** Further off than this a string is tuned before it is pulled: a slack string does not stretch. */
const FAR_OFF: Cents = 60;
/** A string that was left alone and fell further than this is tuned before anything else is done with it. */
const FALLEN: Cents = 20;
/** More rounds than this nobody pulls in one go. */
const MOST_ROUNDS = 5;
/** A string with little left is not read again sooner than this, in ms. */
const STALE = 3 * 60_000;
/** A string that was read longer ago than this was read at another visit, in ms. */
const VISIT = 10 * 60_000;
const LEAST_WATCH_MS = 1000 * LEAST_WATCH;
const FRESH_MS = 24 * 3_600_000;
/** A string that would hold the lesson is brought up where that makes it likelier by so much. */
const LIKELIER = 0.1;

/**
 * The one thing to do now: every string is read first, then each is pulled once, then
 * plucked as it stands; after that a string is pulled again only where that is worth more
 * than waiting, and what is out of tune is brought up.
 * @param strings in the order in which they are tuned
 * @param active the string that was read last
 */
export function settlingStep(
  strings: readonly SettlingString[],
  active: number | null,
  rules: SettlingRules,
  clock: SettlingClock,
): SettlingStep {
  const doubtful = strings.find(({ history }) => history.taken.at(-1)?.doubt);
  if (doubtful) return { step: 'answer', course: doubtful.course };
  const at = strings.findIndex(({ course }) => course === active);
  const round = [...strings.slice(at + 1), ...strings.slice(0, at + 1)];
  const inHand = strings[at];
  return (
    unfinished(inHand ? [inHand, ...round] : round, rules) ??
    unread(round, inHand) ??
    farOff(round, rules) ??
    nextPull(round, rules) ??
    overdue(round) ??
    offPitch(round, rules) ??
    due(strings, clock) ??
    atRest(strings)
  );
}

/** What is begun is finished first, of the string in hand before the others. */
function unfinished(strings: readonly SettlingString[], rules: SettlingRules): SettlingStep | null {
  for (const string of strings) {
    const step = halfDone(string, rules);
    if (step) return step;
  }
  return null;
}

function halfDone(
  { course, note, history }: SettlingString,
  { tuned, lesson, high }: SettlingRules,
): SettlingStep | null {
  const { last } = history;
  if (!last) return null;
  if (last.step === 'stretched') return { step: 'bring back', course, note };
  // One that was only looked at is left as it is until all were.
  if (!TURNED.has(last.step)) return null;
  if (last.cents < -FAR_OFF) return { step: 'tune first', course, note };
  if (last.cents > high + tuned) return { step: 'loosen', course, note, high };
  return last.cents < Math.max(high - tuned, -lesson)
    ? { step: 'bring up', course, note, high }
    : null;
}

const TURNED: ReadonlySet<Taken['step']> = new Set(['first', 'brought up', 'let down', 'retuned']);

/** A string that was not read at this visit. */
function unread(round: readonly SettlingString[], inHand?: SettlingString): SettlingStep | null {
  if (round.length === 0) return { step: 'no string' };
  const newest = newestOf(round);
  const isUnread = ({ history: { last } }: SettlingString) => !last || last.really < newest - VISIT;
  const next = inHand && isUnread(inHand) ? inHand : round.find(isUnread);
  return next ? { step: 'pluck', course: next.course, read: next.history.last !== null } : null;
}

/** A string that fell so far is brought up before it is pulled; one that rose is let down. */
function farOff(
  round: readonly SettlingString[],
  { lesson, high }: SettlingRules,
): SettlingStep | null {
  const off = round.find(({ history: { last } }) => last && last.cents < -FALLEN);
  if (off) return { step: 'tune first', course: off.course, note: off.note };
  const above = round.find(({ history: { last } }) => last && last.cents > lesson);
  return above ? { step: 'loosen', course: above.course, note: above.note, high } : null;
}

/** Each is pulled once, then watched; then those again for which it is worth it, the least pulled first. */
function nextPull(round: readonly SettlingString[], rules: SettlingRules): SettlingStep | null {
  const mayBePulled = rules.way === 'high' ? [] : round.filter(isPullable);
  const first = mayBePulled.find((s) => roundsOf(s) === 0 && !s.state?.holds && isFresh(s));
  if (first) return pull(first, rules);
  const unwatched = round.filter(isUnwatched);
  const early = unwatched.filter((string) => roundsOf(string) <= 1);
  if (early.length > 0) return watch(early, round);
  if (round.some(({ state }) => state === null)) return { step: 'working out' };
  const worth = mayBePulled
    .filter(({ state }) => state?.pull.worth)
    .sort((a, b) => roundsOf(a) - roundsOf(b))[0];
  if (worth) return pull(worth, rules);
  return unwatched.length > 0 ? watch(unwatched, round) : null;
}

function roundsOf({ history }: SettlingString): number {
  return history.rounds.length;
}

function isPullable(string: SettlingString): boolean {
  return string.headroom >= LEAST_HEADROOM && roundsOf(string) < MOST_ROUNDS;
}

/** It was fitted today: what was left alone for days was settled by that. */
function isFresh({ history: { last, fittedAt } }: SettlingString): boolean {
  return last !== null && last.really - fittedAt < FRESH_MS;
}

/** Nothing was read since it was touched. */
function isUnwatched({ history: { last, events } }: SettlingString): boolean {
  return last !== null && watchOf(events) === null;
}

/** The one that was left alone longest; too soon where all were just plucked. */
function watch(
  unwatched: readonly SettlingString[],
  round: readonly SettlingString[],
): SettlingStep {
  const since = ({ history }: SettlingString) => untouchedSince(history);
  const next = unwatched.reduce((a, b) => (since(b) < since(a) ? b : a));
  return {
    step: 'watch',
    course: next.course,
    tooSoon: newestOf(round) - since(next) < LEAST_WATCH_MS,
  };
}

/** When any of them was read last. */
function newestOf(strings: readonly SettlingString[]): EpochMs {
  return Math.max(...strings.map(({ history }) => history.last?.really ?? 0));
}

/** When it was read first since it was touched. */
function untouchedSince({ taken }: StringHistory): EpochMs {
  const counted = taken.filter(({ step }) => step !== 'left out');
  const from = counted.findLastIndex(({ step }) => step !== 'waited' && step !== 'again');
  return counted[Math.max(0, from)]?.really ?? 0;
}

function pull(
  { course, headroom, thin, state }: SettlingString,
  { way }: SettlingRules,
): SettlingStep {
  const near = headroom < NEAR_HEADROOM;
  const { pulled, waited } = state?.pull ?? {};
  const brings =
    pulled && waited ? { pulled: pulled.hold.expected, waited: waited.hold.expected } : null;
  return { step: 'pull', course, times: pullsAtOnce(way), headroom, near, thin, brings };
}

/** What was sure of it is over, and it was not read for a while. */
function overdue(round: readonly SettlingString[]): SettlingStep | null {
  const newest = newestOf(round);
  const over = round.find(
    ({ state, history: { last } }) =>
      state?.stands?.promise === 0 && newest - (last?.really ?? newest) > STALE,
  );
  return over ? { step: 'pluck', course: over.course, read: true } : null;
}

/** A string that is out of what a lesson allows or about to be, or so low that it would not hold where it could. */
function offPitch(
  round: readonly SettlingString[],
  { tuned, high }: SettlingRules,
): SettlingStep | null {
  const off = round.find(({ state, history: { last } }) => {
    if (!state || !last) return false;
    const { stands, lifted, holds } = state;
    if (!stands) return true;
    return holds && last.cents < -tuned && stands.lesson < lifted.lesson - LIKELIER;
  });
  return off ? { step: 'bring up', course: off.course, note: off.note, high } : null;
}

/** A watch that was asked for is over, or the look that was planned has come: it is plucked before anything else. */
function due(
  strings: readonly SettlingString[],
  { now, look }: SettlingClock,
): SettlingStep | null {
  const next = strings.find(({ state, history: { last } }) => {
    if (!state || !last) return false;
    const { holds, sureAfter } = state;
    const at = holds || sureAfter === null ? look : last.really + 1000 * sureAfter;
    return at !== null && last.really < at && at <= now;
  });
  return next ? { step: 'pluck', course: next.course, read: true } : null;
}

function atRest(strings: readonly SettlingString[]): SettlingStep {
  const waiting = strings.filter(({ state }) => state && !state.holds);
  if (waiting.length === 0) return { step: 'all hold' };
  const after = waiting.map(({ state }) => state!.sureAfter);
  return {
    step: 'leave alone',
    waiting: waiting.map(({ course }) => course),
    sureAfter: after.some((one) => one === null) ? null : Math.max(...after.map((one) => one!)),
  };
}
