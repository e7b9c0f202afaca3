import type { Cents } from '@rosefinch/core/units';

/** Deviations up to this many cents are drawn in proportion, beyond it by their logarithm. */
const LINEAR_TO = 10;
const FULL = 100;
/** Share of the half height that the linear part takes. */
const LINEAR_SHARE = 0.5;

/** Ticks of a wire, in cents. */
export const TICKS = [100, 30, 10, 3, -3, -10, -30, -100] as const;

/** Those of them that a wire with little room keeps. */
export const FEW_TICKS = [100, 10, -10, -100] as const;
export const TWO_TICKS = [10, -10] as const;

/**
 * Height of a deviation above the wire as a share of the half height, −1 to 1:
 * linear within ±10 cents, logarithmic to ±100, held at the edge beyond.
 */
export function wireHeight(cents: Cents): number {
  const size = Math.abs(cents);
  if (size <= LINEAR_TO) return (cents / LINEAR_TO) * LINEAR_SHARE;
  const beyond = Math.log(size / LINEAR_TO) / Math.log(FULL / LINEAR_TO);
  return Math.sign(cents) * Math.min(1, LINEAR_SHARE + (1 - LINEAR_SHARE) * beyond);
}
