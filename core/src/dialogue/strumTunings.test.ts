import { expect } from 'chai';
import { findTuning, TUNINGS, targetsOf } from '../music/index.ts';
import { findModel, steelGuitar } from '../strings/index.ts';
import { strumTunings } from './strumTunings.ts';

const STANDARD = findTuning('guitar-standard')!;
const USUAL = { a4: 440, capo: 0 };

describe('what a strum may be instead', () => {
  const guitar = strumTunings(steelGuitar('g', 'G'), STANDARD, TUNINGS, USUAL);
  const named = (id: string) => guitar.find((one) => one.id === id);

  it('is every tuning of as many strings, its own first', () => {
    expect(guitar[0]!.id).to.equal(STANDARD.id);
    expect(named('guitar-open-g')).to.not.equal(undefined);
    for (const one of guitar.slice(0, 10)) expect(one.hz.length).to.equal(6);
    const ukulele = findModel('ukulele-soprano')!.build('u', 'U');
    const own = findTuning(ukulele.tuningId)!;
    const others = strumTunings(ukulele, own, TUNINGS, USUAL);
    for (const { hz } of others) expect(hz.length).to.be.within(3, 4);
  });

  it('is a capo that was left on, a semitone for each fret from where it is now', () => {
    const open = targetsOf(STANDARD, 440).map(({ hz }) => hz);
    const second = named('capo 2')!;
    second.hz.forEach((hz, i) => expect(hz / open[i]!).to.be.closeTo(2 ** (2 / 12), 1e-9));
    const capoed = strumTunings(steelGuitar('g', 'G'), STANDARD, [], { a4: 440, capo: 2 });
    expect(capoed.some(({ id }) => id === 'capo 3')).to.equal(true);
    expect(capoed.some(({ id }) => id === 'capo 2')).to.equal(false);
  });

  it('is a chord held by habit, without the strings that the hand leaves out', () => {
    // C as everybody holds it, x32010: C3 E3 G3 C4 E4 (common practice, no source).
    const chord = named('chord C')!;
    const midi = chord.hz.map((hz) => Math.round(69 + 12 * Math.log2(hz / 440)));
    expect(midi).to.deep.equal([64, 60, 55, 52, 48]);
    // A banjo's open strings are a chord of G by themselves.
    const banjo = findModel('banjo-five')!.build('b', 'B');
    const own = findTuning(banjo.tuningId)!;
    const ids = strumTunings(banjo, own, [], USUAL).map(({ id }) => id);
    expect(ids.includes('chord G')).to.equal(false);
    expect(ids.includes('chord C')).to.equal(true);
  });

  it('of an instrument in pairs is none: its strings share their partials', () => {
    const twelve = findModel('twelve-guitar')!.build('t', 'T');
    const own = findTuning(twelve.tuningId)!;
    expect(strumTunings(twelve, own, TUNINGS, USUAL)).to.deep.equal([]);
  });
});
