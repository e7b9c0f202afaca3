import { normalAt, upperTail } from '../maths/index.ts';
import type { Cents } from '../units.ts';

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
