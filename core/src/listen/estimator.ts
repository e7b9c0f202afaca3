import type { Cents, Hz } from '../units.ts';
import type { Candidate } from './candidates.ts';
import { CandidateFinder } from './candidates.ts';
import { PartialFit } from './partialFit.ts';
import { MAX_PEAKS, Spectrum } from './spectrum.ts';
import type { StiffFit, StiffnessPrior } from './stiffString.ts';
import { GENERAL_PRIOR, partialHz, reportedHz, StiffStringFitter } from './stiffString.ts';

/** Cramér–Rao bound of one sinusoid with unknown phase and amplitude (Rife and Boorstyn 1974). */
const ONE_SINUSOID = 24;

/** The highest partial that is looked for; tables have a row for each. */
export const HIGHEST_PARTIAL = 30;
/** … and none above this share of the sampling rate: the decimator's own band ends there. */
const USABLE_BAND = 0.44;
/** How far from its place a partial is looked for: shares of the pitch, of the window's lobe, of its own place. */
const REACH = { pitch: 0.25, lobe: 0.35, place: 0.003 } as const;
/** No string is stiffer than this B; a slope beyond it comes of a wrong partial. */
const MOST_STIFFNESS = 1e-3;
/** A partial known worse than this tells nothing of the pitch. */
const MOST_SIGMA: Cents = 40;
/** Noise is judged beside a partial, from this share of the window's lobe on. */
const BESIDE_LOBE = 0.4;
/** A Hann window spreads white noise of variance v to a mean squared magnitude of this times v / length. */
const HANN_NOISE = 6;
/** Newton's steps to the top of the autocorrelation: three reach the last digit of a double. */
const NEWTON_STEPS = 4;
/** Keeps a division by the energy of silence finite. */
const NO_ENERGY = 1e-30;

/** The most partials of one string that are used. */
export const MAX_PARTIALS = 20;
/** Strong peaks that belong to no partial are fitted beside them, so that they cannot pull. */
const MAX_STRANGERS = 8;
const STRANGER_LEAST = 0.05;
/** Partials weaker than this against the strongest are not followed. */
const WEAKEST_PARTIAL = 1.5e-3;
/**
 * A² N / 4σ² of noise alone is exponentially distributed with mean 1: the largest of
 * the hundreds of places where a partial might be looked for stays below this.
 */
const LEAST_EVIDENCE = 9;
const CENTS = 1200 / Math.LN2;

/** How much is spent on a frame: the live track needs few partials and no noise spectrum. */
export type Effort = 'live' | 'full';
const EFFORT = { live: { partials: 8, rounds: 2 }, full: { partials: MAX_PARTIALS, rounds: 3 } };

/** What is known of a frame's pitch beforehand. */
export interface FrameHint {
  /** First partial. */
  hz: Hz;
  inharmonicity: number;
  /** The law is known well: partials are looked for where it says, not where those below point. */
  firm?: boolean;
}

/** A frame's measurement. The object is reused from call to call: copy what is kept. */
export interface FrameEstimate {
  f0: Hz;
  inharmonicity: number;
  reportedHz: Hz;
  firstPartialHz: Hz;
  periodHz: Hz;
  /** Share of the frame's energy that this string explains, 0 to 1. */
  clarity: number;
  /** Share of this string in what is left when other steady tones are taken out, 0 to 1. */
  tonal: number;
  errorCents: Cents;
  f0ErrorCents: Cents;
  shiftCents: Cents;
  /** Score of the candidate, at most 1; 1 when the pitch was given. */
  score: number;
  /** The partials used: number, frequency, its standard error, amplitude. */
  partialCount: number;
  readonly partialNumber: Float64Array;
  readonly partialHz: Float64Array;
  readonly partialSigma: Float64Array;
  readonly partialAmplitude: Float64Array;
  /** Phase at the middle of the frame, in radians. */
  readonly partialPhase: Float64Array;
}

/** From this many partials on the course follows them alone. */
const ENOUGH_TO_FOLLOW = 5;

/**
 * Where the next partial should lie, from those found so far: (f_n/n)² is a
 * straight line over n², so a running regression gives f0 and B. Weights n²,
 * because a peak is placed to so many Hz and not to so many cents.
 */
class PartialCourse {
  private count = 0;
  private w = 0;
  private wx = 0;
  private wy = 0;
  private wxx = 0;
  private wxy = 0;

  private hz: Hz = 1;
  private inharmonicity = 0;
  private firm = false;

  begin(hz: Hz, inharmonicity: number, firm: boolean): void {
    this.firm = firm;
    this.hz = hz;
    this.inharmonicity = inharmonicity;
    this.count = this.w = this.wx = this.wy = this.wxx = this.wxy = 0;
  }

  seen(n: number, hz: Hz): void {
    const x = n * n;
    const y = (hz / n) ** 2;
    this.count++;
    this.w += x;
    this.wx += x * x;
    this.wy += x * y;
    this.wxx += x * x * x;
    this.wxy += x * x * y;
  }

