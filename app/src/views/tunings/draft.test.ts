import { FormatError } from '@rosefinch/core/errors';
import { ENGLISH_NOTES, findTuning } from '@rosefinch/core/music';
import { expect } from 'chai';
import {
  draftOf,
  notesText,
  rootOf,
  stepsText,
  tuningOf,
  withNotes,
  withPlayed,
  withSteps,
} from './draft.ts';

const STANDARD = findTuning('guitar-standard')!;
const draft = draftOf(STANDARD, STANDARD, 'own', 'Mine');

describe('a tuning that is being made', () => {
  it('begins as the one that it starts from', () => {
    expect(notesText(draft, ENGLISH_NOTES)).to.equal('E2 A2 D3 G3 B3 E4');
    expect(stepsText(draft)).to.equal('0 0 0 0 0 0');
    expect(tuningOf(draft).courses).to.deep.equal(STANDARD.courses);
  });

  it('takes notes, with the octave nearest to what the string has where none is given', () => {
    const open = withNotes(draft, 'D A D F# A D', 'english');
    expect(notesText(open, ENGLISH_NOTES)).to.equal('D2 A2 D3 F♯3 A3 D4');
    expect(stepsText(open)).to.equal('−2 0 0 −1 −2 −2');
  });

  it('takes steps from where it began', () => {
    const up = withSteps(draft, '-2 0 0 -1 -2 -2');
    expect(tuningOf(up).courses.map(([midi]) => midi)).to.deep.equal([62, 57, 54, 50, 45, 38]);
    expect(stepsText(withSteps(draft, '0 +2 +2 +1 0 0'))).to.equal('0 +2 +2 +1 0 0');
  });

  for (const wrong of ['', 'D A D', 'H A D G B E', 'D A D F# A D E'])
    it(`refuses “${wrong}” and stays as it was`, () => {
      expect(() => withNotes(draft, wrong, 'english')).to.throw(FormatError);
      expect(notesText(draft, ENGLISH_NOTES)).to.equal('E2 A2 D3 G3 B3 E4');
    });

  it('takes what was played, one string at a time, and forgets it where notes are typed', () => {
    const played = withPlayed(draft, 6, 38, -7.5);
    expect(notesText(played, ENGLISH_NOTES)).to.equal('D2 A2 D3 G3 B3 E4');
    expect(played.heard).to.deep.equal([0, 0, 0, 0, 0, -7.5]);
    expect(withNotes(played, 'D A D G B E', 'english').heard).to.deep.equal([0, 0, 0, 0, 0, 0]);
  });

  it('is spelt by its key unless it is said otherwise', () => {
    const minor = withNotes(draft, 'Eb Ab Db Gb Bb Eb', 'english');
    expect(tuningOf(minor).accidental).to.equal('flat');
    expect(tuningOf({ ...minor, spelling: 'sharp' }).accidental).to.equal('sharp');
  });

  it('keeps its name without the space around it, and no temper where it is equal', () => {
    expect(tuningOf({ ...draft, name: '  Mine ' })).to.include({ id: 'own', name: 'Mine' });
    expect(tuningOf(draft)).to.not.have.property('temper');
    const temper = { kind: 'pure', root: 2, share: 1 } as const;
    expect(tuningOf({ ...draft, temper }).temper).to.equal(temper);
  });

  it('builds a pure chord on the chord’s root, or on the lowest note', () => {
    expect(rootOf([62, 57, 54, 50, 45, 38])).to.equal(2);
    expect(rootOf([61, 47, 40])).to.equal(4);
  });
});
