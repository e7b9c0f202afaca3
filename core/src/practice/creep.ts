import type { Cents, Seconds } from '../units.ts';

/**
 * How a practice string drops: c(t) = S ln(1 + t/t0), primary creep, or c(t) = S (1 − e^(−t/τ)).
 * Time is the string's age, which a stretch round adds to. The judge of settling knows neither.
 */
export interface Creep {
  readonly law: 'logarithm' | 'exponential';
  /** S. */
  readonly size: Cents;
  /** t0 or τ. */
  readonly scale: Seconds;
  /** Age that one stretch round adds. */
  readonly jump: Seconds;
}

/** How far a string of that age has dropped since it was fitted. */
export function creepAt({ law, size, scale }: Creep, age: Seconds): Cents {
  return law === 'logarithm' ? size * Math.log1p(age / scale) : -size * Math.expm1(-age / scale);
}
