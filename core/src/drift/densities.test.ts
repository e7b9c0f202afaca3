import { expect } from 'chai';
import { normalAt, upperTail } from '../maths/index.ts';
import { fallAt } from './densities.ts';

describe('densities of moves', () => {
  // Abramowitz and Stegun, table 26.1: Q(x) of the standard normal.
  for (const [z, q] of [
    [0, 0.5],
    [0.5, 0.3085375],
    [1, 0.1586553],
    [1.96, 0.0249979],
    [3, 0.0013499],
    [-1, 0.8413447],
  ] as const)
    it(`the upper tail beyond ${z} is ${q}`, () => {
      expect(upperTail(z)).to.be.closeTo(q, 2e-7);
    });

  it('a fall read with an error is the sum over all falls, by the trapezoidal rule', () => {
    for (const [mean, sigma] of [
      [12, 1],
      [4, 2],
      [35, 0.5],
    ] as const)
      for (const x of [3, 0, -1, -5, -20, -60]) {
        let sum = 0;
        const step = sigma / 40;
        for (let fall = step / 2; fall < 40 * mean; fall += step)
          sum += (step * Math.exp(-fall / mean) * normalAt(x + fall, sigma)) / mean;
        expect(fallAt(x, mean, sigma), `${mean} ${sigma} ${x}`).to.be.closeTo(
          sum,
          1e-3 * sum + 1e-7,
        );
      }
  });

  it('stays a number far from everything', () => {
    for (const x of [-5000, 5000]) expect(fallAt(x, 8, 0.5)).to.be.within(0, 1);
  });
});
