import { normalAt, nth } from '../maths/index.ts';
import { type Cents, DAY_MS } from '../units.ts';
import { fallAt } from './densities.ts';
import type { DriftString, Habit, Span } from './types.ts';

export const WEEK_DAYS = 7;

/** A span in days; two sessions on one day lie at least so far apart. */
const LEAST_DAYS = 0.02;
export function daysOf({ from, to }: Pick<Span, 'from' | 'to'>): number {
  return Math.max(LEAST_DAYS, (to - from) / DAY_MS);
}

/** What holds for all strings of an instrument: how much the air and how much chance move them. */
export interface Weather {
  /** Standard deviation of what all strings do alike in the long run. */
  readonly air: Cents;
  /** The same of what each does by chance in a week. */
  readonly chance: Cents;
  /** How the common part is shared out: 0 alike, 1 by EA/T. */
  readonly byStiffness: number;
}

/** The air forgets what it was within so many days, as a room does: common practice, no source. */
export const AIR_DAYS = 10;
/** Chance does not add up for ever: hands tuned what is far off. */
const CHANCE_DAYS = 28;

/** Standard deviation of what the air does in so many days. */
export function airAfter({ air }: Weather, days: number): Cents {
  return air * Math.sqrt(1 - Math.exp(-days / AIR_DAYS));
}

export function chanceAfter({ chance }: Weather, days: number): Cents {
  return chance * Math.sqrt(Math.min(days, CHANCE_DAYS) / WEEK_DAYS);
}

/** What a common stretch of one cent does to a string. */
export function shareOf({ share }: DriftString, { byStiffness }: Weather): number {
  return 1 - byStiffness + byStiffness * share;
}

/** A way in which one string moves beside the others. */
export type Way =
  | { readonly habit: 'still' }
  /** So many falls a day, of exponential size. */
  | { readonly habit: 'slips'; readonly perDay: number; readonly fall: Cents }
  /** Standard deviation after a week, either way. */
  | { readonly habit: 'wanders'; readonly week: Cents };

/** How often each habit is met, before anything was read: common practice, no source. */
const PRIOR: Readonly<Record<Habit, number>> = { still: 0.94, slips: 0.04, wanders: 0.02 };
const FALLS_PER_DAY = [0.05, 0.25, 1.5];
const FALLS: readonly Cents[] = [1.3, 4, 12, 35];
const WANDERS: readonly Cents[] = [6, 18];

/** Every way that is tried, with its prior. */
export const WAYS: readonly { readonly way: Way; readonly prior: number }[] = [
  { way: { habit: 'still' }, prior: PRIOR.still },
  ...FALLS_PER_DAY.flatMap((perDay) =>
    FALLS.map((fall) => ({
      way: { habit: 'slips', perDay, fall } as const,
      prior: PRIOR.slips / (FALLS_PER_DAY.length * FALLS.length),
    })),
  ),
  ...WANDERS.map((week) => ({
    way: { habit: 'wanders', week } as const,
    prior: PRIOR.wanders / WANDERS.length,
  })),
];

/** Any string is knocked, turned or misread now and then: so many spans in a hundred, and so far. */
const KNOCK = { share: 0.04, cents: 15 } as const;
/** A fall seen once may be a knock too: most pegs that are let go are turned down. */
const KNOCKED_DOWN = { share: 0.03, cents: 18 } as const;

/** New strings go on falling, ever slower: so many cents for each e-fold of their age. Common practice, no source. */
const CREEP = { soft: 14, hard: 4, days: 0.5, forgets: 60 } as const;

/** How far a new string may have fallen by itself in a span; 0 for one that is old, or whose age is not known. */
export function creepIn(string: DriftString, { from, to }: Pick<Span, 'from' | 'to'>): Cents {
  const fittedAt = string.fitted.findLast((at) => at <= from);
  if (fittedAt === undefined) return 0;
  const age = (from - fittedAt) / DAY_MS;
  if (age > CREEP.forgets) return 0;
  const later = (to - fittedAt) / DAY_MS;
  const rate = string.soft ? CREEP.soft : CREEP.hard;
  return rate * Math.log((later + CREEP.days) / (age + CREEP.days));
}

/** Beyond so many falls a span their sum is as good as normal. */
const MANY = 6;

/**
 * Densities of what a string did beside the others in a span, for the first `into.length` of `WAYS`.
 * What they share is worked out once.
 */
export function ownAt(
  into: Float64Array,
  x: Cents,
  sigma: Cents,
  { days, creep }: { readonly days: number; readonly creep: Cents },
): void {
  const plain = fallen(x, sigma, creep);
  const knocked =
    (KNOCK.share - KNOCKED_DOWN.share) * normalAt(x, Math.hypot(sigma, KNOCK.cents)) +
    KNOCKED_DOWN.share * fallAt(x, KNOCKED_DOWN.cents, sigma);
  for (let i = 0; i < into.length; i++)
    into[i] = (1 - KNOCK.share) * movedAt(nth(WAYS, i).way, x, sigma, days, plain) + knocked;
}

/** A new string goes on falling so often; others have come to rest. */
const FALLS_ON = 0.75;

/** A new string may have fallen, by an amount that is hardly known. */
function fallen(x: Cents, sigma: Cents, creep: Cents): number {
  if (creep < sigma / 4) return normalAt(x, sigma);
  return (1 - FALLS_ON) * normalAt(x, sigma) + FALLS_ON * fallAt(x, creep, sigma);
}

function movedAt(way: Way, x: Cents, sigma: Cents, days: number, plain: number): number {
  switch (way.habit) {
    case 'still':
      return plain;
    case 'wanders':
      return normalAt(x, Math.hypot(sigma, way.week * Math.sqrt(days / WEEK_DAYS)));
    case 'slips': {
      const falls = way.perDay * days;
      if (falls > MANY)
        return normalAt(x + falls * way.fall, Math.hypot(sigma, way.fall * Math.sqrt(2 * falls)));
      const none = Math.exp(-falls);
      // Several falls are taken for one of their mean size.
      return none * plain + (1 - none) * fallAt(x, (way.fall * falls) / (1 - none), sigma);
    }
  }
}

/** So far hands and loans move each string, either way. */
const HANDLED: readonly Cents[] = [7, 22];

/** Density of a string's move where hands have moved it. */
export function handledAt(x: Cents, sigma: Cents): number {
  return (
    HANDLED.reduce((sum, cents) => sum + normalAt(x, Math.hypot(sigma, cents)), 0) / HANDLED.length
  );
}
