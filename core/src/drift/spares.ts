import { DAY_MS, type EpochMs } from '../units.ts';

const YEAR_DAYS = 365;
/** Spares are to last a term. */
const TERM_DAYS = 90;
/** So surely they are to suffice. */
const SURE = 0.9;
/** A set that is on the shelf is used once in two years, before anything is known: common practice, no source. */
const PRIOR_A_YEAR = 0.5;

/** How many of one sort of strings to have. */
export interface Spares {
  /** Sets that were put on in the last year. */
  readonly used: number;
  readonly instruments: number;
  /** To have on hand for a term. */
  readonly have: number;
}

/**
 * Sets to have on hand, so that they suffice for a term nine times in ten: a Poisson count whose rate
 * is learned from the year (gamma prior, a negative binomial forecast).
 */
export function sparesFor(fittedAt: readonly EpochMs[], instruments: number, now: EpochMs): Spares {
  const used = fittedAt.filter((at) => at <= now && at > now - YEAR_DAYS * DAY_MS).length;
  const shape = used + PRIOR_A_YEAR * instruments;
  // One year was watched, and the prior counts for another.
  const share = TERM_DAYS / (TERM_DAYS + 2 * YEAR_DAYS);
  let have = 0;
  let term = (1 - share) ** shape;
  let sum = term;
  while (sum < SURE && have < 1000) {
    have++;
    term *= ((shape + have - 1) * share) / have;
    sum += term;
  }
  return { used, instruments, have };
}
