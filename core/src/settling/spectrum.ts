import type { StringSpec } from '../strings/index.ts';
import type { Cents, Seconds } from '../units.ts';

/** Decades over which creep is spread: 10 s to 10⁷ s, about four months. */
const DECADES = { from: 1, to: 7, step: 0.5 } as const;
/** log₁₀ of each mode's time. */
const PLACES: readonly number[] = Array.from(
  { length: (DECADES.to - DECADES.from) / DECADES.step + 1 },
  (_, k) => DECADES.from + DECADES.step * k,
);
/** Times of the modes. */
export const MODES: readonly Seconds[] = PLACES.map((place) => 10 ** place);

/** A figure believed before anything was heard: normal, or of its logarithm. */
interface Belief {
  readonly mean: number;
  readonly spread: number;
}

/**
 * How far a new string falls from its first minute to its first hour, left alone, as a
 * logarithm of cents: broad, a factor of two and a half each way. Nylon in days, steel in
 * hours: common practice, no source.
 */
const FIRST_HOUR: Readonly<Record<StringSpec['material'], Belief>> = {
  nylon: { mean: Math.log(32), spread: 0.9 },
  gut: { mean: Math.log(32), spread: 0.9 },
  fluorocarbon: { mean: Math.log(22), spread: 0.9 },
  steel: { mean: Math.log(8), spread: 0.9 },
};

/** How a spectrum may run: its slope a decade, where it begins and ends, how rough it is. Broad; no source. */
const SHAPE = {
  slope: { mean: 0.35, spread: 0.5 },
  begins: { mean: 1.6, spread: 0.7 },
  ends: { mean: 5.6, spread: 1.3 },
  edge: 3,
  roughness: 0.7,
} as const satisfies Record<string, Belief | number>;
/** What the string was already old when it was first read, beside what is known. */
const AGE_BEFORE: Belief = { mean: Math.log(90), spread: 0.9 };
/** A lift comes back by this share, and the most cents of it that do. */
const MEMORY: Belief & { readonly most: number } = {
  mean: Math.log(0.04),
  spread: 0.6,
  most: 0.5,
};
/** A lift falls again within minutes to hours: alike in each mode up to here, as log₁₀ of seconds. */
const LIFT_ENDS = 4;
/** Share of each mode in what a lift gives back. */
const OF_LIFT = Float64Array.from(PLACES, (place) =>
  place <= LIFT_ENDS ? DECADES.step / (LIFT_ENDS - DECADES.from + DECADES.step) : 0,
);
/** What a pull is worth, in seconds of waiting; and how unlike two pulls of a hand are. */
const PULL: Belief = { mean: Math.log(700), spread: 0.9 };
const HAND_SCATTER = 0.38;
/** A pull is worth the same time in every mode, or moves slow ones more than that. */
const EVEN = { least: 0.4, more: 0.6 } as const;
/** Share of a pull’s drop by which it springs back. */
const SPRINGS: Belief & { readonly most: number } = {
  mean: Math.log(0.02),
  spread: 0.9,
  most: 0.2,
};
/** What the winding has to give, in cents, and how much of it goes at a pull. */
const SLACK: Belief = { mean: Math.log(4), spread: 1.2 };
const SLACK_GOES: Belief = { mean: 0, spread: 1 };
/** Of strings whose drops were seen to be more than creep so many slip in their winding: above this normal deviate, three in ten. */
const SLIPPING_FROM = 0.52;

/** A string as it may be: what is left to fall in each mode, and what hands do to it. */
export interface Nature {
  /** Cents that each mode has to fall when the string is first read. */
  readonly rest: Float64Array;
  /** Share of a lift that falls again, in the modes of a lift. */
  readonly memory: number;
  /** What the usual pull is worth. */
  readonly pull: Seconds;
  readonly even: number;
  readonly slack: Cents;
  readonly slackGoes: number;
  /** Share of a pull’s drop that it rises by again within a minute. */
  readonly springs: number;
  /** It lets go by itself, again and again. */
  readonly slips: boolean;
}

/** What is known of a string beside its readings. */
export interface StringKind {
  readonly material: StringSpec['material'];
  /** Drops were seen that no creep makes. */
  readonly mightSlip: boolean;
  /** Pulls before each reading. */
  readonly pulls: number;
}

/** Where each unknown stands in a draw. */
const AT = {
  size: 0,
  slope: 1,
  begins: 2,
  ends: 3,
  age: 4,
  memory: 5,
  pull: 6,
  even: 7,
  slack: 8,
  slackGoes: 9,
  slips: 10,
  springs: 11,
  rough: 12,
} as const;

/** Unknowns of a string that was pulled so often. */
export function unknownsOf(pulls: number): number {
  return AT.rough + MODES.length + pulls;
}

