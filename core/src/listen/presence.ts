import { decibels, nth64 } from '../maths/index.ts';
import type { Dbfs, Hz, Seconds } from '../units.ts';
import { partialHz } from './stiffString.ts';

/**
 * How near a pluck was, as its sound tells: of a string close to the microphone the direct sound
 * stands out, of one across the room what its walls throw back drowns it. All in decibels.
 */
export interface Presence {
  /** Peak of the attack, against full scale. */
  readonly peak: Dbfs;
  /** How far the attack stands out of the note behind it. */
  readonly attack: number;
  /** How much louder its partials begin than they go on. */
  readonly rise: number;
  /** How unevenly its partials fade. */
  readonly ripple: number;
}

/** Stretches about the onset, which is dated to within a few milliseconds. */
const PEAK = { from: -0.005, to: 0.05 } as const satisfies Record<string, Seconds>;
const STEEPEST = { from: -0.01, to: 0.02, lasts: 0.004 } as const satisfies Record<string, Seconds>;
const ATTACK = { before: 0.004, after: 0.012 } as const satisfies Record<string, Seconds>;
const BEHIND = { from: 0.03, to: 0.12 } as const satisfies Record<string, Seconds>;
/** What sounded before; where the note does not stand out of it, or nothing was struck, its attack tells nothing. */
const BEFORE = { from: -0.06, to: -0.014 } as const satisfies Record<string, Seconds>;
const STANDS_OUT = 12;
const WEAKEST_ATTACK = -25;
/** Partials are followed so far, in frames of so many periods and at least so long. */
const FOLLOWED = { until: 0.3, hop: 0.008, shortest: 0.02, periods: 4 } as const;
const MOST_PARTIALS = 6;
/** A partial so far below the loudest one tells nothing. */
const LOUD_ENOUGH = 25;
/** The even part of a partial's fading begins here; the frames before are compared with its line. */
const EVEN_FROM: Seconds = 0.12;
const FIRST_FRAMES = 3;
const FEWEST_FRAMES = 6;
/** Nearer to half the rate nothing is followed; a level has a floor. */
const BELOW_HALF = 0.45;
const FLOOR = 1e-9;
/** A sine of amplitude 1 in a Hann window sums to a quarter of its length. */
const HANN_SUM = 4;

/** A note in samples, with its onset among them. */
export interface PresentNote {
  readonly samples: Float64Array;
  readonly rate: Hz;
  readonly onset: number;
  readonly end: number;
  readonly f0: Hz;
  readonly inharmonicity: number;
}

/** How near a note was plucked; null where too little of it was heard, or another one still rang. */
export function presenceOf(note: PresentNote): Presence | null {
  const { samples, rate, onset, end } = note;
  const place = (seconds: Seconds) =>
    Math.max(1, Math.min(end, onset + Math.round(seconds * rate)));
  if (place(BEHIND.to) >= end || onset + BEFORE.from * rate < 1) return null;
  let peak = 0;
  for (let i = place(PEAK.from); i < place(PEAK.to); i++)
    peak = Math.max(peak, Math.abs(nth64(samples, i)));
  const steep = steepest(samples, place(STEEPEST.from), place(STEEPEST.to), rate);
  const from = Math.max(1, steep - Math.round(ATTACK.before * rate));
  const attack = steepness(samples, from, steep + Math.round(ATTACK.after * rate));
  const behind = steepness(samples, place(BEHIND.from), place(BEHIND.to));
  if (peak === 0 || attack === 0 || behind === 0) return null;
  const attackDb = 10 * Math.log10(attack / behind);
  const before = steepness(samples, place(BEFORE.from), place(BEFORE.to)) / lasts(BEFORE);
  const standsOut = 10 * Math.log10(behind / lasts(BEHIND) / (before + Number.MIN_VALUE));
  if (standsOut < STANDS_OUT || attackDb < WEAKEST_ATTACK) return null;
  const partials = partialsOf(note);
  if (partials.length === 0) return null;
  const mean = (of: (one: Faded) => number) =>
    partials.reduce((sum, one) => sum + of(one), 0) / partials.length;
  return {
    peak: decibels(peak),
    attack: attackDb,
    rise: mean(({ rise }) => rise),
    ripple: mean(({ ripple }) => ripple),
  };
}

