import { nth64 } from '../maths/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';

/** A partial of one string of a strum, as a damped sine. */
export interface Atom {
  /** Which string, by its place in the list. */
  readonly string: number;
  readonly n: number;
  /** Complex amplitude in the middle of the stretch. */
  re: number;
  im: number;
  /** Nepers a second. */
  decay: number;
  /** How far it lies from its string's law. */
  shift: Cents;
  /** Radians a sample, in the middle of the stretch. */
  omega: number;
  /** Standard error of its own frequency, and how many times it stands over the noise. */
  sigma: Cents;
  snr: number;
  /** No other lies near. */
  alone: boolean;
}

/** A band is heard through a Hann filter of so many samples, every so many. */
const FILTER = { length: 384, hop: 96 } as const;
/** Noise bandwidth of a Hann window, in bins. */
const HANN_BINS = 1.5;
/** Samples between two exact values of an atom's phase. */
const EXACT = 128;

/** A stretch of sound less the atoms that explain it, and narrow bands of what is left. */
export class StrumSound {
  readonly residual: Float64Array;
  /** Samples of a band. */
  readonly count: number;
  /** Noise in a band over the variance of its samples, which overlap. */
  readonly overlap: number;
  private readonly middle: number;
  private readonly taps: Float64Array;
  private readonly re: Float64Array;
  private readonly im: Float64Array;
  private readonly times: Float64Array;

  constructor(
    samples: Float64Array,
    readonly sampleRate: Hz,
  ) {
    const { length, hop } = FILTER;
    this.residual = Float64Array.from(samples);
    this.re = new Float64Array(samples.length);
    this.im = new Float64Array(samples.length);
    this.middle = (samples.length - 1) / 2;
    this.count = Math.floor((samples.length - length) / hop) + 1;
    this.overlap = length / (hop * HANN_BINS);
    this.taps = Float64Array.from(
      { length },
      (_, i) => (1 - Math.cos((2 * Math.PI * (i + 0.5)) / length)) / length,
    );
    this.times = Float64Array.from(
      { length: this.count },
      (_, m) => (m * hop + (length - 1) / 2 - this.middle) / sampleRate,
    );
  }

  /** Gives an atom back to the residual (1), or takes it out (−1); its string glides by so many factors of e a second. */
  put({ re, im, omega, decay }: Atom, glide: number, sign: 1 | -1): void {
    if (re === 0 && im === 0) return;
    const { residual, sampleRate, middle } = this;
    // Worked out exactly every so often, turned on in between.
    for (let from = 0; from < residual.length; from += EXACT) {
      const to = Math.min(residual.length, from + EXACT);
      const centre = (from + to - 1) / 2;
      const t = (centre - middle) / sampleRate;
      const size = sign * Math.exp((-decay * (from - middle)) / sampleRate);
      const step = omega * (1 + glide * t);
      const phase = omega * (centre - middle) * (1 + 0.5 * glide * t) - step * (centre - from);
      let c = size * (re * Math.cos(phase) - im * Math.sin(phase));
      let s = size * (re * Math.sin(phase) + im * Math.cos(phase));
      const shrink = Math.exp(-decay / sampleRate);
      const cos = shrink * Math.cos(step);
      const sin = shrink * Math.sin(step);
      for (let i = from; i < to; i++) {
        residual[i]! += c;
        const next = c * cos - s * sin;
        s = c * sin + s * cos;
        c = next;
      }
    }
  }

  /** What a narrow band about `omega` holds beside the atoms: re and im by turns, a pair for each hop. */
  band(omega: number): Float64Array {
    const { residual, taps, re, im, count, middle } = this;
    let c = Math.cos(omega * middle);
    let s = Math.sin(omega * middle);
    const cos = Math.cos(omega);
    const sin = Math.sin(omega);
    for (let i = 0; i < residual.length; i++) {
      const x = nth64(residual, i);
      re[i] = x * c;
      im[i] = x * s;
      const next = c * cos + s * sin;
      s = s * cos - c * sin;
      c = next;
    }
    const out = new Float64Array(2 * count);
    for (let m = 0; m < count; m++) {
      let a = 0;
      let b = 0;
      const from = m * FILTER.hop;
      for (let k = 0; k < FILTER.length; k++) {
        const tap = taps[k]!;
        a += tap * re[from + k]!;
        b += tap * im[from + k]!;
      }
      // A real sine holds half of its amplitude on either side of zero.
      out[2 * m] = 2 * a;
      out[2 * m + 1] = 2 * b;
    }
    return out;
  }

  /** An atom as it sounds in a band, with amplitude 1. */
  shape({ omega, decay }: Atom, centre: number, glide: number): Float64Array {
    const out = new Float64Array(2 * this.count);
    for (let m = 0; m < this.count; m++) {
      const t = nth64(this.times, m);
      const phase = ((omega - centre) * t + 0.5 * omega * glide * t * t) * this.sampleRate;
      const size = Math.exp(-decay * t);
      out[2 * m] = size * Math.cos(phase);
      out[2 * m + 1] = size * Math.sin(phase);
    }
    return out;
  }

  /** A shape with each of its values multiplied by a function of time from the middle. */
  timed(shape: Float64Array, by: (t: Seconds) => number): Float64Array {
    const out = new Float64Array(shape.length);
    for (let m = 0; m < this.count; m++) {
      const factor = by(nth64(this.times, m));
      out[2 * m] = factor * nth64(shape, 2 * m);
      out[2 * m + 1] = factor * nth64(shape, 2 * m + 1);
    }
    return out;
  }
}

/** A complex shape, re and im by turns, times a complex number. */
export function scaled(shape: Float64Array, re: number, im: number): Float64Array {
  const out = new Float64Array(shape.length);
  for (let i = 0; i < shape.length; i += 2) {
    out[i] = re * nth64(shape, i) - im * nth64(shape, i + 1);
    out[i + 1] = im * nth64(shape, i) + re * nth64(shape, i + 1);
  }
  return out;
}

/** A complex shape a quarter turn on. */
export function turned(shape: Float64Array): Float64Array {
  return scaled(shape, 0, 1);
}