  expected(n: number): Hz {
    if (this.firm || this.count < ENOUGH_TO_FOLLOW) {
      const f0 = this.hz / Math.sqrt(1 + this.inharmonicity);
      return partialHz(f0, this.inharmonicity, n);
    }
    const slope = (this.w * this.wxy - this.wx * this.wy) / (this.w * this.wxx - this.wx * this.wx);
    const kept = Math.max(0, Math.min(MOST_STIFFNESS * this.hz ** 2, slope));
    const f0Squared = (this.wy - kept * this.wx) / this.w;
    return n * Math.sqrt(f0Squared + kept * n * n);
  }
}

/**
 * Measures the pitch of one frame of a plucked string: candidates from the
 * spectrum, then a joint least-squares fit of its partials, then the
 * stiff-string law through them. See docs/listening.md.
 */
export class Estimator {
  readonly spectrum: Spectrum;
  readonly finder: CandidateFinder;
  readonly result: FrameEstimate;
  private readonly fit: PartialFit;
  private readonly law = new StiffStringFitter(MAX_PARTIALS);
  private readonly residualSpectrum: Spectrum;
  private readonly stiff: StiffFit;
  private readonly taken = new Uint8Array(MAX_PEAKS);
  private localNoise = true;
  private readonly course = new PartialCourse();
  private readonly amplitude = { real: 0, imag: 0 };

  constructor(
    readonly sampleRate: Hz,
    maxLength: number,
  ) {
    this.spectrum = new Spectrum(maxLength, sampleRate);
    this.residualSpectrum = new Spectrum(maxLength, sampleRate);
    this.finder = new CandidateFinder(this.spectrum);
    this.fit = new PartialFit(maxLength, MAX_PARTIALS + MAX_STRANGERS);
    this.stiff = { f0: 0, inharmonicity: 0, errorCents: 0, f0ErrorCents: 0, shiftCents: 0 };
    this.result = {
      ...this.stiff,
      reportedHz: 0,
      firstPartialHz: 0,
      periodHz: 0,
      clarity: 0,
      tonal: 0,
      score: 0,
      partialCount: 0,
      partialNumber: new Float64Array(MAX_PARTIALS),
      partialHz: new Float64Array(MAX_PARTIALS),
      partialSigma: new Float64Array(MAX_PARTIALS),
      partialAmplitude: new Float64Array(MAX_PARTIALS),
      partialPhase: new Float64Array(MAX_PARTIALS),
    };
  }

  /** The pitches that could explain the frame, best first; the array is reused. */
  candidates(samples: Float64Array, offset: number, length: number): readonly Candidate[] {
    this.spectrum.analyse(samples, offset, length);
    return this.finder.search();
  }

  /**
   * Measures a frame of `length` samples. Without a hint the best candidate is taken.
   * Returns null when the frame holds no pitch, or none near the hint.
   */
  estimate(
    samples: Float64Array,
    offset: number,
    length: number,
    hint?: FrameHint,
    prior: StiffnessPrior = GENERAL_PRIOR,
    effort: Effort = 'full',
  ): FrameEstimate | null {
    this.spectrum.analyse(samples, offset, length);
    let hz = hint?.hz ?? 0;
    this.result.score = 1;
    if (!hint) {
      const best = this.finder.search()[0];
      if (!best) return null;
      hz = best.hz;
      this.result.score = best.score;
    }
    this.fit.load(samples, offset, length);
    this.course.begin(hz, hint?.inharmonicity ?? prior.mean, hint?.firm ?? false);
    this.pickPartials(hz, EFFORT[effort].partials);
    if (this.fit.count === 0) return null;
    this.pickStrangers();
    this.fit.refine(EFFORT[effort].rounds);
    this.localNoise = effort === 'full';
    return this.solve(prior);
  }

  /** Follows the partials upward, each expected where those below it point. */
  private pickPartials(hz: Hz, most: number): void {
    const { spectrum, fit, taken, amplitude, course } = this;
    taken.fill(0);
    let strongest = 0;
    for (let p = 0; p < spectrum.peakCount; p++)
      strongest = Math.max(strongest, spectrum.peakHeight[p]!);
    const limit = Math.min(HIGHEST_PARTIAL, (USABLE_BAND * this.sampleRate) / hz);
    for (let n = 1; n <= limit && fit.count < most; n++) {
      const expected = course.expected(n);
      const tolerance = Math.min(
        REACH.pitch * hz,
        REACH.lobe * spectrum.lobeHz + REACH.place * expected,
      );
      const p = spectrum.nearestPeak(expected, tolerance);
      if (p < 0 || taken[p] || spectrum.peakHeight[p]! < WEAKEST_PARTIAL * strongest) continue;
      taken[p] = 1;
      const at = spectrum.peakHz[p]!;
      course.seen(n, at);
      spectrum.amplitudeAt(at, amplitude);
      fit.add(n, (2 * Math.PI * at) / this.sampleRate, 0, amplitude.real, amplitude.imag);
    }
  }

