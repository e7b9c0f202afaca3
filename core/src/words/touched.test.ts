import { expect } from 'chai';
import { touchedInWords } from './touched.ts';

describe('a string that did not sound open', () => {
  it('is named with what can be known, and the way out', () => {
    expect(touchedInWords({ course: 6, node: 2 })).to.deep.equal({
      say: 'String 6, an octave up. Pluck it open.',
      more: 'That was a harmonic or a note at fret 12: it is not counted. If the string really stands there, press its number first.',
    });
    expect(touchedInWords({ course: 3, node: 3 }).say).to.contain('an octave and a fifth up');
    expect(touchedInWords({ course: 3, node: 4 }).more).to.contain('fret 5');
  });
});
