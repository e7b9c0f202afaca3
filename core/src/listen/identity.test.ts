import { expect } from 'chai';
import { findTuning, midiToHz, parseNote, shiftHz, targetsOf } from '../music/index.ts';
import { identify } from './index.ts';

const strings = targetsOf(findTuning('guitar-standard')!, 440).map((target) => ({ target }));
const at = (note: string, cents = 0) => shiftHz(midiToHz(parseNote(note)), cents);

describe('which string', () => {
  it('takes the nearest target, octave and all', () => {
    expect(identify(at('E2', -40), strings)).to.deep.equal({ kind: 'known', course: 6 });
    expect(identify(at('E4', 30), strings)).to.deep.equal({ kind: 'known', course: 1 });
  });

  it('follows a string that was last heard far off', () => {
    const slack = strings.map((s) => (s.target.course === 5 ? { ...s, lastHz: at('G2') } : s));
    expect(identify(at('G2', 15), slack)).to.deep.equal({ kind: 'known', course: 5 });
  });

  it('names both strings when two are within reach', () => {
    // 250 cents above E2 and 250 below A2.
    const identity = identify(at('E2', 250), strings);
    expect(identity).to.deep.equal({ kind: 'doubt', courses: [6, 5] });
  });

  it('knows no string two octaves away', () => {
    expect(identify(20, strings)).to.deep.equal({ kind: 'none' });
  });
});