  /** Adds the strongest peaks that no partial claimed. */
  private pickStrangers(): void {
    const { spectrum, fit, taken, amplitude } = this;
    let strongest = 0;
    for (let p = 0; p < spectrum.peakCount; p++)
      strongest = Math.max(strongest, spectrum.peakHeight[p]!);
    for (let k = 0; k < MAX_STRANGERS; k++) {
      let best = -1;
      let height = STRANGER_LEAST * strongest;
      for (let p = 0; p < spectrum.peakCount; p++) {
        if (taken[p] || spectrum.peakHeight[p]! <= height) continue;
        best = p;
        height = spectrum.peakHeight[p]!;
      }
      if (best < 0) return;
      taken[best] = 1;
      spectrum.amplitudeAt(spectrum.peakHz[best]!, amplitude);
      const omega = (2 * Math.PI * spectrum.peakHz[best]!) / this.sampleRate;
      fit.add(0, omega, 0, amplitude.real, amplitude.imag);
    }
  }

  private solve(prior: StiffnessPrior): FrameEstimate | null {
    const { fit, result, stiff } = this;
    if (this.localNoise) this.residualSpectrum.analyse(fit.residual, 0, fit.length);
    let count = 0;
    let energy = 0;
    for (let i = 0; i < fit.count; i++) {
      if (fit.number[i] === 0) continue;
      const hz = (fit.omega[i]! * this.sampleRate) / (2 * Math.PI);
      const amplitude = fit.amplitude(i);
      const noise = this.noiseAround(hz);
      const sigma = Math.sqrt((ONE_SINUSOID * noise) / fit.length ** 3) / amplitude / fit.omega[i]!;
      const sigmaCents = CENTS * sigma;
      const evidence = (amplitude * amplitude * fit.length) / noise / 4;
      if (!(sigmaCents < MOST_SIGMA) || evidence < LEAST_EVIDENCE) continue;
      result.partialNumber[count] = fit.number[i]!;
      result.partialHz[count] = hz;
      result.partialSigma[count] = sigmaCents;
      result.partialAmplitude[count] = amplitude;
      result.partialPhase[count] = Math.atan2(fit.imag[i]!, fit.real[i]!);
      energy += (amplitude * amplitude * fit.length) / 2;
      count++;
    }
    result.partialCount = count;
    if (count === 0) return null;
    this.law.fit(result.partialNumber, result.partialHz, result.partialSigma, count, prior, stiff);
    result.f0 = stiff.f0;
    result.inharmonicity = stiff.inharmonicity;
    result.reportedHz = reportedHz(stiff.f0, stiff.inharmonicity);
    result.firstPartialHz = partialHz(stiff.f0, stiff.inharmonicity, 1);
    result.periodHz = periodHz(result);
    result.errorCents = stiff.errorCents;
    result.f0ErrorCents = stiff.f0ErrorCents;
    result.shiftCents = stiff.shiftCents;
    result.clarity = Math.min(1, energy / Math.max(fit.energy, NO_ENERGY));
    result.tonal = energy / Math.max(energy + fit.residualEnergy, NO_ENERGY);
    return result;
  }

  /** Variance per sample of the noise near `hz`, from the residual beside the partial. */
  private noiseAround(hz: Hz): number {
    const { residualSpectrum: r, fit } = this;
    if (!this.localNoise) return fit.residualEnergy / fit.length;
    const perLobe = r.lobeHz / r.binHz;
    const bin = Math.round(hz / r.binHz);
    const reach = Math.round(2 * perLobe);
    const gap = Math.round(BESIDE_LOBE * perLobe);
    let sum = 0;
    let count = 0;
    for (
      let k = Math.max(1, bin - reach);
      k <= Math.min(r.magnitude.length - 1, bin + reach);
      k++
    ) {
      if (Math.abs(k - bin) < gap) continue;
      sum += r.magnitude[k]! ** 2;
      count++;
    }
    return count === 0
      ? fit.residualEnergy / fit.length
      : ((sum / count) * fit.length) / HANN_NOISE;
  }
}

/**
 * The pitch that an autocorrelation would show for these partials: the lag near
 * one period at which Σ A² cos(2π f lag) is greatest, as a frequency in Hz.
 */
export function periodHz(e: {
  partialCount: number;
  partialNumber: ArrayLike<number>;
  partialHz: ArrayLike<number>;
  partialAmplitude: ArrayLike<number>;
}): Hz {
  let top = 0;
  let bottom = 0;
  for (let i = 0; i < e.partialCount; i++) {
    const w = (e.partialAmplitude[i]! * e.partialNumber[i]!) ** 2;
    top += w * (e.partialHz[i]! / e.partialNumber[i]!);
    bottom += w;
  }
  let lag = bottom / top;
  for (let round = 0; round < NEWTON_STEPS; round++) {
    let slope = 0;
    let curve = 0;
    for (let i = 0; i < e.partialCount; i++) {
      const w = 2 * Math.PI * e.partialHz[i]!;
      const power = e.partialAmplitude[i]! ** 2;
      slope -= power * w * Math.sin(w * lag);
      curve -= power * w * w * Math.cos(w * lag);
    }
    if (curve >= 0) break;
    lag -= slope / curve;
  }
  return 1 / lag;
}
