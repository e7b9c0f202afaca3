import { expect } from 'chai';
import { beatInWords, pairInWords } from './pair.ts';

describe('a comparison of two strings', () => {
  it('is asked for and judged in words', () => {
    const check = { held: { course: 4, fret: 4 }, open: 3, octaves: 0 };
    expect(pairInWords(check).say).to.equal('Sound string 4 at fret 4 and open string 3 together.');
    expect(beatInWords({ kind: 'beat', hz: 1.83, cents: 16.1 }).say).to.equal(
      'They beat 1.8 times a second: about 16 cents apart.',
    );
    expect(beatInWords({ kind: 'beat', hz: 0.3, cents: 3 }).say).to.match(/^They agree/);
    expect(beatInWords({ kind: 'no beat', within: 0.7 }).more).to.equal('Closer than 1 cents.');
    expect(beatInWords({ kind: 'not heard' }).say).to.match(/Sound both again/);
  });
});
