import { expect } from 'chai';
import { message } from '../message.ts';
import { beatInWords, pairInWords } from './pair.ts';

describe('a comparison of two strings', () => {
  it('is asked for and judged in words', () => {
    const check = { held: { course: 4, fret: 4 }, open: 3, octaves: 0 };
    expect(pairInWords(check).say).to.deep.equal(
      message('advice.pair', { fret: 4, held: 4, open: 3 }),
    );
    expect(beatInWords({ kind: 'beat', hz: 1.83, cents: 16.1 }).say).to.deep.equal(
      message('advice.beat', { beats: 1.83, cents: 16.1 }),
    );
    expect(beatInWords({ kind: 'beat', hz: 0.3, cents: 3 }).say).to.deep.equal(
      message('advice.slowBeat'),
    );
    expect(beatInWords({ kind: 'no beat', within: 0.7 }).more).to.deep.equal(
      message('advice.noBeat.more', { cents: 1 }),
    );
    expect(beatInWords({ kind: 'not heard' }).say).to.deep.equal(message('advice.beatNotHeard'));
  });
});
