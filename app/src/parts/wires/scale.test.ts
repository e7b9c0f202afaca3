import { message } from '@rosefinch/core/message';
import { deviationInWords } from '@rosefinch/core/sentences';
import { expect } from 'chai';
import { wireHeight } from './scale.ts';

describe('the wire’s scale', () => {
  it('is linear within ten cents, logarithmic to a hundred, and held beyond', () => {
    expect(wireHeight(0)).to.equal(0);
    expect(wireHeight(5)).to.equal(0.25);
    expect(wireHeight(10)).to.equal(0.5);
    expect(wireHeight(Math.sqrt(10) * 10)).to.be.closeTo(0.75, 1e-9);
    expect(wireHeight(-100)).to.equal(-1);
    expect(wireHeight(700)).to.equal(1);
  });

  it('says low and high in words', () => {
    expect(deviationInWords(-5, 2)).to.deep.equal(message('common.deviation', { side: 'low' }));
    expect(deviationInWords(5, 2)).to.deep.equal(message('common.deviation', { side: 'high' }));
    expect(deviationInWords(-1.9, 2)).to.deep.equal(
      message('common.deviation', { side: 'inTune' }),
    );
  });
});
