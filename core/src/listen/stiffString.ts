import type { Cents, Hz } from '../units.ts';
import { median } from './select.ts';

/** Fewer partials than this tell nothing of their own spread. */
const FEWEST = 4;
/** The median of a squared normal deviate (χ² of one degree of freedom). */
const MEDIAN_SQUARE = 0.455;
/** The spread is looked for up to this variance, in cents squared, by halving: first by ratio, then by difference. */
const SPREAD = { most: 400, steps: 14, byRatio: 5, least: 1e-4 } as const;
/** Degrees of freedom of the Student distribution by whose weights outliers lose their pull. */
const STUDENT = 4;

const CENTS = 1200 / Math.LN2;
/** Where B of played strings lies, before anything is heard of this one; see docs/listening.md. */
const PRIOR_B = 6e-5;
const PRIOR_B_SIGMA = 9e-5;
const B_MAX = 1e-3;
/** Usual shift of a single partial by a body resonance, in cents, and how much that is believed. */
const USUAL_SHIFT = 1.5;
const USUAL_SHIFT_WEIGHT = 3;

const ROUNDS = 7;
const LOW_ROUNDS = 2;

/** The partial whose frequency over its number is the reported pitch (dominance region). */
export const REPORTED_PARTIAL = 4;

/** Frequency of partial `n` of a stiff string: n · f0 · sqrt(1 + B n²). Fletcher 1964. */
export function partialHz(f0: Hz, inharmonicity: number, n: number): Hz {
  return n * f0 * Math.sqrt(1 + inharmonicity * n * n);
}

/** The pitch that Rosefinch reports: the fourth partial over four, in Hz. */
export function reportedHz(f0: Hz, inharmonicity: number): Hz {
  return f0 * Math.sqrt(1 + inharmonicity * REPORTED_PARTIAL ** 2);
}

/** What a stiff-string fit found. */
export interface StiffFit {
  f0: Hz;
  inharmonicity: number;
  /** Standard error of the reported pitch in cents, shifted partials included. */
  errorCents: Cents;
  /** Standard error of f0 in cents. */
  f0ErrorCents: Cents;
  /** Spread of single partials about the law beyond their noise, in cents. */
  shiftCents: Cents;
}

/** What is believed of B before the fit, for instance from earlier readings of that string. */
export interface StiffnessPrior {
  mean: number;
  sigma: number;
}

export const GENERAL_PRIOR: StiffnessPrior = { mean: PRIOR_B, sigma: PRIOR_B_SIGMA };

/**
 * Fits f_n = n · f0 · sqrt(1 + B n²) to measured partials, in place in `out`.
 *
 * Weights follow each partial's own noise plus one common spread, the shifts of
 * body resonances, found from the data; Student-t weights keep single far
 * outliers from pulling. `numbers`, `hz` and `sigmaCents` hold `count` partials.
 */
export class StiffStringFitter {
  private readonly residual: Float64Array;
  private readonly weight: Float64Array;
  private readonly scratch: Float64Array;

  constructor(readonly maxPartials: number) {
    this.residual = new Float64Array(maxPartials);
    this.weight = new Float64Array(maxPartials);
    this.scratch = new Float64Array(maxPartials);
  }

  fit(
    numbers: ArrayLike<number>,
    hz: ArrayLike<number>,
    sigmaCents: ArrayLike<number>,
    count: number,
    prior: StiffnessPrior,
    out: StiffFit,
  ): void {
    const { residual, weight } = this;
    let logF0 = this.startingLogF0(numbers, hz, count, prior.mean);
    let b = prior.mean;
    let spread = USUAL_SHIFT ** 2;
    let a11 = 0;
    let a12 = 0;
    let a22 = 0;
    for (let round = 0; round < ROUNDS; round++) {
      // High partials have a long lever on B: they join once the low ones point at them.
      const used = round < LOW_ROUNDS ? Math.max(FEWEST, count >> 1) : count;
      a11 = 0;
      a12 = 0;
      a22 = 1 / prior.sigma ** 2;
      let g1 = 0;
      let g2 = (prior.mean - b) / prior.sigma ** 2;
      for (let i = 0; i < Math.min(used, count); i++) {
        const n2 = numbers[i]! ** 2;
        const r = CENTS * (Math.log(hz[i]! / numbers[i]!) - logF0 - 0.5 * Math.log1p(b * n2));
        residual[i] = r;
        const variance = sigmaCents[i]! ** 2 + spread;
        // Student t with four degrees of freedom; the first rounds trust the low partials alike.
        const w =
          (round < LOW_ROUNDS ? 1 : (STUDENT + 1) / (STUDENT + (r * r) / variance)) / variance;
        weight[i] = w;
        const slope = (CENTS * 0.5 * n2) / (1 + b * n2);
        a11 += w * CENTS * CENTS;
        a12 += w * CENTS * slope;
        a22 += w * slope * slope;
        g1 += w * CENTS * r;
        g2 += w * slope * r;
      }
      const det = a11 * a22 - a12 * a12;
      logF0 += (a22 * g1 - a12 * g2) / det;
      b = Math.min(B_MAX, Math.max(0, b + (a11 * g2 - a12 * g1) / det));
      if (round >= LOW_ROUNDS) spread = this.spreadOf(sigmaCents, count);
    }
    out.f0 = Math.exp(logF0);
    out.inharmonicity = b;
    this.errors(sigmaCents, numbers, count, b, prior, spread, out);
  }

