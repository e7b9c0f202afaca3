import { GUIDE } from '@rosefinch/core/sentences';
import { expect } from 'chai';
import { inEnglish } from './english.ts';

describe('the guide in English', () => {
  it('has short lines', () => {
    for (const { lines } of GUIDE)
      for (const line of lines) expect(inEnglish(line).length, line.id).to.be.below(170);
  });
});

// What the guide says in figures, worked out again.
describe('figures of the guide', () => {
  const all = GUIDE.flatMap(({ lines }) => lines);

  it('one beat a second at A2 is 16 cents, at A4 four', () => {
    const cents = (hz: number) => 1200 * Math.log2((hz + 1) / hz);
    expect(Math.round(cents(110))).to.equal(16);
    expect(Math.round(cents(440))).to.equal(4);
    const said = all.filter(({ id }) => id === 'guide.beats.3').map((line) => inEnglish(line));
    expect(said[0])
      .to.match(/\b16\b/)
      .and.match(/\b4\b/);
  });

  it('a pure third is 14 cents narrower than a fret’s, three pure fourths are 6 narrow', () => {
    expect(Math.round(400 - 1200 * Math.log2(5 / 4))).to.equal(14);
    expect(Math.round(3 * (500 - 1200 * Math.log2(4 / 3)))).to.equal(6);
  });
});
