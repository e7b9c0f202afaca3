import type { Cents, Hz } from '../units.ts';
import { partialHz, REPORTED_PARTIAL } from './stiffString.ts';

/** Cramér–Rao bound of one sinusoid with unknown phase and amplitude (Rife and Boorstyn 1974). */
const ONE_SINUSOID = 24;
/** Cents for a small relative change of frequency. */
const CENTS = 1200 / Math.LN2;

/** A stationary stiff-string tone in white noise. */
export interface BoundedTone {
  readonly f0: Hz;
  readonly inharmonicity: number;
  /** Amplitude of each partial, the first one first. */
  readonly amplitudes: readonly number[];
}

/**
 * The Cramér–Rao bound of the reported pitch: the least standard error in cents that any
 * unbiased estimator can have, with f0, B, amplitudes and phases unknown.
 *
 * Partials are taken as orthogonal, so amplitudes drop out and each partial tells its own
 * frequency with variance 24 σ² / (A² N (N² − 1)) (rad per sample)²: Rife and Boorstyn
 * (1974), the summand of Christensen and Jakobsson, Multi-Pitch Estimation (2009). What is
 * left is the Fisher matrix of (ln f0, B) and the slope of ln(f0 √(1 + 16 B)).
 */
export function reportedPitchBound(
  tone: BoundedTone,
  noiseSigma: number,
  samples: number,
  sampleRate: Hz,
): Cents {
  const { f0, inharmonicity: b } = tone;
  let f11 = 0;
  let f12 = 0;
  let f22 = 0;
  tone.amplitudes.forEach((amplitude, i) => {
    const n = i + 1;
    const omega = (2 * Math.PI * partialHz(f0, b, n)) / sampleRate;
    const variance =
      (ONE_SINUSOID * noiseSigma ** 2) / (amplitude ** 2 * samples * (samples ** 2 - 1));
    const byB = (omega * 0.5 * n * n) / (1 + b * n * n);
    f11 += omega ** 2 / variance;
    f12 += (omega * byB) / variance;
    f22 += byB ** 2 / variance;
  });
  const determinant = f11 * f22 - f12 * f12;
  const slope = (0.5 * REPORTED_PARTIAL ** 2) / (1 + REPORTED_PARTIAL ** 2 * b);
  const variance = (f22 - 2 * slope * f12 + slope ** 2 * f11) / determinant;
  return CENTS * Math.sqrt(variance);
}
