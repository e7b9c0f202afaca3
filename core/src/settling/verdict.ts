import { median } from '../maths/index.ts';
import type { Cents, EpochMs, Seconds } from '../units.ts';
import { type CreepFit, type Settling, settle } from './fit.ts';
import {
  cautiousFit,
  type Hold,
  holdOf,
  roundsOf,
  type SettlingPoint,
  type Span,
  waitOf,
} from './forecast.ts';
import { dropsOf, type StringHistory } from './history.ts';

/** What is asked of the strings. */
export interface SettlingGoal {
  readonly tolerance: Cents;
  /** How long a lesson lasts. */
  readonly lesson: Seconds;
}

/** Whether a string holds a lesson, once it is at its note. */
export type Verdict =
  | { readonly kind: 'more readings'; readonly wanted: number }
  /** The readings follow neither law. */
  | { readonly kind: 'cannot tell' }
  | { readonly kind: 'holds' }
  | { readonly kind: 'rounds'; readonly rounds: Span }
  /** Better left to itself for so long than pulled again. */
  | { readonly kind: 'wait'; readonly wait: Span }
  /** Not within a fortnight. */
  | { readonly kind: 'not soon' };

/** All that is said of a settling string. */
export interface StringSettling {
  readonly history: StringHistory;
  readonly settling: Settling;
  /** From where the string is now; null before that can be told. */
  readonly hold: Hold | null;
  /** From its note, once it is brought up. */
  readonly holdFromNote: Hold | null;
  readonly verdict: Verdict;
  /** Rounds until one drops less than the tolerance, by the rule of equal ratios; only while there is no better. */
  readonly roundsByDrops: number | null;
  /** Age now, as the fits count it, in seconds. */
  readonly age: Seconds;
}

/** More rounds than this nobody pulls in one go. */
const MOST_ROUNDS = 4;
/** Beyond this many standard deviations the readings follow neither law. */
const STRANGE = 3.5;

/**
 * Everything about one string at this moment.
 * @param relief cents by which the neck will have lifted the string after so long, because
 * the other strings creep too
 * @param settling its fit, where that was made already
 */
export function settlingOf(
  history: StringHistory,
  now: EpochMs,
  goal: SettlingGoal,
  relief: (hold: Seconds) => Cents = () => 0,
  settling: Settling = settle(history.events),
): StringSettling {
  const { last } = history;
  const age = Math.max(1, (now - history.fittedAt) / 1000);
  const roundsByDrops = roundsUntilSmall(dropsOf(history.rounds), goal.tolerance);
  const nothing = { history, settling, hold: null, holdFromNote: null, roundsByDrops, age };
  if (settling.kind === 'more readings' || !last)
    return {
      ...nothing,
      verdict: {
        kind: 'more readings',
        wanted: settling.kind === 'more readings' ? settling.wanted : 1,
      },
    };
  if (isStrange(settling.fits[0]) || !shrinks(history, goal.tolerance))
    return { ...nothing, verdict: { kind: 'cannot tell' } };
  const read = {
    at: (last.really - history.fittedAt) / 1000,
    cents: last.cents,
    errorCents: last.errorCents,
  };
  // What it has dropped since it was read is part of the forecast.
  const since = (now - last.really) / 1000;
  const held = (standing: SettlingPoint) => {
    const alone = holdOf(settling, standing, goal.tolerance);
    return holdOf(settling, standing, goal.tolerance + relief(alone.expected));
  };
  const hold = laterBy(held(read), since);
  const holdFromNote = held({ at: age, cents: 0, errorCents: 0 });
  return {
    history,
    settling,
    hold,
    holdFromNote,
    verdict: verdictOf(settling, holdFromNote, age, goal),
    roundsByDrops,
    age,
  };
}

function laterBy({ expected, low, high }: Hold, since: Seconds): Hold {
  const from = (time: Seconds) => Math.max(0, time - since);
  return { expected: from(expected), low: from(low), high: from(high) };
}

