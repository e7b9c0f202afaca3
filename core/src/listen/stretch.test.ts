import { expect } from 'chai';
import { RangeMisuse } from '../errors.ts';
import type { Reading } from './index.ts';
import { fittedStretch, partialHz, stretchCents, stretchResidual } from './index.ts';

const F0 = 82;
const B = 1e-4;

/** A reading whose partials lie on the law, but for the given shifts in cents. */
function readingWith(shifts: readonly number[]): Reading {
  return {
    kind: 'reading',
    hz: F0,
    clarity: 1,
    errorCents: 0.1,
    spreadCents: 0,
    f0Hz: F0,
    firstPartialHz: F0,
    periodHz: F0,
    inharmonicity: B,
    moving: false,
    windowFrom: 0.2,
    windowLength: 0.6,
    levelDbfs: -20,
    partials: shifts.map((shift, i) => ({
      number: i + 1,
      hz: partialHz(F0, B, i + 1) * 2 ** (shift / 1200),
      errorCents: 0.1,
      amplitude: 0.1,
    })),
  };
}

describe('stretch of the partials', () => {
  // Fletcher 1964: partial n of a stiff string lies 600 log2(1 + B n²) cents above n f0.
  it('follows from B', () => {
    const reading = readingWith([0]);
    for (const n of [1, 4, 12])
      expect(fittedStretch(reading, n)).to.be.closeTo(600 * Math.log2(1 + B * n * n), 1e-9);
    expect(stretchCents(2, 2 * F0, F0)).to.equal(0);
  });

  it('leaves nothing over of exact partials, and the root mean square of their shifts otherwise', () => {
    expect(stretchResidual(readingWith([0, 0, 0]))).to.be.closeTo(0, 1e-9);
    expect(stretchResidual(readingWith([3, -4, 0, 0]))).to.be.closeTo(2.5, 1e-9);
  });

  it('refuses a reading without partials', () => {
    expect(() => stretchResidual(readingWith([]))).to.throw(RangeMisuse, 'no partials');
  });
});
