import { normal, nth, seededRandom } from '../maths/index.ts';
import { type Cents, DAY_MS, type EpochMs } from '../units.ts';
import { AIR_DAYS, creepIn, shareOf, type Way, WEEK_DAYS, type Weather } from './habits.ts';
import { type Explained, wayOf } from './takenApart.ts';
import type { Diary } from './types.ts';

/** So many courses of days are drawn, so far ahead. */
const DRAWS = 240;
const MOST_DAYS = 180;
const SEED = 20_261;
/** An instrument is looked at again on the first day on which a string is out with this probability. */
const OUT = 0.3;

/** Where the strings were left, and what a lesson lets them be off. */
export interface LeftAt {
  readonly at: EpochMs;
  /** Course 1 first; null where a string was not read. */
  readonly cents: readonly (Cents | null)[];
  readonly errorCents: readonly Cents[];
  readonly tolerance: Cents;
}

/** When to look at an instrument again. */
export interface Due {
  /** The first day on which a string is out with 30 % probability, days after it was left; null beyond half a year. */
  readonly days: number | null;
  /** Probability that a string is out, by day: the first is the day after. */
  readonly out: readonly number[];
}

/**
 * Draws what the days after a session bring, from the instrument's own drift: air, chance, pegs
 * that slip, strings that are new. Seeded: the same diary gives the same day.
 */
export function dueAfter(diary: Diary, left: LeftAt, all: readonly Explained[]): Due {
  const random = seededRandom(SEED);
  const outOn = new Array<number>(MOST_DAYS).fill(0);
  for (let draw = 0; draw < DRAWS; draw++) {
    const day = firstOut(diary, left, drawn(all, random), random);
    for (let d = day; d < MOST_DAYS; d++) outOn[d] = nth(outOn, d) + 1;
  }
  const out = outOn.map((count) => count / DRAWS);
  const first = out.findIndex((share) => share >= OUT);
  return { days: first < 0 ? null : first + 1, out };
}

function drawn(all: readonly Explained[], random: () => number): Explained {
  let at = random();
  for (const one of all) {
    at -= one.weight;
    if (at <= 0) return one;
  }
  return nth(all, all.length - 1);
}

/** The day on which a string first lies outside, 0 the day after; `MOST_DAYS` where none does. */
function firstOut(diary: Diary, left: LeftAt, of: Explained, random: () => number): number {
  const { weather } = of;
  const cents = left.cents.map((c, s) =>
    c === null ? null : c + nth(left.errorCents, s) * normal(random),
  );
  // A new string falls by an amount of its own.
  const falls = diary.strings.map(() => -Math.log(1 - random()));
  let [air, before] = [0, 0];
  for (let day = 0; day < MOST_DAYS; day++) {
    before = air;
    air = airNext(air, weather, random);
    for (const [s, string] of diary.strings.entries()) {
      const now = cents[s];
      if (now === null || now === undefined) continue;
      const from = left.at + day * DAY_MS;
      const creep = creepIn(string, { from, to: from + DAY_MS });
      const next =
        now +
        shareOf(string, weather) * (air - before) +
        (weather.chance / Math.sqrt(WEEK_DAYS)) * normal(random) -
        creep * nth(falls, s) +
        knock(random) +
        byItself(wayOf(of, s), random);
      if (Math.abs(next) > left.tolerance) return day;
      cents[s] = next;
    }
  }
  return MOST_DAYS;
}

function airNext(air: Cents, weather: Weather, random: () => number): Cents {
  const keeps = Math.exp(-1 / AIR_DAYS);
  // The spread of a difference grows from nothing as the air's own does: half its variance is what a path has.
  const sd = (weather.air / Math.SQRT2) * Math.sqrt(1 - keeps ** 2);
  return air * keeps + sd * normal(random);
}

/** A string is knocked, or its peg turned by mistake, on so many days, and so far: common practice, no source. */
const KNOCKED = { perDay: 0.003, cents: 12, upwards: 0.25 } as const;

/** Mostly downwards. */
function knock(random: () => number): Cents {
  if (random() >= KNOCKED.perDay) return 0;
  const size = KNOCKED.cents * -Math.log(1 - random());
  return random() < KNOCKED.upwards ? size : -size;
}

/** What a string does in a day beside the others. */
function byItself(way: Way, random: () => number): Cents {
  switch (way.habit) {
    case 'still':
      return 0;
    case 'wanders':
      return (way.week / Math.sqrt(WEEK_DAYS)) * normal(random);
    case 'slips': {
      let fall = 0;
      // Falls come by themselves, whatever came before.
      for (let left = Math.exp(-way.perDay), p = random(); p > left; p *= random())
        fall -= way.fall * -Math.log(1 - random());
      return fall;
    }
  }
}
