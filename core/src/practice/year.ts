import { between, normal, nth, type Random, seededRandom } from '../maths/index.ts';
import type { Target } from '../music/index.ts';
import { type Instrument, MATERIALS, soundingLength, tensionOf } from '../strings/index.ts';
import { type Cents, DAY_MS, type EpochMs } from '../units.ts';

const YEAR_DAYS = 365;

/** What the air of a room was on one day. */
export interface AirDay {
  readonly at: EpochMs;
  readonly celsius: number;
  /** Relative, per cent. */
  readonly humidity: number;
}

/**
 * The air of a year, day by day: seasons, and days that follow each other (autoregressive, a
 * week's memory); dry where it is heated.
 */
export function airOfAYear(from: EpochMs, days: number, seed: number): AirDay[] {
  const random = seededRandom(seed);
  let [warm, moist] = [0, 0];
  return Array.from({ length: days }, (_, day): AirDay => {
    const at = from + day * DAY_MS;
    // 15 January is the middle of the winter.
    const season = Math.cos((2 * Math.PI * (dayOfYear(at) - 15)) / YEAR_DAYS);
    warm = 0.8 * warm + 0.9 * normal(random);
    moist = 0.86 * moist + 3.4 * normal(random);
    return {
      at,
      celsius: 21 - 1.5 * season + warm,
      humidity: Math.min(80, Math.max(20, 47 - 9 * season + moist)),
    };
  });
}

function dayOfYear(at: EpochMs): number {
  return (at - Date.UTC(new Date(at).getUTCFullYear(), 0, 1)) / DAY_MS;
}

/** What happens to an instrument in its year. Days count from its beginning. */
export interface YearPlan {
  readonly days: number;
  /** On which days somebody sits down with it, rising. */
  readonly sittings: readonly number[];
  /** How much the air moves it; 1 is usual, a well-seasoned one in a case 0.3. */
  readonly airy: number;
  readonly peg?: { readonly course: number; readonly from: number };
  readonly sets: readonly number[];
  readonly loans: readonly { readonly from: number; readonly to: number }[];
  readonly seed: number;
}

/** One string of a session as it was read. */
export interface YearReading {
  readonly found: Cents;
  readonly left: Cents;
  readonly errorCents: Cents;
  readonly turned: boolean;
  /** What moved it since the session before, by cause. */
  readonly moved: Moved;
}

/** Cents by cause. */
export interface Moved {
  air: Cents;
  peg: Cents;
  creep: Cents;
  hands: Cents;
}

export interface YearSitting {
  readonly day: number;
  readonly strings: readonly YearReading[];
}

export interface LivedYear {
  readonly sittings: readonly YearSitting[];
  /** Where every string truly is on the days after the last session, course 1 first. */
  readonly after: readonly (readonly Cents[])[];
}

/** The strings of an instrument, as far as a year moves them. */
interface LivingString {
  /** Cents for a thousandth of stretch. */
  readonly perMille: number;
  readonly soft: boolean;
  offset: Cents;
  /** How much it still has to fall, quickly and slowly. */
  creep: [Cents, Cents];
  moved: Moved;
}

const UNMOVED: Moved = { air: 0, peg: 0, creep: 0, hands: 0 };

function move(string: LivingString, by: keyof Moved, cents: Cents): void {
  string.offset += cents;
  string.moved[by] += cents;
}

/** A hand that tunes: how far off it leaves a string it has turned, and from where on it turns. */
const HAND = { scatter: 0.9, from: 2.2 } as const;
/** What a reading of a good ear scatters by. */
const READING = 0.5;

