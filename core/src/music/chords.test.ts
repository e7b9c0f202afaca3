import { expect } from 'chai';
import { chordOf } from './chords.ts';
import { pureOffsets } from './index.ts';

/** Every chord that is named, by its notes above C3 as a chord book has them: common practice, no source. */
const CHORDS: readonly (readonly [name: string, notes: readonly number[]])[] = [
  ['C5', [48, 55]],
  ['C', [48, 52, 55]],
  ['Cm', [48, 51, 55]],
  ['Csus4', [48, 53, 55]],
  ['Csus2', [48, 50, 55]],
  ['C7', [48, 52, 55, 58]],
  ['Cmaj7', [48, 52, 55, 59]],
  ['Cm7', [48, 51, 55, 58]],
  ['C6', [48, 52, 55, 57]],
  ['Cm6', [48, 51, 55, 57]],
  ['Cadd9', [48, 50, 52, 55]],
  ['Cm add9', [48, 50, 51, 55]],
  ['C7sus4', [48, 53, 55, 58]],
  ['Csus2 sus4', [48, 50, 53, 55]],
  ['C9', [48, 50, 52, 55, 58]],
  ['C6/9', [48, 50, 52, 55, 57]],
  ['Cm7 add11', [48, 51, 53, 55, 58]],
  ['C7sus4 add9', [48, 50, 53, 55, 58]],
  ['Cmaj9', [48, 50, 52, 55, 59]],
];

describe('chords by their notes', () => {
  for (const [name, notes] of CHORDS)
    it(name, () => {
      expect(chordOf(notes)).to.include({ name, root: 0 });
      // On every other note, and in any octave.
      for (let up = 1; up < 12; up++)
        expect(chordOf(notes.map((note, i) => note + up + 12 * (i % 2)))?.root).to.equal(up);
      // One note changed and it is another chord, or none.
      const other = notes.map((note, i) => (i === notes.length - 1 ? note + 1 : note));
      expect(chordOf(other)?.name).to.not.equal(name);
    });

  it('the lowest note is the root where it can be', () => {
    // C E G A is C6 over C, and A minor seventh over A: common practice, no source.
    expect(chordOf([48, 52, 55, 57])?.name).to.equal('C6');
    expect(chordOf([45, 48, 52, 55])?.name).to.equal('Am7');
  });

  it('names nothing that is none', () => {
    expect(chordOf([48, 49, 50])).to.equal(null);
  });
});

describe('pure intervals', () => {
  // Cents of just ratios as acoustics handbooks print them (16/15 111.731, 9/8 203.910, 6/5 315.641, 5/4 386.314, 4/3 498.045,
  // 45/32 590.224, 3/2 701.955, 8/5 813.686, 5/3 884.359, 9/5 1017.596, 15/8 1088.269): Helmholtz, On the Sensations of Tone, appendix XX.
  const CENTS = [
    0, 111.731, 203.91, 315.641, 386.314, 498.045, 590.224, 701.955, 813.686, 884.359, 1017.596,
    1088.269,
  ];
  for (const [steps, cents] of CENTS.entries())
    it(`${steps} semitones above the root are ${cents} cents`, () => {
      const [offset] = pureOffsets([60 + steps], 0, 1);
      expect(100 * steps + offset!).to.be.closeTo(cents, 1e-3);
      expect(pureOffsets([60 + steps], 0, 0.5)[0]).to.be.closeTo(offset! / 2, 1e-9);
    });
});
