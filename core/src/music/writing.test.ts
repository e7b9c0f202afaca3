import { expect } from 'chai';
import { counted, forceInWords, signedCents } from '../words/index.ts';
import { fixed, lengthInWords, type Writing, writeAs, written } from '../writing.ts';
import {
  accidentalFor,
  bothNames,
  chordOf,
  findTuning,
  findTunings,
  noteName,
  notesInWords,
  parseTuning,
  readNote,
  TUNINGS,
} from './index.ts';

const reading = <T>(writing: Partial<Writing>, what: () => T): T => {
  writeAs(writing);
  try {
    return what();
  } finally {
    writeAs({});
  }
};
const scale = (from: 'sharp' | 'flat') =>
  Array.from({ length: 12 }, (_, i) => noteName(60 + i, from).slice(0, -1)).join(' ');

// German and Romance names of notes: common practice, no source.
describe('notes as the reader writes them', () => {
  it('in English unless asked for', () => {
    expect(scale('sharp')).to.equal('C C♯ D D♯ E F F♯ G G♯ A A♯ B');
    expect(noteName(59)).to.equal('B3');
  });

  it('with H for B and B for B♭', () =>
    reading({ notes: 'german' }, () => {
      expect(scale('sharp')).to.equal('C Cis D Dis E F Fis G Gis A Ais H');
      expect(scale('flat')).to.equal('C Des D Es E F Ges G As A B H');
      expect(notesInWords(findTuning('guitar-standard')!)).to.equal('E2 A2 D3 G3 H3 E4');
      expect(bothNames(58)).to.equal('Ais3 / B3');
    }));

  it('as syllables', () =>
    reading({ notes: 'syllables' }, () => {
      expect(scale('sharp')).to.equal('Do Do♯ Re Re♯ Mi Fa Fa♯ Sol Sol♯ La La♯ Si');
      expect(chordOf([50, 57, 65])!.name).to.equal('Rem');
    }));

  it('with one sign always, where it is asked for', () => {
    reading({ signs: 'flat' }, () => expect(noteName(54, 'sharp')).to.equal('G♭3'));
    reading({ signs: 'sharp' }, () => {
      expect(noteName(58, 'flat')).to.equal('A♯3');
      expect(bothNames(58, 'flat')).to.equal('A♯3');
    });
  });

  it('what is written is read back, every note of every manner', () => {
    for (const notes of ['english', 'german', 'syllables'] as const)
      reading({ notes }, () => {
        for (let midi = 23; midi < 96; midi++)
          for (const sign of ['sharp', 'flat'] as const)
            expect(readNote(noteName(midi, sign)).midi, noteName(midi, sign)).to.equal(midi);
      });
  });

  it('typed as it is written: B is B♭ to whoever writes H', () => {
    const near = findTuning('guitar-standard')!.courses.map(([midi]) => midi!);
    expect(parseTuning('e a d g b e', near)).to.deep.equal(near);
    reading({ notes: 'german' }, () => {
      expect(parseTuning('e a d g h e', near)).to.deep.equal(near);
      expect(readNote('B').pitchClass).to.equal(10);
      expect(readNote('Fis3').midi).to.equal(54);
      // With a sign it is understood by all.
      expect(readNote('F#3').midi).to.equal(54);
    });
    reading({ notes: 'syllables' }, () => {
      expect(parseTuning('mi la re sol si mi', near)).to.deep.equal(near);
      expect(readNote('RÉ').pitchClass).to.equal(2);
      expect(readNote('B3').midi).to.equal(59);
    });
  });

  it('the same tunings are found, and the same chords are named, whatever notes are called', () => {
    const plain = findTunings('d a d g a d').map(({ id }) => id);
    const signs = TUNINGS.map(({ courses }) => accidentalFor(courses.flat()));
    for (const [notes, query] of [
      ['german', 'd a d g a d'],
      ['syllables', 're la re sol la re'],
    ] as const)
      reading({ notes }, () => {
        expect(findTunings(query).map(({ id }) => id)).to.deep.equal(plain);
        expect(TUNINGS.map(({ courses }) => accidentalFor(courses.flat()))).to.deep.equal(signs);
      });
    reading({ notes: 'german' }, () =>
      expect(findTunings('gis h e').map(({ id }) => id)).to.include('guitar-open-e'),
    );
  });
});

describe('numbers as the reader writes them', () => {
  it('with a comma where it is asked for', () =>
    reading({ decimal: ',' }, () => {
      expect(fixed(2.346, 2)).to.equal('2,35');
      expect(signedCents(-2.44)).to.equal('−2,4');
      expect(signedCents(0.01)).to.equal('±0,0');
      expect(counted(1.5, 'hour')).to.equal('1,5 hours');
      expect(written(440.5)).to.equal('440,5');
    }));

  // 1 inch is 25.4 mm, 1 lbf 4.4482216152605 N, 1 kgf 9.80665 N: exact (NIST SP 811, appendix B).
  it('in inches, pounds and kilograms', () => {
    reading({ length: 'inch' }, () => {
      expect(lengthInWords(648, 0)).to.equal('25.5 in');
      expect(lengthInWords(0.4, 1)).to.equal('0.02 in');
    });
    expect(lengthInWords(648, 0)).to.equal('648 mm');
    expect(forceInWords(44.482, 'lbf')).to.equal('10.0 lbf');
    expect(forceInWords(98.0665, 'kgf')).to.equal('10.0 kgf');
  });
});
