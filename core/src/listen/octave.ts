import { centsBetween } from '../music/index.ts';
import type { Cents } from '../units.ts';
import { MAX_PARTIALS } from './estimator.ts';
import type { PartialReading } from './frameTable.ts';
import { partialHz, type StiffFit, type StiffnessPrior, StiffStringFitter } from './stiffString.ts';

/** Beyond these a body shifts partials, whatever else sounds. */
const HIGHEST = 14;
/** So many of either kind have to be there. */
const FEWEST = 3;
/** How far the even partials may lie off the law of the odd ones, by what single ones are shifted: in cents, and in standard errors. */
const LEAST_OFF: Cents = 2.5;
const SIGMAS = 2.2;
/** A body shifts single partials by so much. */
const SHIFTED: Cents = 1.5;

const fitter = new StiffStringFitter(MAX_PARTIALS);

/**
 * How far the even partials lie off the law of the odd ones, where that is more than a body does:
 * then another string sounds an octave higher. Null where they agree, or too few are there to tell.
 */
export function octaveBeside(
  partials: readonly PartialReading[],
  prior: StiffnessPrior,
): Cents | null {
  const low = partials.filter(({ number }) => number <= HIGHEST);
  const odd = low.filter(({ number }) => number % 2 === 1);
  const even = low.filter(({ number }) => number % 2 === 0);
  if (odd.length < FEWEST || even.length < FEWEST) return null;
  const law: StiffFit = { f0: 0, inharmonicity: 0, errorCents: 0, f0ErrorCents: 0, shiftCents: 0 };
  const column = (of: (one: PartialReading) => number) => odd.map(of);
  fitter.fit(
    column(({ number }) => number),
    column(({ hz }) => hz),
    column(({ errorCents }) => errorCents),
    odd.length,
    prior,
    law,
  );
  let weight = 0;
  let sum = 0;
  for (const { number, hz, errorCents } of even) {
    const w = 1 / (errorCents ** 2 + SHIFTED ** 2);
    weight += w;
    sum += w * centsBetween(partialHz(law.f0, law.inharmonicity, number), hz);
  }
  const off = sum / weight;
  const error = Math.hypot(Math.sqrt(1 / weight), law.errorCents);
  return Math.abs(off) > Math.max(LEAST_OFF, SIGMAS * error) ? off : null;
}
