import type { Cents, Seconds } from '../units.ts';

/** More rounds than this nobody pulls. */
const MOST_ROUNDS = 20;

/**
 * How a new string drops: c(t) = S ln(1 + t/t0), primary creep, or its rival
 * c(t) = S (1 − e^(−t/τ)). Time is the string's age, which a stretch round adds to.
 */
export type Law = 'logarithm' | 'exponential';

/** A string's creep. */
export interface Creep {
  readonly law: Law;
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

/**
 * How long until a string of that age has dropped by `way` more: (t0 + t)(e^(w/S) − 1)
 * for the logarithm. Infinity where it never will.
 */
export function holdTime({ law, size, scale }: Creep, age: Seconds, way: Cents): Seconds {
  if (way <= 0) return 0;
  if (law === 'logarithm') return (scale + age) * Math.expm1(way / size);
  const left = Math.exp(-age / scale) - way / size;
  return left <= 0 ? Number.POSITIVE_INFINITY : -scale * Math.log(left) - age;
}

/**
 * Stretch rounds until a string that is brought to its note after each holds for so long;
 * null when more than `most` are needed.
 */
export function roundsLeft(
  creep: Creep,
  age: Seconds,
  tolerance: Cents,
  lesson: Seconds,
  most = MOST_ROUNDS,
): number | null {
  for (let rounds = 0; rounds <= most; rounds++)
    if (holdTime(creep, age + rounds * creep.jump, tolerance) >= lesson) return rounds;
  return null;
}

/** How long a string of that age must be left to itself until, brought to its note, it holds for so long. */
export function waitUntil(creep: Creep, age: Seconds, tolerance: Cents, lesson: Seconds): Seconds {
  const { law, size, scale } = creep;
  // Both laws slow down by age alone: the age from which a lesson is held, less today's.
  const from =
    law === 'logarithm'
      ? lesson / Math.expm1(tolerance / size) - scale
      : scale * Math.log((size / tolerance) * -Math.expm1(-lesson / scale));
  return Math.max(0, from - age);
}
