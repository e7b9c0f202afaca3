import type { Cents } from '../units.ts';

/** Density of a normal error. */
export function normalAt(x: Cents, sigma: Cents): number {
  return Math.exp(-0.5 * (x / sigma) ** 2) / (sigma * Math.sqrt(2 * Math.PI));
}

/** Abramowitz and Stegun 26.2.17. */
const TAIL = {
  p: 0.2316419,
  b: [0.31938153, -0.356563782, 1.781477937, -1.821255978, 1.330274429],
} as const;

/** Upper tail of the standard normal, to 1e-7. */
export function upperTail(z: number): number {
  if (z < 0) return 1 - upperTail(-z);
  const t = 1 / (1 + TAIL.p * z);
  return normalAt(z, 1) * t * TAIL.b.reduceRight((sum, b) => sum * t + b, 0);
}

/** Far from the middle the exact form is infinity times nothing: its limit is used. */
const FAR = 6;

/**
 * Density at `x` of a fall of exponential size, `mean` cents in the middle, read with a normal error
 * (exponentially modified Gaussian, the tail downwards).
 */
export function fallAt(x: Cents, mean: Cents, sigma: Cents): number {
  const ratio = sigma / mean;
  // How far down, in errors.
  const down = -x / sigma;
  const z = ratio - down;
  if (z > FAR) return (normalAt(x, sigma) * ratio) / z;
  return (upperTail(z) * Math.exp(ratio * (ratio / 2 - down))) / mean;
}