const believed = ({ mean, spread }: Belief, z: number) => mean + spread * z;
const share = (z: number) => 1 / (1 + Math.exp(-z));

/** The string that a draw stands for. @param known how old it was at least when it was first read */
export function natureOf(
  z: Float64Array,
  { material, mightSlip, pulls }: StringKind,
  known: Seconds,
): Nature {
  const shares = sharesOf(z);
  // From the first minute to the first hour it falls by what was drawn.
  let hour = 0;
  for (let k = 0; k < shares.length; k++) hour += shares[k]! * IN_FIRST_HOUR[k]!;
  const size = Math.exp(believed(FIRST_HOUR[material], z[AT.size]!)) / Math.max(hour, LEAST_HOUR);
  const age = known + Math.exp(believed(AGE_BEFORE, z[AT.age]!));
  const rest = new Float64Array(shares.length);
  for (let k = 0; k < rest.length; k++) rest[k] = size * shares[k]! * Math.exp(-age / MODES[k]!);
  return {
    rest,
    memory: Math.min(MEMORY.most, Math.exp(believed(MEMORY, z[AT.memory]!))),
    pull: pulls * Math.exp(believed(PULL, z[AT.pull]!)),
    even: EVEN.least + EVEN.more * share(z[AT.even]!),
    slack: Math.exp(believed(SLACK, z[AT.slack]!)),
    slackGoes: share(believed(SLACK_GOES, z[AT.slackGoes]!)),
    springs: Math.min(SPRINGS.most, Math.exp(believed(SPRINGS, z[AT.springs]!))),
    slips: mightSlip && z[AT.slips]! > SLIPPING_FROM,
  };
}

const MINUTE: Seconds = 60;
const HOUR: Seconds = 3600;
/** Share of each mode that falls between the first minute and the first hour. */
const IN_FIRST_HOUR = Float64Array.from(
  MODES,
  (tau) => Math.exp(-MINUTE / tau) - Math.exp(-HOUR / tau),
);
/** Keeps a spectrum with nothing between a minute and an hour from growing without end. */
const LEAST_HOUR = 0.02;

function sharesOf(z: Float64Array): Float64Array {
  const slope = believed(SHAPE.slope, z[AT.slope]!);
  const begins = believed(SHAPE.begins, z[AT.begins]!);
  const ends = believed(SHAPE.ends, z[AT.ends]!);
  const shares = new Float64Array(PLACES.length);
  let sum = 0;
  for (let k = 0; k < shares.length; k++) {
    const place = PLACES[k]!;
    const beyond = Math.max(0, begins - place) + Math.max(0, place - ends);
    const rough = SHAPE.roughness * z[AT.rough + k]!;
    const part = Math.exp(slope * (place - begins) - SHAPE.edge * beyond + rough);
    shares[k] = part;
    sum += part;
  }
  for (let k = 0; k < shares.length; k++) shares[k] = shares[k]! / sum;
  return shares;
}

/** What one pull was worth against the usual one. */
export function strengthOf(z: Float64Array, pull: number): number {
  return Math.exp(HAND_SCATTER * z[AT.rough + MODES.length + pull]!);
}

/** A pull that nobody made yet. */
export function strengthAhead(z: number): number {
  return Math.exp(HAND_SCATTER * z);
}

/** Lets time go by: answers the cents by which it fell. @param decay what is left of each mode after that time */
export function waited(rest: Float64Array, decay: Float64Array): Cents {
  let fell = 0;
  for (let k = 0; k < rest.length; k++) {
    const left = rest[k]! * decay[k]!;
    fell += rest[k]! - left;
    rest[k] = left;
  }
  return fell;
}

/** What is left of each mode after so long. */
export function decayAfter(seconds: Seconds): Float64Array {
  return Float64Array.from(MODES, (tau) => Math.exp(-seconds / tau));
}

/** Pulls it: each mode has gone on by that time, slow ones maybe by more. Answers the cents by which it dropped. */
export function pulled(rest: Float64Array, { pull, even }: Nature, strength: number): Cents {
  let dropped = 0;
  for (let k = 0; k < rest.length; k++) {
    const left = rest[k]! * Math.exp(-(((pull * strength) / MODES[k]!) ** even));
    dropped += rest[k]! - left;
    rest[k] = left;
  }
  return dropped;
}

/** Brings it up, or lets it down, by so many cents: a share of them comes back. */
export function turned(rest: Float64Array, { memory }: Nature, cents: Cents): void {
  for (let k = 0; k < rest.length; k++)
    rest[k] = Math.max(0, rest[k]! + memory * cents * OF_LIFT[k]!);
}
