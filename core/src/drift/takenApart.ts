import { normalAt, nth, nth64 } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import {
  airAfter,
  chanceAfter,
  creepIn,
  daysOf,
  handledAt,
  ownAt,
  shareOf,
  WAYS,
  type Way,
  type Weather,
} from './habits.ts';
import type { Diary, Span } from './types.ts';

/** What all strings do alike is looked for this far out, in so many steps. */
const REACH = 3.5;
const STEPS = 33;
/** A span in which hands moved the strings: how often, lent out or not. Common practice, no source. */
const HANDS = { lent: 0.5, here: 0.03 } as const;
const AIR: readonly Cents[] = [1.5, 4, 9, 18];
const CHANCE: readonly Cents[] = [0.6, 1.3, 3];
const BY_STIFFNESS = [0, 0.5, 1];
/** A move as the air has it is known no better than by this share of it. */
const UNEVEN = 0.15;

const WEATHERS: readonly Weather[] = AIR.flatMap((air) =>
  CHANCE.flatMap((chance) => BY_STIFFNESS.map((byStiffness) => ({ air, chance, byStiffness }))),
);

/** A span under one weather. */
interface Laid {
  /** The common moves that are tried, and the prior weight of each. */
  readonly commons: readonly Cents[];
  readonly weights: readonly number[];
  /** By string: the density of its move for each common move and way, ways together; null where it was not read. */
  readonly densities: readonly (Float64Array | null)[];
  /** How likely the moves are where hands made them, times the prior of that. */
  readonly hands: number;
  readonly handsPrior: number;
}

/** Lays out what a span is likely to show under a weather, for the first `ways` ways of each string. */
function laid({ strings }: Diary, span: Span, weather: Weather, ways: number): Laid {
  const days = daysOf(span);
  const air = airAfter(weather, days);
  // Denser in the middle, where it matters.
  const commons = Array.from({ length: STEPS }, (_, i) => {
    const at = (2 * i) / (STEPS - 1) - 1;
    return air * REACH * at * Math.abs(at) ** 0.5;
  });
  const weights = commons.map((common, i) => {
    const [low, high] = [
      nth(commons, Math.max(0, i - 1)),
      nth(commons, Math.min(STEPS - 1, i + 1)),
    ];
    return (normalAt(common, air) * (high - low)) / 2;
  });
  const chance = chanceAfter(weather, days);
  let hands = span.lent ? HANDS.lent : HANDS.here;
  const densities = strings.map((string, s) => {
    const move = span.moves[s];
    if (!move) return null;
    hands *= handledAt(move.cents, Math.hypot(move.errorCents, chance));
    const share = shareOf(string, weather);
    const facts = { days, creep: creepIn(string, span) };
    const all = new Float64Array(STEPS * ways);
    for (const [c, common] of commons.entries()) {
      const sigma = Math.hypot(move.errorCents, chance, UNEVEN * common);
      ownAt(all.subarray(c * ways, (c + 1) * ways), move.cents - share * common, sigma, facts);
    }
    return all;
  });
  return { commons, weights, densities, hands, handsPrior: span.lent ? HANDS.lent : HANDS.here };
}

/** Which way each string moves: its place among `WAYS`. */
type Habits = readonly number[];

/** Weight of each common move of a span where the strings move so. */
function weighed({ weights, densities }: Laid, habits: Habits, ways: number): number[] {
  return weights.map((weight, c) => {
    let product = weight;
    for (let s = 0; s < densities.length; s++) {
      const of = densities[s];
      if (of) product *= nth64(of, c * ways + nth(habits, s));
    }
    return product;
  });
}

const TINY = 1e-300;

/** ln of how likely all spans are where the strings move so. */
function likelihood(all: readonly Laid[], habits: Habits, ways: number): number {
  let sum = 0;
  for (const of of all) {
    const untouched = weighed(of, habits, ways).reduce((a, b) => a + b, 0);
    sum += Math.log((1 - of.handsPrior) * untouched + of.hands + TINY);
  }
  return sum;
}

const STILL = 0;

/** An instrument as one explanation has it, with its weight. */
export interface Explained {
  readonly weather: Weather;
  readonly laid: readonly Laid[];
  readonly habits: Habits;
  /** Posterior, all together 1. */
  readonly weight: number;
}

/** Explanations that are less likely than this beside the best are left out. */
const NEGLIGIBLE = 1e-3;
/** So many weathers are looked at closely. */
const CLOSELY = 5;
/** Strings that may have a habit at once. */
const AT_ONCE = 3;

/**
 * Every explanation of a diary that counts: the weather that moves all strings, and which of
 * them does something by itself. Searched from "all still", one string more at a time, from the likeliest on.
 */
export function explained(diary: Diary): Explained[] {
  const still = diary.strings.map(() => STILL);
  const roughly = WEATHERS.map((weather) => {
    const all = diary.spans.map((span) => laid(diary, span, weather, 1));
    return { weather, ln: likelihood(all, still, 1) };
  });
  roughly.sort((a, b) => b.ln - a.ln);
  const found = roughly.slice(0, CLOSELY).flatMap(({ weather }) => {
    const all = diary.spans.map((span) => laid(diary, span, weather, WAYS.length));
    return tried(all, still).map((one) => ({ ...one, weather, laid: all }));
  });
  const best = Math.max(...found.map(({ ln }) => ln));
  const kept = found.filter(({ ln }) => ln > best + Math.log(NEGLIGIBLE));
  const total = kept.reduce((sum, { ln }) => sum + Math.exp(ln - best), 0);
  return kept.map(({ ln, ...one }) => ({ ...one, weight: Math.exp(ln - best) / total }));
}

interface Tried {
  readonly habits: Habits;
  readonly ln: number;
}

/** All still, each string with each habit, and on from the likeliest of these. */
function tried(all: readonly Laid[], still: Habits): Tried[] {
  const judged = (habits: Habits): Tried => ({
    habits,
    ln: habits.reduce(
      (sum, way) => sum + Math.log(nth(WAYS, way).prior),
      likelihood(all, habits, WAYS.length),
    ),
  });
  let from = judged(still);
  const seen = [from];
  for (let more = 0; more < AT_ONCE; more++) {
    const step = from.habits.flatMap((way, s) =>
      way !== STILL
        ? []
        : WAYS.slice(1).map((_, other) =>
            judged(from.habits.map((w, i) => (i === s ? other + 1 : w))),
          ),
    );
    seen.push(...step);
    const next = step.reduce<Tried | null>((a, b) => (a && a.ln >= b.ln ? a : b), null);
    if (!next || next.ln <= from.ln) break;
    from = next;
  }
  return seen;
}

/** What a span shows under an explanation: the common move with its error, and how surely hands were at it. */
export function spanUnder({ laid: all, habits }: Explained, span: number) {
  const of = nth(all, span);
  const weights = weighed(of, habits, WAYS.length);
  const sum = weights.reduce((a, b) => a + b, 0);
  const mean = (read: (common: Cents) => number) =>
    sum > 0 ? weights.reduce((total, w, c) => total + w * read(nth(of.commons, c)), 0) / sum : 0;
  const common = mean((c) => c);
  const error = Math.sqrt(Math.max(0, mean((c) => c ** 2) - common ** 2));
  return { common, error, handled: of.hands / ((1 - of.handsPrior) * sum + of.hands + TINY) };
}

/** The way in which a string moves under an explanation. */
export function wayOf({ habits }: Explained, string: number): Way {
  return nth(WAYS, nth(habits, string)).way;
}
