import { expect } from 'chai';
import fc from 'fast-check';
import { FormatError } from '../errors.ts';
import {
  accidentalFor,
  findTuning,
  midiToHz,
  notesInWords,
  offsetsOf,
  parseSteps,
  parseTuning,
  TUNINGS,
  targetsOf,
} from './index.ts';

const STANDARD = findTuning('guitar-standard')!.courses.map(([midi]) => midi!);
const OPEN_D = findTuning('guitar-open-d')!.courses.map(([midi]) => midi!);

describe('a tuning of the teacher’s own', () => {
  it('is read from notes with and without octaves, the thickest string first', () => {
    expect(parseTuning('D2 A2 D3 F#3 A3 D4', STANDARD)).to.deep.equal(OPEN_D);
    expect(parseTuning('d a d f# a d', STANDARD)).to.deep.equal(OPEN_D);
    expect(parseTuning('D, A, D, G♭, A, D', STANDARD)).to.deep.equal(OPEN_D);
    // A re-entrant string keeps its octave: G4 lies above C4.
    const ukulele = findTuning('ukulele-standard')!.courses.map(([midi]) => midi!);
    expect(parseTuning('g c e g', ukulele)).to.deep.equal([67, 64, 60, 67]);
  });

  it('is read from steps', () => {
    expect(parseSteps('-2 0 0 −1 -2 -2', STANDARD)).to.deep.equal(OPEN_D);
    expect(parseSteps('0 0 0 0 0 +12', STANDARD)[0]).to.equal(76);
  });

  it('says which word is wrong, and how many are wanted', () => {
    expect(() => parseTuning('D A H G A D', STANDARD)).to.throw(FormatError, /problems\.noNote.*H/);
    expect(() => parseTuning('D A D G A', STANDARD)).to.throw(FormatError, 'problems.wantedEach');
    expect(() => parseSteps('-2 0 x -1 -2 -2', STANDARD)).to.throw(FormatError, '"word":"x"');
    expect(() => parseSteps('', STANDARD)).to.throw(FormatError, '"given":0');
  });

  it('reads back every tuning of the catalogue from its own words', () => {
    for (const tuning of TUNINGS) {
      const notes = tuning.courses.map(([midi]) => midi!);
      expect(parseTuning(notesInWords(tuning), notes)).to.deep.equal(notes);
    }
  });

  it('a note without octave never strays further than a tritone from the string', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: 80 }),
        fc.constantFrom(...'CDEFGAB'),
        (home, letter) => {
          const [note] = parseTuning(letter, [home]);
          expect(Math.abs(note! - home)).to.be.at.most(6);
        },
      ),
      { seed: 9 },
    );
  });

  // Keys with flats in their signature: F, B♭, E♭, A♭, D♭ and D, G, C, F, B♭, E♭ minor; circle of fifths.
  it('is spelt as the key of its chord is written', () => {
    const spelling = (text: string) => accidentalFor(parseTuning(text, STANDARD));
    expect(spelling('D2 A2 D3 F#3 A3 D4')).to.equal('sharp');
    expect(spelling('D2 A2 D3 F3 A3 D4')).to.equal('flat');
    expect(spelling('F2 A2 C3 F3 C4 F4')).to.equal('flat');
    expect(spelling('E2 B2 E3 G3 B3 E4')).to.equal('sharp');
    expect(spelling('D2 A2 D3 F#3 A3 C#4')).to.equal('sharp');
  });
});

describe('how open strings are set', () => {
  it('equal temperament leaves them alone, a pure chord moves third and fifth', () => {
    expect(offsetsOf(OPEN_D)).to.deep.equal([0, 0, 0, 0, 0, 0]);
    const pure = offsetsOf(OPEN_D, { kind: 'pure', root: 2, share: 1 });
    // 5:4 is 386.314 cents, 3:2 is 701.955: 13.686 below and 1.955 above equal.
    expect(pure[2]).to.be.closeTo(-13.686, 0.001);
    expect(pure[1]).to.be.closeTo(1.955, 0.001);
    expect(pure[0]).to.equal(0);
    const half = offsetsOf(OPEN_D, { kind: 'pure', root: 2, share: 0.5 });
    expect(half[2]).to.be.closeTo(-6.843, 0.001);
  });

  it('offsets and capo are part of the target', () => {
    const tuning = {
      ...findTuning('guitar-open-d')!,
      temper: { kind: 'own', offsets: [0, 0, -7, 0, 0, 3] } as const,
    };
    const targets = targetsOf(tuning, 442, 2);
    expect(targets[0]!.midi).to.equal(64);
    expect(targets[0]!.hz).to.be.closeTo(midiToHz(64, 442), 1e-9);
    expect(targets[2]!.hz).to.be.closeTo(midiToHz(56, 442) * 2 ** (-7 / 1200), 1e-9);
  });
});
