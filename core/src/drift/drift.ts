import { median, nth } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import { type Due, dueAfter, type LeftAt } from './due.ts';
import { airAfter, chanceAfter, creepIn, daysOf, shareOf } from './habits.ts';
import { type Explained, explained, spanUnder, wayOf } from './takenApart.ts';
import type { Cause, Diary, Drift, Habit, Span, SpanDrift, StringDrift } from './types.ts';

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
const WEEK = 7;
/** Below this much a span in the middle nothing has moved. */
const QUIET: Cents = 3;

/** What a diary tells, and when to look again. */
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
      air: mean(({ weather }) => airAfter(weather, WEEK)),
      chance: mean(({ weather }) => chanceAfter(weather, WEEK)),
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
  const weeks = Math.max(1 / WEEK, days / WEEK);
  const sum = falls.reduce((a, b) => a + b, 0);
  const spread = Math.sqrt(falls.reduce((a, b) => a + b * b, 0));
  return { weekly: sum / weeks, error: spread / weeks };
}

/** What is to be said of an instrument: a peg first, for it can be mended, then what moved most lately. */
function causeOf(
  diary: Diary,
  spans: readonly SpanDrift[],
  strings: readonly StringDrift[],
): { readonly cause: Cause; readonly courses: readonly number[] } {
  if (spans.length < FEWEST_SPANS) return { cause: 'not enough', courses: [] };
  const slipping = strings
    .filter(
      (s) =>
        s.habits.slips >= ACCUSED && s.weekly >= WORTH_SAYING / 2 && s.largestFall <= -WORTH_SAYING,
    )
    .sort((a, b) => b.weekly - a.weekly);
  if (slipping.length > 0) return { cause: 'peg', courses: slipping.map(({ course }) => course) };
  const lately = diary.spans.slice(-LATELY);
  const told = spans.slice(-LATELY);
  const shares = lately.map((span, i) => sharesOf(diary, span, nth(told, i)));
  const sum = (read: (share: Shares) => number) =>
    shares.reduce((total, share) => total + read(share), 0);
  const wandering = strings.filter((s) => s.habits.wanders >= ACCUSED);
  if (wandering.length > 0)
    return { cause: 'one string', courses: wandering.map(({ course }) => course) };
  const parts = {
    'new strings': sum(({ fresh }) => fresh),
    handled: sum(({ hands }) => hands),
    air: sum(({ air }) => air),
  };
  const typical = median(lately.map(largestMove));
  const [most = 'air'] = (Object.keys(parts) as (keyof typeof parts)[]).sort(
    (a, b) => parts[b] - parts[a],
  );
  const quiet = typical < QUIET && parts[most] < QUIET * lately.length;
  if (quiet) return { cause: 'still', courses: [] };
  const fresh = diary.strings.filter((string) => lately.some((span) => creepIn(string, span) > 1));
  return {
    cause: most,
    courses: most === 'new strings' ? fresh.map(({ course }) => course) : [],
  };
}

interface Shares {
  readonly fresh: number;
  readonly hands: number;
  readonly air: number;
}

/** How much of a span's moves is whose, in cents of the mean string. */
function sharesOf(diary: Diary, span: Span, { common, handled, own }: SpanDrift): Shares {
  const read = diary.strings.filter((_, s) => span.moves[s]);
  const ofNew = read.reduce((total, string) => {
    const s = diary.strings.indexOf(string);
    const creep = creepIn(string, span);
    const fall = Math.max(0, -(nth(span.moves, s)?.cents ?? 0));
    return total + Math.min(fall, MOST_CREEP * creep);
  }, 0);
  const moved = read.reduce(
    (total, string) => total + Math.abs(nth(own, diary.strings.indexOf(string)) ?? 0),
    0,
  );
  const count = Math.max(1, read.length);
  const hands = handled >= SURE_HANDS ? moved / count : 0;
  const fresh = handled >= SURE_HANDS ? 0 : ofNew / count;
  return { fresh, hands, air: handled >= SURE_HANDS ? 0 : Math.max(0, Math.abs(common) - fresh) };
}

function largestMove({ moves }: Span): Cents {
  return Math.max(...moves.map((move) => Math.abs(move?.cents ?? 0)));
}
