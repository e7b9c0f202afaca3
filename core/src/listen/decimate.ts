import { assertRange } from '../errors.ts';
import type { Hz } from '../units.ts';

/** Sampling rates that are heard, in Hz. */
const RATES = { least: 8000, most: 192_000 } as const;
/** Design of a Kaiser window by its attenuation (Oppenheim and Schafer, Discrete-Time Signal Processing). */
const KAISER = { length: 2.285, from: 8, slope: 0.1102, shift: 8.7 } as const;
/** The transition takes this share of the band that is left. */
const TRANSITION = 0.2;
/** The series of the Bessel function ends where a term no longer counts. */
const NEGLIGIBLE = 1e-12;

/** The pitch band needs no more than this rate; everything above it is only cost. */
const LOWEST_USEFUL_RATE = 11_000;
/** Stop-band attenuation of the low-pass in dB. */
const ATTENUATION = 72;

/** By how much a signal of `sampleRate` is thinned before analysis. */
function decimationFactor(sampleRate: Hz): number {
  assertRange('sample rate in Hz', sampleRate, RATES.least, RATES.most);
  return Math.max(1, Math.floor(sampleRate / LOWEST_USEFUL_RATE));
}

/** Modified Bessel function of the first kind, order 0, by its power series. */
function bessel0(x: number): number {
  let term = 1;
  let sum = 1;
  for (let k = 1; term > sum * NEGLIGIBLE; k++) {
    term *= (x / (2 * k)) ** 2;
    sum += term;
  }
  return sum;
}

/** Kaiser-window low-pass, flat to 0.4 and closed from 0.6 of the output rate. */
function lowPass(factor: number): Float64Array {
  if (factor === 1) return Float64Array.of(1);
  const half = Math.ceil(
    (ATTENUATION - KAISER.from) / (KAISER.length * 2 * Math.PI * (TRANSITION / factor)) / 2,
  );
  const beta = KAISER.slope * (ATTENUATION - KAISER.shift);
  const taps = new Float64Array(2 * half + 1);
  let sum = 0;
  for (let i = -half; i <= half; i++) {
    const x = i / factor;
    const sinc = i === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
    const tap = sinc * bessel0(beta * Math.sqrt(1 - (i / half) ** 2));
    taps[i + half] = tap;
    sum += tap;
  }
  return taps.map((tap) => tap / sum);
}

/**
 * Streaming decimator. Output sample k stands at the time of input sample
 * k · factor: the filter's delay is taken out. Samples that are not finite count as 0.
 */
export class Decimator {
  readonly factor: number;
  readonly outputRate: Hz;
  private readonly taps: Float64Array;
  /** The last samples twice over, so that they always lie in one piece. */
  private readonly history: Float64Array;
  private write = 0;
  /** Input samples until the next output; starts past half the filter to take out its delay. */
  private wait: number;

  constructor(sampleRate: Hz) {
    this.factor = decimationFactor(sampleRate);
    this.outputRate = sampleRate / this.factor;
    this.taps = lowPass(this.factor);
    this.history = new Float64Array(2 * this.taps.length);
    this.wait = (this.taps.length - 1) / 2 + 1;
  }

  /** Feeds `input`, calls `emit` for every output sample in order. */
  process(input: Float32Array, emit: (sample: number) => void): void {
    const { history, taps, factor } = this;
    const length = taps.length;
    for (let i = 0; i < input.length; i++) {
      const sample = input[i]!;
      const kept = Number.isFinite(sample) ? sample : 0;
      history[this.write] = kept;
      history[this.write + length] = kept;
      this.write = this.write + 1 === length ? 0 : this.write + 1;
      if (--this.wait > 0) continue;
      this.wait = factor;
      let sum = 0;
      const from = this.write;
      for (let k = 0; k < length; k++) sum += taps[k]! * history[from + k]!;
      emit(sum);
    }
  }
}
