import { median, nth } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import { type Due, dueAfter, type LeftAt } from './due.ts';
import { airAfter, chanceAfter, creepIn, daysOf, shareOf, WEEK_DAYS } from './habits.ts';
import { type Explained, explained, spanUnder, wayOf } from './takenApart.ts';
import type { Diary, Drift, Habit, Span, SpanDrift, StringDrift } from './types.ts';

/** Drift is judged by so many of the last spans at most; older ones tell of other seasons. */
const MOST_SPANS = 26;
/** With fewer spans nothing is said of causes. */
const FEWEST_SPANS = 3;
/** A peg is accused where it is this likely, and lets its string down by so much a week or in one span. */
const ACCUSED = 0.95;
const WORTH_SAYING: Cents = 3;
/** Creep may take so many times what is usual of it. */
const MOST_CREEP = 3;
/** A span in which hands were at work. */
const SURE_HANDS = 0.7;
/** The cause is what moved the strings in so many of the last spans. */
const LATELY = 8;
/** Below this much a span in the middle nothing has moved. */
const QUIET: Cents = 3;

/** What a diary tells, and when to check again. */
export interface DriftTask {
  readonly diary: Diary;
  /** Null where nothing was left. */
  readonly left: LeftAt | null;
}

export interface Told {
  readonly drift: Drift;
  readonly due: Due | null;
}

/**
 * Drift of one instrument, taken apart, and the day on which it is to be looked at again.
 * Nothing is said of causes with fewer than three spans; a day is named by what is usual then.
 */
export function driftOf({ diary, left }: DriftTask): Told {
  const of = { ...diary, spans: diary.spans.filter(hasMoves).slice(-MOST_SPANS) };
  const all = explained(of);
  return {
    drift: of.spans.length === 0 ? nothing(diary) : takenApart(of, all),
    due: left && dueAfter(of, left, all),
  };
}

function takenApart(of: Diary, all: readonly Explained[]): Drift {
  const spans = of.spans.map((span, i) => spanOf(all, of, span, i));
  const strings = of.strings.map((_, s) => stringOf(all, of, spans, s));
  const { cause, courses } = causeOf(of, spans, strings);
  const mean = (read: (e: Explained) => number) =>
    all.reduce((sum, e) => sum + e.weight * read(e), 0);
  return {
    cause,
    courses,
    strings,
    spans,
    byStiffness: mean(({ weather }) => weather.byStiffness),
    weekly: {
      air: mean(({ weather }) => airAfter(weather, WEEK_DAYS)),
      chance: mean(({ weather }) => chanceAfter(weather, WEEK_DAYS)),
    },
  };
}

function hasMoves({ moves }: Span): boolean {
  return moves.some((move) => move !== null);
}

function nothing({ strings }: Diary): Drift {
  return {
    cause: 'not enough',
    courses: [],
    strings: strings.map(({ course }) => ({
      course,
      habits: { still: 1, slips: 0, wanders: 0 },
      weekly: 0,
      weeklyError: 0,
      largestFall: 0,
    })),
    spans: [],
    byStiffness: 0,
    weekly: { air: 0, chance: 0 },
  };
}

function spanOf(all: readonly Explained[], diary: Diary, span: Span, at: number): SpanDrift {
  let [common, square, handled] = [0, 0, 0];
  const own = diary.strings.map(() => 0);
  for (const explanation of all) {
    const { weight, weather } = explanation;
    const under = spanUnder(explanation, at);
    common += weight * under.common;
    square += weight * (under.error ** 2 + under.common ** 2);
    handled += weight * under.handled;
    for (const [s, string] of diary.strings.entries()) {
      const move = span.moves[s];
      if (move)
        own[s] = nth(own, s) + weight * (move.cents - shareOf(string, weather) * under.common);
    }
  }
  return {
    from: span.from,
    to: span.to,
    common,
    commonError: Math.sqrt(Math.max(0, square - common ** 2)),
    handled,
    own: own.map((cents, s) => (span.moves[s] ? cents : null)),
  };
}

