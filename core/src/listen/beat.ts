import { nth } from '../maths/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';

/** Quieter than this nothing was heard. */
const SILENT = 1e-6;
/** Keeps logarithms and determinants of silence finite. */
const NEXT_TO_NOTHING = 1e-9;

/** The beat of two strings that sound nearly the same note together. */
export interface Beat {
  /** How often their first partials beat, a second. */
  readonly hz: Hz;
  /** How far apart that is; which of the two is higher a beat does not tell. */
  readonly cents: Cents;
}

/** What two strings sounded together come to. */
export type BeatOutcome =
  | ({ readonly kind: 'beat' } & Beat)
  /** No beat within the time that they rang: closer than this. */
  | { readonly kind: 'no beat'; readonly within: Cents }
  | { readonly kind: 'not heard' };

/** Two strings should ring together so long to be compared. */
export const BEAT_SECONDS = 2.5;
/** Partials that are followed; higher ones part by the strings' stiffness too. */
const PARTIALS = [1, 2, 3, 4] as const;
/** Envelopes are taken so often a second, over so long a window, in seconds. */
const RATE = 100;
const WINDOW = 0.07;
/** The attack is left out. */
const FROM = 0.15;
const SHORTEST = 0.8;
/** Beats that are searched, and the step, in Hz. */
const FASTEST = 7;
const STEP = 0.02;
/** Faster swelling is smoothed away. */
const FASTEST_SWELL = 9;
/** A beat that cannot come round so often while the note rings is none. */
const FEWEST_CYCLES = 0.9;
/** Share of an envelope's movement that the beat must explain. */
const EXPLAINS = 0.55;
/** Smaller movements of an envelope, in nepers, are the strings' own. */
const LEAST_DEPTH = 0.05;
const RESTLESS = 0.25;
const AUDIBLE = 0.03;

interface Envelope {
  readonly partial: number;
  /** Logarithm of the amplitude with its decay taken out. */
  readonly log: readonly number[];
  readonly power: number;
}

/**
 * The beat of two strings near a pitch, from the moment they were sounded: the amplitude
 * of every low partial swells n times as often as that of the first, on top of its decay.
 * @param samples from the onset on
 */
export function beatOf(samples: ArrayLike<number>, sampleRate: Hz, hz: Hz): BeatOutcome {
  const seconds = samples.length / sampleRate - FROM;
  if (seconds < SHORTEST) return { kind: 'not heard' };
  const envelopes = PARTIALS.map((n) => envelopeOf(samples, sampleRate, n * hz, n));
  const loudest = Math.max(...envelopes.map(({ power }) => power));
  if (loudest < SILENT) return { kind: 'not heard' };
  const heard = envelopes.filter(({ power }) => power > AUDIBLE * loudest);
  const told = heard.flatMap((envelope) => beatIn(envelope, seconds, hz) ?? []);
  if (told.length > 0) {
    const cents = weightedMedian(told);
    return { kind: 'beat', cents, hz: shiftHz(hz, cents) - hz };
  }
  // An envelope that moves in no regular way says nothing.
  if (heard.some(({ log }) => depth(log) > RESTLESS)) return { kind: 'not heard' };
  const top = Math.max(...heard.map(({ partial }) => partial));
  return { kind: 'no beat', within: centsOf(FEWEST_CYCLES / (top * seconds), hz) };
}

/** How far apart the strings are by one partial's swelling; null where it does not swell. */
function beatIn(
  { partial, log, power }: Envelope,
  seconds: number,
  hz: Hz,
): { readonly cents: Cents; readonly weight: number } | null {
  if (depth(log) < LEAST_DEPTH) return null;
  const total = log.reduce((sum, x) => sum + x * x, 0);
  let best = { rate: 0, share: 0 };
  for (let rate = FEWEST_CYCLES / seconds; rate <= FASTEST * partial; rate += STEP) {
    if (rate > FASTEST_SWELL) break;
    const share = swelling(log, rate) / total;
    if (share > best.share) best = { rate, share };
  }
  if (best.share < EXPLAINS) return null;
  return { cents: centsOf(best.rate / partial, hz), weight: power * best.share };
}

/** Half of the weight lies on either side. */
function weightedMedian(list: readonly { cents: Cents; weight: number }[]): Cents {
  const sorted = [...list].sort((a, b) => a.cents - b.cents);
  const half = sorted.reduce((sum, { weight }) => sum + weight, 0) / 2;
  let sum = 0;
  for (const { cents, weight } of sorted) {
    sum += weight;
    if (sum >= half) return cents;
  }
  return sorted.at(-1)!.cents;
}

function centsOf(beat: Hz, hz: Hz): Cents {
  return centsBetween(hz, hz + beat);
}

/** Amplitude of what lies near a frequency, over time: mixed down and averaged. */
function envelopeOf(samples: ArrayLike<number>, sampleRate: Hz, hz: Hz, partial: number): Envelope {
  const hop = Math.round(sampleRate / RATE);
  const length = Math.round(WINDOW * sampleRate);
  const log: number[] = [];
  let power = 0;
  for (let at = Math.round(FROM * sampleRate); at + length <= samples.length; at += hop) {
    let re = 0;
    let im = 0;
    let weight = 0;
    for (let k = 0; k < length; k++) {
      const hann = 1 - Math.cos((2 * Math.PI * (k + 0.5)) / length);
      const phase = (2 * Math.PI * hz * (at + k)) / sampleRate;
      re += hann * nth(samples, at + k) * Math.cos(phase);
      im -= hann * nth(samples, at + k) * Math.sin(phase);
      weight += hann;
    }
    const amplitude = (2 * Math.hypot(re, im)) / weight;
    power = Math.max(power, amplitude ** 2);
    log.push(Math.log(amplitude + NEXT_TO_NOTHING));
  }
  return { partial, log: withoutTrend(log), power };
}

/** A sequence less its straight line: an exponential decay is one in logarithms. */
function withoutTrend(values: readonly number[]): number[] {
  const n = values.length;
  const middle = (n - 1) / 2;
  const mean = values.reduce((a, b) => a + b, 0) / n;
  let above = 0;
  let below = 0;
  values.forEach((value, i) => {
    above += (i - middle) * (value - mean);
    below += (i - middle) ** 2;
  });
  return values.map((value, i) => value - mean - (above / below) * (i - middle));
}

function depth(log: readonly number[]): number {
  return Math.sqrt(log.reduce((sum, x) => sum + x * x, 0) / log.length);
}

/** Energy of a sequence along a sine and cosine of a frequency. */
function swelling(log: readonly number[], hz: Hz): number {
  let cc = 0;
  let ss = 0;
  let cs = 0;
  let xc = 0;
  let xs = 0;
  log.forEach((x, i) => {
    const c = Math.cos((2 * Math.PI * hz * i) / RATE);
    const s = Math.sin((2 * Math.PI * hz * i) / RATE);
    cc += c * c;
    ss += s * s;
    cs += c * s;
    xc += x * c;
    xs += x * s;
  });
  const det = cc * ss - cs * cs;
  if (det < NEXT_TO_NOTHING) return 0;
  return (ss * xc * xc - 2 * cs * xc * xs + cc * xs * xs) / det;
}
