import { expect } from 'chai';
import { RangeMisuse } from '../errors.ts';
import { akaike, decibels, median, nth, nth64 } from './index.ts';

describe('what must be there', () => {
  it('is read by number', () => {
    expect(nth(['a', 'b'], 1)).to.equal('b');
    expect(nth64(Float64Array.of(1, 2), 0)).to.equal(1);
  });

  it('and is told where it is not', () => {
    expect(() => nth([], 0)).to.throw(RangeMisuse, 'there is no element 0 in a list of 0');
    expect(() => nth64(Float64Array.of(1), 1)).to.throw(RangeMisuse, 'no element 1 in a list of 1');
    expect(() => nth([1], -1)).to.throw(RangeMisuse);
  });
});

describe('decibels', () => {
  it('are twenty to a tenfold amplitude', () => {
    expect(decibels(1)).to.equal(0);
    expect(decibels(0.1)).to.be.closeTo(-20, 1e-12);
    expect(decibels(2)).to.be.closeTo(6.0206, 1e-4);
  });

  it('have an end in silence', () => {
    expect(decibels(0)).to.be.closeTo(-180, 1e-9);
    expect(decibels(1e-10)).to.be.closeTo(-180, 1e-9);
  });
});

describe('the median', () => {
  it('is the middle, or the mean of the two in the middle', () => {
    expect(median([9, 1, 5])).to.equal(5);
    expect(median([9, 1, 5, 2])).to.equal(3.5);
  });

  it('of nothing is no number', () => {
    expect(() => median([])).to.throw(RangeMisuse, 'a median of nothing');
  });
});

describe('Akaike’s criterion for few readings', () => {
  // Burnham and Anderson, Model Selection and Multimodel Inference, eq. 2.15: AICc = AIC + 2K(K + 1)/(n − K − 1).
  it('adds what few readings cost', () => {
    expect(akaike(10, 3, 20)).to.be.closeTo(10 + 6 + 24 / 16, 1e-12);
  });

  it('is infinite where readings do not suffice', () => {
    expect(akaike(10, 3, 4)).to.equal(Number.POSITIVE_INFINITY);
    expect(akaike(10, 3, 5)).to.equal(10 + 6 + 24);
  });
});