function verdictOf(
  settling: Extract<Settling, { kind: 'fitted' }>,
  hold: Hold,
  age: Seconds,
  { tolerance, lesson }: SettlingGoal,
): Verdict {
  // What is said for certain goes by the lower end.
  if (hold.low >= lesson) return { kind: 'holds' };
  const rounds = roundsOf(settling, age, tolerance, lesson);
  if (rounds && rounds.expected <= MOST_ROUNDS)
    return { kind: 'rounds', rounds: { ...rounds, expected: Math.max(1, rounds.expected) } };
  const wait = waitOf(settling, age, tolerance, lesson);
  if (wait) return { kind: 'wait', wait };
  return { kind: 'not soon' };
}

/** Rounds that must have been seen before drops are said not to shrink, and how far back they are compared. */
const ROUNDS_SEEN = 4;
const BACK = 2;
/** A drop above this share of the one two rounds before has not shrunk. */
const NOT_SHRUNK = 0.85;

/** False where pulls go on giving by as much as before: that is no creep. */
function shrinks({ rounds }: StringHistory, tolerance: Cents): boolean {
  const drops = dropsOf(rounds);
  const [last = 0, before = 0] = [drops.at(-1), drops.at(-1 - BACK)];
  return drops.length < ROUNDS_SEEN || last <= tolerance || last <= NOT_SHRUNK * before;
}

/** The fit leaves more than its readings' errors and unequal rounds can explain. */
function isStrange({ chiSquare, freedom }: CreepFit): boolean {
  return freedom > 0 && chiSquare > freedom + STRANGE * Math.sqrt(2 * freedom);
}

/**
 * Rounds until one drops less than the tolerance, if each drops by the same share of the
 * one before: n = ln(tol/d)/ln q, rounded up; null with fewer than two, or where they do
 * not shrink.
 */
export function roundsUntilSmall(drops: readonly Cents[], tolerance: Cents): number | null {
  const [first, last] = [drops[0], drops.at(-1)];
  if (drops.length < 2 || first === undefined || last === undefined || first <= 0) return null;
  if (last <= tolerance) return 0;
  const ratio = (last / first) ** (1 / (drops.length - 1));
  return ratio >= 1 ? null : Math.ceil(Math.log(tolerance / last) / Math.log(ratio));
}

/** Why a string is unlike the others. */
export interface Odd {
  readonly course: number;
  readonly why: 'drops do not shrink' | 'follows neither law' | 'holds far shorter';
}

const FAR_SHORTER = 8;

/** Strings that behave unlike the others: a slipping winding, a bad peg. */
export function oddStrings(strings: readonly StringSettling[], tolerance: Cents): Odd[] {
  return strings.flatMap((string): Odd[] => {
    const { course } = string.history;
    const others = strings.filter((other) => other !== string);
    if (!shrinks(string.history, tolerance)) return [{ course, why: 'drops do not shrink' }];
    if (string.verdict.kind === 'cannot tell') return [{ course, why: 'follows neither law' }];
    const holds = others.flatMap((other) => other.holdFromNote?.expected ?? []);
    const own = string.holdFromNote;
    if (own && holds.length >= 2 && own.high * FAR_SHORTER < median(holds))
      return [{ course, why: 'holds far shorter' }];
    return [];
  });
}

/** Verdicts from the best to the worst; of equal ones the longer is the worse. */
const BY_RANK: readonly Verdict['kind'][] = [
  'holds',
  'rounds',
  'wait',
  'not soon',
  'cannot tell',
  'more readings',
];

/** Whether the whole instrument holds a lesson: what its worst string says. */
export function worstVerdict(strings: readonly StringSettling[]): StringSettling | null {
  return strings.reduce<StringSettling | null>(
    (worst, string) => (worst && !isWorse(string.verdict, worst.verdict) ? worst : string),
    null,
  );
}

function isWorse(a: Verdict, b: Verdict): boolean {
  if (a.kind !== b.kind) return BY_RANK.indexOf(a.kind) > BY_RANK.indexOf(b.kind);
  return lengthOf(a) > lengthOf(b);
}

function lengthOf(verdict: Verdict): number {
  if (verdict.kind === 'wait') return verdict.wait.expected;
  return verdict.kind === 'rounds' ? verdict.rounds.expected : 0;
}

/** The law that a curve is drawn by: the better one, or the one that holds shorter where that is open. */
export function drawnFit({ settling, age }: StringSettling, tolerance: Cents): CreepFit | null {
  return settling.kind === 'fitted' ? cautiousFit(settling, age, tolerance) : null;
}
