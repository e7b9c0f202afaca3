import { expect } from 'chai';
import {
  bothNames,
  chordOf,
  findTuning,
  type NoteStyle,
  noteName,
  notesInWords,
  parseTuning,
  readNote,
} from './index.ts';

const ENGLISH: NoteStyle = { notes: 'english', signs: 'tuning' };
const GERMAN: NoteStyle = { ...ENGLISH, notes: 'german' };
const SYLLABLES: NoteStyle = { ...ENGLISH, notes: 'syllables' };

const scale = (from: 'sharp' | 'flat', style: NoteStyle) =>
  Array.from({ length: 12 }, (_, i) => noteName(60 + i, from, style).slice(0, -1)).join(' ');

// German and Romance names of notes: common practice, no source.
describe('names of notes', () => {
  it('are English unless asked for', () => {
    expect(scale('sharp', ENGLISH)).to.equal('C C♯ D D♯ E F F♯ G G♯ A A♯ B');
    expect(noteName(59)).to.equal('B3');
  });

  it('have H for B and B for B♭ in German', () => {
    expect(scale('sharp', GERMAN)).to.equal('C Cis D Dis E F Fis G Gis A Ais H');
    expect(scale('flat', GERMAN)).to.equal('C Des D Es E F Ges G As A B H');
    expect(notesInWords(findTuning('guitar-standard')!, GERMAN)).to.equal('E2 A2 D3 G3 H3 E4');
    expect(bothNames(58, 'sharp', GERMAN)).to.equal('Ais3 / B3');
  });

  it('can be syllables', () => {
    expect(scale('sharp', SYLLABLES)).to.equal('Do Do♯ Re Re♯ Mi Fa Fa♯ Sol Sol♯ La La♯ Si');
    expect(chordOf([50, 57, 65], 'sharp', SYLLABLES)!.name).to.equal('Rem');
  });

  it('always take the same sign where that is asked for', () => {
    const flats: NoteStyle = { ...ENGLISH, signs: 'flat' };
    const sharps: NoteStyle = { ...ENGLISH, signs: 'sharp' };
    expect(noteName(54, 'sharp', flats)).to.equal('G♭3');
    expect(noteName(58, 'flat', sharps)).to.equal('A♯3');
    expect(bothNames(58, 'flat', sharps)).to.equal('A♯3');
  });

  it('are read back as they were written, every note in every style', () => {
    for (const style of [ENGLISH, GERMAN, SYLLABLES])
      for (let midi = 23; midi < 96; midi++)
        for (const sign of ['sharp', 'flat'] as const) {
          const name = noteName(midi, sign, style);
          expect(readNote(name, style.notes).midi, name).to.equal(midi);
        }
  });

  it('are typed as they are written: B is B♭ to someone who writes H', () => {
    const near = findTuning('guitar-standard')!.courses.map(([midi]) => midi!);
    expect(parseTuning('e a d g b e', near)).to.deep.equal(near);
    expect(parseTuning('e a d g h e', near, 'german')).to.deep.equal(near);
    expect(readNote('B', 'german').pitchClass).to.equal(10);
    expect(readNote('Fis3', 'german').midi).to.equal(54);
    // With a sign, every style understands it.
    expect(readNote('F#3', 'german').midi).to.equal(54);
    expect(parseTuning('mi la re sol si mi', near, 'syllables')).to.deep.equal(near);
    expect(readNote('RÉ', 'syllables').pitchClass).to.equal(2);
    expect(readNote('B3', 'syllables').midi).to.equal(59);
  });
});
