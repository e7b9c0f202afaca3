import { RangeMisuse } from '../errors.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';
import type { Reading } from './pluck.ts';
import { partialHz } from './stiffString.ts';

/** How far partial `n` at `hz` lies above n times f0: the stretch of its string. */
export function stretchCents(n: number, hz: Hz, f0: Hz): Cents {
  return centsBetween(n * f0, hz);
}

/** The stretch that the reading's own fit expects of partial `n`. */
export function fittedStretch(reading: Reading, n: number): Cents {
  const { f0Hz, inharmonicity } = reading;
  return stretchCents(n, partialHz(f0Hz, inharmonicity, n), f0Hz);
}

/**
 * Root mean square of what the fitted stiffness leaves over of the partials.
 * @throws RangeMisuse if the reading lists no partials.
 */
export function stretchResidual(reading: Reading): Cents {
  const { partials, f0Hz } = reading;
  if (partials.length === 0) throw new RangeMisuse('the reading lists no partials');
  const sum = partials.reduce(
    (total, p) =>
      total + (stretchCents(p.number, p.hz, f0Hz) - fittedStretch(reading, p.number)) ** 2,
    0,
  );
  return Math.sqrt(sum / partials.length);
}
