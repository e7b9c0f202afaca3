import { expect } from 'chai';
import { woundBy } from './windings.ts';

describe('strings wound up from slack, by a generator of its own', () => {
  it('are followed without another note, whatever string, hand, slot and room', () => {
    // Seeds beside those of the figures: every third string of the four instruments.
    const wound = Array.from({ length: 7 }, (_, i) => woundBy(9001 + 3 * i));
    const errors = wound.flatMap((one) => one.errors).map(Math.abs);
    expect(errors.length).to.be.above(500);
    expect(Math.max(...errors)).to.be.below(300);
    expect(errors.filter((error) => error <= 50).length / errors.length).to.be.above(0.95);
    for (const { covered, endangered } of wound) {
      expect(covered).to.be.above(0.3);
      expect(endangered).to.equal(0);
    }
  });
});
