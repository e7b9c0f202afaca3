import { expect } from 'chai';
import { strumInWords } from './strum.ts';

describe('the words of a strum', () => {
  it('name the strings that are off, and with which one to begin', () => {
    expect(
      strumInWords({
        right: [6, 4, 3, 1],
        off: [
          { course: 5, cents: -12.3 },
          { course: 2, cents: 4 },
        ],
        alone: [],
        like: [],
      }),
    ).to.deep.equal({
      say: 'Strings 2 and 5 are off; the rest is right.',
      more: 'Begin with string 5: 12.3 cents low.',
    });
    const one = strumInWords({
      right: [1, 2, 3],
      off: [{ course: 4, cents: 130 }],
      alone: [],
      like: [],
    });
    expect(one.say).to.equal('String 4 is off; the rest is right.');
    expect(one.more).to.equal('Begin with string 4: 1 semitone and 30.0 cents high.');
    const off = [4, 3, 2].map((course) => ({ course, cents: 5 }));
    expect(strumInWords({ right: [], off, alone: [], like: [] }).say).to.equal(
      'All strings are off.',
    );
    expect(strumInWords({ right: [], off, alone: [1], like: [] }).say).to.equal(
      'Strings 2, 3 and 4 are off.',
    );
  });

  it('ask for what did not come through, alone, before anything else', () => {
    expect(strumInWords({ right: [1, 2], off: [], alone: [4, 3], like: [] })).to.deep.equal({
      say: 'What came through is right.',
      more: 'Pluck strings 3 and 4 alone.',
    });
    const { more } = strumInWords({
      right: [1],
      off: [{ course: 2, cents: 9 }],
      alone: [3],
      like: [],
    });
    expect(more).to.equal('Pluck string 3 alone.');
    expect(strumInWords({ right: [], off: [], alone: [1, 2], like: [] }).say).to.equal(
      'No string came through.',
    );
    expect(strumInWords({ right: [1, 2], off: [], alone: [], like: [] }).say).to.equal(
      'All strings are right.',
    );
  });
});
