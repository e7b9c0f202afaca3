import { expect } from 'chai';
import { message } from '../message.ts';
import { findTuning, inPairs, noteName, PAIRINGS, pairingOf, tuningsFor } from './index.ts';
import { stringsOfPairing } from './pairs.ts';

const notes = (id: string) =>
  findTuning(id)!
    .courses.map(([midi]) => noteName(midi!))
    .join(' ');

// Which courses have an octave beside them is common practice, no source.
describe('instruments in pairs', () => {
  it('twelve strings: unisons on the upper two courses, octaves on the lower four', () => {
    expect(notes('guitar-standard-strings-twelve')).to.equal('E4 E4 B3 B3 G3 G4 D3 D4 A2 A3 E2 E3');
    expect(notes('guitar-open-g-strings-twelve')).to.equal('D4 D4 B3 B3 G3 G4 D3 D4 G2 G3 D2 D3');
  });

  it('eight and six strings of a ukulele; a re-entrant course has its octave below', () => {
    expect(notes('ukulele-standard-strings-eight')).to.equal('A4 A4 E4 E4 C4 C5 G4 G3');
    expect(notes('ukulele-low-g-strings-eight')).to.equal('A4 A4 E4 E4 C4 C5 G3 G4');
    expect(notes('ukulele-standard-strings-six')).to.equal('A4 A3 E4 C4 C5 G4');
  });

  it('every tuning of the courses serves, named by its strings', () => {
    const twelve = tuningsFor('guitar', 12);
    expect(twelve.length).to.equal(tuningsFor('guitar', 6).length);
    expect(twelve.map(({ name }) => name)).to.deep.include(
      message('names.inPairs', {
        tuning: message('names.guitarOpenD'),
        pairing: message('names.twelveStrings'),
      }),
    );
    for (const { id } of twelve) expect(findTuning(id)!.id).to.equal(id);
    expect(tuningsFor('ukulele', 4).every(({ courses }) => courses.length === 4)).to.equal(true);
  });

  it('offsets of a tuning go to both strings of a pair', () => {
    const offsets = [0, -3, -14, 0, 2, 0];
    const own = { ...findTuning('guitar-open-d')!, temper: { kind: 'own' as const, offsets } };
    expect(inPairs(own, PAIRINGS[0]!).temper).to.deep.equal({
      kind: 'own',
      offsets: offsets.flatMap((cents) => [cents, cents]),
    });
  });

  it('a string knows its course, and what it is to the other one', () => {
    const strings = stringsOfPairing(pairingOf('guitar', 12)!);
    expect(strings[7]).to.deep.equal({ course: 4, member: 2, of: 2, beside: 'higher' });
    expect(strings[0]).to.deep.equal({ course: 1, member: 1, of: 2, beside: 'same' });
    expect(pairingOf('guitar', 6)).to.equal(undefined);
    expect(findTuning('guitar-nowhere-strings-twelve')).to.equal(undefined);
    expect(findTuning('guitar-standard-strings-many')).to.equal(undefined);
  });
});
