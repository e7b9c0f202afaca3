import { expect } from 'chai';
import { PairFinder } from './pair.ts';

const RATE = 12_000;

/** A second of a string with ten partials that fade, and of another so many cents above it. */
function sounded(cents: number, share: number, hz = 196): Float64Array {
  const two = hz * 2 ** (cents / 1200);
  return Float64Array.from({ length: RATE }, (_, i) => {
    const t = i / RATE;
    let sum = 0;
    for (let n = 1; n <= 10; n++) {
      const fades = Math.exp(-t * (1 + n / 3)) / n;
      sum += fades * Math.sin(2 * Math.PI * n * hz * t);
      sum += share * fades * Math.sin(2 * Math.PI * n * two * t + n);
    }
    return sum;
  });
}

const found = (samples: Float64Array, f0 = 196, end = RATE) =>
  new PairFinder(RATE).find(samples, 0, end, { f0, inharmonicity: 0 });

describe('two strings where one was meant', () => {
  for (const cents of [12, 25, 40])
    it(`${cents} cents apart are told, with both pitches`, () => {
      const pair = found(sounded(cents, 0.7));
      expect(pair).to.not.equal(null);
      const [low, high] = pair!;
      expect(1200 * Math.log2(low / 196)).to.be.closeTo(0, 1);
      expect(1200 * Math.log2(high / 196)).to.be.closeTo(cents, 1);
    });

  it('one string is one, its two planes a cent apart included', () => {
    expect(found(sounded(0, 0))).to.equal(null);
    expect(found(sounded(1, 0.3))).to.equal(null);
  });

  it('a far weaker one is somebody else, and a short note tells nothing', () => {
    expect(found(sounded(25, 0.15))).to.equal(null);
    expect(found(sounded(25, 0.7), 196, 0.4 * RATE)).to.equal(null);
  });
});