/** Lives through a year: what every session found and left. */
export function livedThrough(
  instrument: Instrument,
  targets: readonly Target[],
  air: readonly AirDay[],
  plan: YearPlan,
): LivedYear {
  const random = seededRandom(plan.seed);
  const strings = targets.map((target) => livingString(instrument, target, random));
  const sittings: YearSitting[] = [];
  const after: Cents[][] = [];
  const last = Math.max(...plan.sittings);
  // Wood follows the air slowly: what it holds of moisture is an average of the last days.
  const lag = between(random, 4, 12);
  let moist = air[0]?.humidity ?? 45;
  for (let day = 0; day < plan.days; day++) {
    const today = nth(air, day);
    const before = { moist, celsius: air[Math.max(0, day - 1)]?.celsius ?? 21 };
    moist += (today.humidity - moist) / lag;
    const stretch = plan.airy * stretchOf(moist - before.moist, today.celsius - before.celsius);
    if (plan.sets.includes(day)) restrung(strings, random);
    const heavier =
      plan.airy *
      swollen(
        today.humidity - (air[Math.max(0, day - 1)]?.humidity ?? 45),
        today.celsius - before.celsius,
      );
    for (const string of strings) {
      move(string, 'air', string.perMille * stretch);
      if (string.soft) move(string, 'air', heavier);
    }
    lived(strings, plan, day, random);
    if (plan.sittings.includes(day))
      sittings.push({ day, strings: strings.map((string) => sat(string, random)) });
    if (day > last) after.push(strings.map(({ offset }) => offset));
  }
  return { sittings, after };
}

/** Wood swells with moisture, strings slacken with warmth: stretch of the strings in thousandths. From memory. */
function stretchOf(moisture: number, warmth: number): number {
  return 0.006 * moisture - 0.008 * warmth;
}

/** Soft strings take up moisture themselves and give way to warmth, all of them alike: cents, from memory. */
function swollen(moisture: number, warmth: number): Cents {
  return -0.3 * moisture - 1.2 * warmth;
}

function livingString(instrument: Instrument, target: Target, random: Random): LivingString {
  const { course, hz } = target;
  const spec = nth(instrument.courses, course - 1).strings[0]!.spec;
  const tension = tensionOf(spec.unitWeight, soundingLength(instrument, course), hz);
  const area = (Math.PI * (spec.coreMm / 1000) ** 2) / 4;
  const stiff = (MATERIALS[spec.material].modulus * area) / tension;
  const soft = spec.material !== 'steel';
  return {
    perMille: 0.866 * stiff * Math.exp(0.18 * normal(random)),
    soft,
    offset: 0,
    creep: [0, 0],
    moved: { ...UNMOVED },
  };
}

function restrung(strings: readonly LivingString[], random: Random): void {
  for (const string of strings) {
    const size = (string.soft ? 60 : 9) * Math.exp(0.3 * normal(random));
    string.creep = [0.7 * size, 0.5 * size];
    string.offset = 0;
  }
}

/** What a day does to strings beside the air. */
function lived(
  strings: readonly LivingString[],
  { peg, loans }: YearPlan,
  day: number,
  random: Random,
): void {
  const lent = loans.some(({ from, to }) => day >= from && day < to);
  for (const [i, string] of strings.entries()) {
    const [quick, slow] = string.creep;
    move(string, 'creep', -0.5 * quick - 0.06 * slow);
    string.creep = [0.5 * quick, 0.94 * slow];
    move(string, 'hands', 0.35 * normal(random));
    // Somebody knocks against a peg.
    if (random() < 0.003) move(string, 'hands', 12 * Math.log(1 - random()));
    // Whoever has it plays it, and turns what they think is off.
    if (lent && random() < 0.4) move(string, 'hands', 9 * normal(random));
    const slips = peg !== undefined && day >= peg.from && peg.course === i + 1;
    if (slips && random() < 0.35) move(string, 'peg', 11 * Math.log(1 - random()));
  }
}

function sat(string: LivingString, random: Random): YearReading {
  const found = string.offset + READING * normal(random);
  const turned = Math.abs(found) > HAND.from;
  if (turned) string.offset = HAND.scatter * normal(random);
  const left = turned ? string.offset + READING * normal(random) : found;
  const { moved } = string;
  string.moved = { ...UNMOVED };
  return { found, left, errorCents: READING, turned, moved };
}