function stringOf(
  all: readonly Explained[],
  { strings }: Diary,
  spans: readonly SpanDrift[],
  s: number,
): StringDrift {
  const habits: Record<Habit, number> = { still: 0, slips: 0, wanders: 0 };
  for (const explanation of all) habits[wayOf(explanation, s).habit] += explanation.weight;
  const largestFall = Math.min(0, ...spans.map(({ own }) => own[s] ?? 0));
  const { weekly, error } = fallInAWeek(spans, s);
  return {
    course: nth(strings, s).course,
    habits,
    weekly: habits.slips * weekly,
    weeklyError: habits.slips * error,
    largestFall,
  };
}

/** How far a string fell by itself in a week, over the last spans: its falls come by chance, and so does their sum. */
function fallInAWeek(spans: readonly SpanDrift[], s: number): { weekly: Cents; error: Cents } {
  const lately = spans.slice(-LATELY);
  const days = lately.reduce((sum, span) => sum + daysOf(span), 0);
  const falls = lately.map(({ own }) => Math.max(0, -(own[s] ?? 0)));
  const weeks = Math.max(1 / WEEK_DAYS, days / WEEK_DAYS);
  const sum = falls.reduce((a, b) => a + b, 0);
  const spread = Math.sqrt(falls.reduce((a, b) => a + b * b, 0));
  return { weekly: sum / weeks, error: spread / weeks };
}

type Named = Pick<Drift, 'cause' | 'courses'>;

/** What is to be said of an instrument: a peg first, for it can be mended, then what moved most lately. */
function causeOf(
  diary: Diary,
  spans: readonly SpanDrift[],
  strings: readonly StringDrift[],
): Named {
  if (spans.length < FEWEST_SPANS) return { cause: 'not enough', courses: [] };
  const coursesOf = (some: readonly StringDrift[]) => some.map(({ course }) => course);
  const slipping = strings.filter(isAccused).sort((a, b) => b.weekly - a.weekly);
  if (slipping.length > 0) return { cause: 'peg', courses: coursesOf(slipping) };
  const wandering = strings.filter(({ habits }) => habits.wanders >= ACCUSED);
  if (wandering.length > 0) return { cause: 'one string', courses: coursesOf(wandering) };
  return movedMost(diary, spans);
}

/** A peg that is likely to slip, and lets its string down by enough to be spoken of. */
function isAccused({ habits, weekly, largestFall }: StringDrift): boolean {
  return habits.slips >= ACCUSED && weekly >= WORTH_SAYING / 2 && largestFall <= -WORTH_SAYING;
}

/** What moved the strings most in the last spans, or nothing much. */
function movedMost(diary: Diary, spans: readonly SpanDrift[]): Named {
  const lately = diary.spans.slice(-LATELY);
  const parts: Shares = { 'new strings': 0, handled: 0, air: 0 };
  for (const [i, span] of lately.entries()) {
    const shares = sharesOf(diary, span, nth(spans, spans.length - lately.length + i));
    for (const cause of CAUSES) parts[cause] += shares[cause];
  }
  const most = CAUSES.reduce((a, b) => (parts[b] > parts[a] ? b : a));
  const quiet = median(lately.map(largestMove)) < QUIET && parts[most] < QUIET * lately.length;
  if (quiet) return { cause: 'still', courses: [] };
  if (most !== 'new strings') return { cause: most, courses: [] };
  const fresh = diary.strings.filter((string) => lately.some((span) => creepIn(string, span) > 1));
  return { cause: most, courses: fresh.map(({ course }) => course) };
}

const CAUSES = ['new strings', 'handled', 'air'] as const;
/** Cents of the mean string. */
type Shares = Record<(typeof CAUSES)[number], Cents>;

/** How much of a span's moves is whose. */
function sharesOf(diary: Diary, span: Span, { common, handled, own }: SpanDrift): Shares {
  let [count, moved, fell] = [0, 0, 0];
  for (const [s, string] of diary.strings.entries()) {
    const move = span.moves[s];
    if (!move) continue;
    count++;
    moved += Math.abs(own[s] ?? 0);
    fell += Math.min(Math.max(0, -move.cents), MOST_CREEP * creepIn(string, span));
  }
  if (handled >= SURE_HANDS) return { 'new strings': 0, handled: moved / count, air: 0 };
  const fresh = fell / count;
  return { 'new strings': fresh, handled: 0, air: Math.max(0, Math.abs(common) - fresh) };
}

function largestMove({ moves }: Span): Cents {
  return Math.max(...moves.map((move) => Math.abs(move?.cents ?? 0)));
}
