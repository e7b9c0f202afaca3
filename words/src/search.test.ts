import { accidentalFor, findTunings, type NoteStyle, TUNINGS } from '@rosefinch/core/music';
import { expect } from 'chai';
import { inEnglish } from './english.ts';

const GERMAN: NoteStyle = { notes: 'german', signs: 'tuning' };
const SYLLABLES: NoteStyle = { notes: 'syllables', signs: 'tuning' };

describe('searching tunings', () => {
  const ids = (query: string) => findTunings(query, inEnglish.value).map((tuning) => tuning.id);

  it('goes by name, other names, kind, chord and notes', () => {
    expect(ids('guitar open d')).to.include.members(['guitar-open-d', 'guitar-open-d-minor']);
    expect(ids('mountain')).to.deep.equal(['banjo-sawmill']);
    // One tuning under several names.
    expect(ids('vestapol')).to.deep.equal(['guitar-open-d']);
    expect(ids('taro patch')).to.deep.equal(['guitar-open-g']);
    expect(ids('spanish')).to.deep.equal(['guitar-open-g']);
    expect(ids('chicago')).to.deep.equal(['banjo-plectrum-guitar']);
    expect(ids('d a d g a d')).to.deep.equal(['guitar-dadgad']);
    expect(ids('eb2 ab2')).to.deep.equal(['guitar-half-step-down']);
    expect(ids('C6')).to.include('ukulele-standard');
    expect(ids('nothing like it')).to.deep.equal([]);
    expect(ids('').length).to.equal(TUNINGS.length);
  });

  it('finds the same in every style of note names', () => {
    const plain = findTunings('d a d g a d', inEnglish.value).map(({ id }) => id);
    const ids = (query: string, style: NoteStyle) =>
      findTunings(query, inEnglish.value, TUNINGS, style).map(({ id }) => id);
    expect(ids('d a d g a d', GERMAN)).to.deep.equal(plain);
    expect(ids('re la re sol la re', SYLLABLES)).to.deep.equal(plain);
    expect(ids('gis h e', GERMAN)).to.include('guitar-open-e');
    expect(TUNINGS.map(({ courses }) => accidentalFor(courses.flat()))).to.not.include(undefined);
  });
});