  /** A robust start: the median over the partials, stiffness assumed as in the prior. */
  private startingLogF0(
    numbers: ArrayLike<number>,
    hz: ArrayLike<number>,
    count: number,
    b: number,
  ): number {
    for (let i = 0; i < count; i++)
      this.scratch[i] = Math.log(hz[i]! / numbers[i]!) - 0.5 * Math.log1p(b * numbers[i]! ** 2);
    return median(this.scratch, count);
  }

  /** The common variance beyond noise that brings the median squared residual to its expectation. */
  private spreadOf(sigmaCents: ArrayLike<number>, count: number): number {
    if (count < FEWEST) return USUAL_SHIFT ** 2;
    const expected = MEDIAN_SQUARE * (1 - 2 / count);
    let low = 0;
    let high: number = SPREAD.most;
    if (this.medianSquare(sigmaCents, count, 0) <= expected) return 0;
    for (let i = 0; i < SPREAD.steps; i++) {
      const middle = i < SPREAD.byRatio ? Math.sqrt((low + SPREAD.least) * high) : (low + high) / 2;
      if (this.medianSquare(sigmaCents, count, middle) > expected) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  }

  private medianSquare(sigmaCents: ArrayLike<number>, count: number, spread: number): number {
    for (let i = 0; i < count; i++)
      this.scratch[i] = this.residual[i]! ** 2 / (sigmaCents[i]! ** 2 + spread);
    return median(this.scratch, count);
  }

  /**
   * Standard errors. Few partials tell little of their own spread, so the usual
   * spread of strings is mixed in with the weight of a few partials.
   */
  private errors(
    sigmaCents: ArrayLike<number>,
    numbers: ArrayLike<number>,
    count: number,
    b: number,
    prior: StiffnessPrior,
    spread: number,
    out: StiffFit,
  ): void {
    const dof = Math.max(0, count - 2);
    const nu = USUAL_SHIFT_WEIGHT + dof;
    // A spread known from few partials makes the error one of Student's t: its variance is ν/(ν − 2) larger.
    const believed =
      ((USUAL_SHIFT_WEIGHT * USUAL_SHIFT ** 2 + dof * spread) / nu) * (nu / (nu - 2));
    let a11 = 0;
    let a12 = 0;
    let a22 = 1 / prior.sigma ** 2;
    for (let i = 0; i < count; i++) {
      const n2 = numbers[i]! ** 2;
      const robust = Math.min(1, this.weight[i]! * (sigmaCents[i]! ** 2 + spread));
      const w = robust / (sigmaCents[i]! ** 2 + (spread === 0 ? 0 : believed));
      const slope = (CENTS * 0.5 * n2) / (1 + b * n2);
      a11 += w;
      a12 += w * slope;
      a22 += w * slope * slope;
    }
    const det = Math.max(a11 * a22 - a12 * a12, Number.MIN_VALUE);
    const at = (CENTS * 0.5 * REPORTED_PARTIAL ** 2) / (1 + b * REPORTED_PARTIAL ** 2);
    out.errorCents = Math.sqrt((a22 - 2 * at * a12 + at * at * a11) / det);
    out.f0ErrorCents = Math.sqrt(a22 / det);
    out.shiftCents = Math.sqrt(spread);
  }
}
