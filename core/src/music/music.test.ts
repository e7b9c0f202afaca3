import { expect } from 'chai';
import fc from 'fast-check';
import { FormatError, RangeMisuse } from '../errors.ts';
import {
  bothNames,
  centsBetween,
  findTuning,
  hzToMidi,
  midiToHz,
  nearestNote,
  noteName,
  notesToPass,
  parseNote,
  shiftHz,
  targetsOf,
} from './index.ts';

describe('equal temperament', () => {
  // ISO 16:1975 (A4 = 440 Hz) with the note numbers of the MIDI 1.0 tuning standard.
  const TABLE: readonly (readonly [string, number, number])[] = [
    ['E2', 40, 82.4069],
    ['A2', 45, 110.0],
    ['D3', 50, 146.8324],
    ['G3', 55, 195.9977],
    ['B3', 59, 246.9417],
    ['C4', 60, 261.6256],
    ['E4', 64, 329.6276],
    ['G4', 67, 391.9954],
    ['A4', 69, 440.0],
  ];
  for (const [name, midi, hz] of TABLE)
    it(`${name} is note ${midi} at ${hz} Hz`, () => {
      expect(parseNote(name)).to.equal(midi);
      expect(noteName(midi)).to.equal(name);
      expect(midiToHz(midi)).to.be.closeTo(hz, 5e-5);
    });

  it('scales with A4 and refuses an A4 outside 400–480', () => {
    expect(midiToHz(57, 432)).to.be.closeTo(216, 1e-9);
    expect(() => midiToHz(69, 399)).to.throw(RangeMisuse, '400 and 480; got 399');
    expect(() => midiToHz(69, Number.NaN)).to.throw(RangeMisuse);
  });

  it('goes to and from note numbers without loss', () => {
    fc.assert(
      fc.property(fc.double({ min: 20, max: 100, noNaN: true }), (midi) => {
        expect(hzToMidi(midiToHz(midi))).to.be.closeTo(midi, 1e-9);
      }),
    );
  });

  it('measures cents, an octave being 1200', () => {
    expect(centsBetween(110, 220)).to.equal(1200);
    expect(centsBetween(440, shiftHz(440, -13.7))).to.be.closeTo(-13.7, 1e-9);
  });
});

describe('note names', () => {
  it('names black keys both ways', () => {
    expect(bothNames(54)).to.equal('F♯3 / G♭3');
    expect(bothNames(54, 'flat')).to.equal('G♭3 / F♯3');
    expect(bothNames(55)).to.equal('G3');
  });

  it('reads what it writes', () => {
    for (let midi = 12; midi < 120; midi++)
      for (const accidental of ['sharp', 'flat'] as const)
        expect(parseNote(noteName(midi, accidental))).to.equal(midi);
  });

  it('accepts plain signs and refuses what is no note', () => {
    expect(parseNote(' bb3 ')).to.equal(58);
    expect(parseNote('Cb4')).to.equal(59);
    for (const bad of ['', 'H2', 'E', 'E##2', '2E'])
      expect(() => parseNote(bad)).to.throw(FormatError);
  });

  it('finds the nearest note with its octave', () => {
    const { midi, cents } = nearestNote(shiftHz(midiToHz(50), 37));
    expect(noteName(midi)).to.equal('D3');
    expect(cents).to.be.closeTo(37, 1e-9);
  });

  it('lists the notes still to pass, the target last', () => {
    const names = (from: string, shift: number, to: string) =>
      notesToPass(shiftHz(midiToHz(parseNote(from)), shift), parseNote(to)).map((m) => noteName(m));
    expect(names('E3', -20, 'G3')).to.deep.equal(['F3', 'F♯3', 'G3']);
    expect(names('A3', 10, 'G3')).to.deep.equal(['G♯3', 'G3']);
    expect(names('E2', -90, 'E2')).to.deep.equal(['E2']);
  });
});

describe('tunings', () => {
  it('standard guitar: course 1 is E4, course 6 is E2', () => {
    const targets = targetsOf(findTuning('guitar-standard')!, 440);
    expect(targets.map((t) => noteName(t.midi))).to.deep.equal([
      'E4',
      'B3',
      'G3',
      'D3',
      'A2',
      'E2',
    ]);
    expect(targets[5]!.hz).to.be.closeTo(82.4069, 5e-5);
  });
});
