import { expect } from 'chai';
import fc from 'fast-check';
import { median, select } from './select.ts';

const values = fc.array(fc.integer({ min: -20, max: 20 }), { minLength: 1, maxLength: 40 });

describe('selection', () => {
  it('finds what sorting finds, repeated values included', () => {
    fc.assert(
      fc.property(values, fc.nat(), (list, at) => {
        const n = at % list.length;
        const sorted = [...list].sort((a, b) => a - b);
        expect(select(Float64Array.from(list), list.length, n)).to.equal(sorted[n]);
      }),
      { seed: 3 },
    );
  });

  it('takes the mean of the two middle values of an even number', () => {
    expect(median(Float64Array.of(4, 1, 3, 2, 99), 4)).to.equal(2.5);
    expect(median(Float64Array.of(5, 1, 3), 3)).to.equal(3);
  });
});