const lasts = ({ from, to }: { readonly from: Seconds; readonly to: Seconds }) => to - from;

/** Where the sound changes fastest. */
function steepest(samples: Float64Array, from: number, to: number, rate: Hz): number {
  const length = Math.round(STEEPEST.lasts * rate);
  let best = from;
  let most = -1;
  for (let at = from; at < to; at += Math.round(length / 4)) {
    const now = steepness(samples, at, at + length);
    if (now > most) [best, most] = [at, now];
  }
  return best;
}

/** Energy of the differences between neighbouring samples. */
function steepness(samples: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let i = from; i < to; i++) sum += (nth64(samples, i) - nth64(samples, i - 1)) ** 2;
  return sum;
}

/** How one partial faded. */
interface Faded {
  readonly level: number;
  readonly rise: number;
  readonly ripple: number;
}

function partialsOf(note: PresentNote): Faded[] {
  const { samples, rate, onset, end, f0, inharmonicity } = note;
  const length = Math.round(Math.max(FOLLOWED.shortest, FOLLOWED.periods / f0) * rate);
  const hop = Math.round(FOLLOWED.hop * rate);
  const until = Math.min(end, onset + Math.round(FOLLOWED.until * rate));
  const window = hann(length);
  const all: Faded[] = [];
  for (let n = 1; n <= MOST_PARTIALS; n++) {
    const hz = partialHz(f0, inharmonicity, n);
    if (hz > BELOW_HALF * rate) break;
    const levels: number[] = [];
    for (let at = onset; at + length <= until; at += hop)
      levels.push(decibels(amplitude(samples, at, window, hz / rate) + FLOOR));
    const faded = fadingOf(levels, Math.round((EVEN_FROM * rate) / hop));
    if (faded) all.push(faded);
  }
  const loudest = Math.max(...all.map(({ level }) => level));
  return all.filter(({ level }) => level > loudest - LOUD_ENOUGH);
}

function hann(length: number): Float64Array {
  return Float64Array.from(
    { length },
    (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / length),
  );
}

/** Amplitude of one frequency, in cycles a sample, in a window. */
function amplitude(
  samples: Float64Array,
  from: number,
  window: Float64Array,
  frequency: number,
): number {
  const [cos, sin] = [Math.cos(2 * Math.PI * frequency), Math.sin(2 * Math.PI * frequency)];
  let [x, y] = [1, 0];
  let [re, im] = [0, 0];
  for (let i = 0; i < window.length; i++) {
    const sample = nth64(window, i) * nth64(samples, from + i);
    re += sample * x;
    im += sample * y;
    const turned = x * cos - y * sin;
    y = x * sin + y * cos;
    x = turned;
  }
  return (HANN_SUM * Math.hypot(re, im)) / window.length;
}

/** The line through the levels from `even` on, and how the rest lies about it. */
function fadingOf(levels: readonly number[], even: number): Faded | null {
  const late = levels.slice(even);
  if (late.length < FEWEST_FRAMES) return null;
  const middle = (late.length - 1) / 2;
  const level = late.reduce((sum, one) => sum + one, 0) / late.length;
  let [xy, xx] = [0, 0];
  late.forEach((one, i) => {
    xy += (i - middle) * (one - level);
    xx += (i - middle) ** 2;
  });
  const lineAt = (i: number) => level + (xy / xx) * (i - even - middle);
  const first = levels.slice(0, FIRST_FRAMES);
  const rise = first.reduce((sum, one, i) => sum + one - lineAt(i), 0) / first.length;
  const square = levels.reduce((sum, one, i) => sum + (one - lineAt(i)) ** 2, 0) / levels.length;
  return { level, rise, ripple: Math.sqrt(square) };
}
