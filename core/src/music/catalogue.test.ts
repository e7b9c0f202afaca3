import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { runInNewContext } from 'node:vm';
import { expect } from 'chai';
import { chordOf } from './chords.ts';
import {
  findTuning,
  midiToHz,
  noteName,
  openChord,
  pureOffsets,
  TUNINGS,
  targetsOf,
} from './index.ts';

/** The package's modules point at files that it does not ship; its bundle for browsers is whole. */
const tonal: { Chord: { detect: (notes: string[]) => string[] } } = runInNewContext(
  `${readFileSync(createRequire(import.meta.url).resolve('tonal/browser/tonal.min.js'), 'utf8')}; Tonal`,
);

const notesOf = (id: string) => findTuning(id)!.courses.map(([midi]) => midi!);
const chordName = (id: string) => chordOf(notesOf(id))?.name ?? null;

// ISO 16:1975 and equal temperament; strings by common practice, no source.
describe('open strings in Hz at A4 = 440', () => {
  const table: Readonly<Record<string, readonly number[]>> = {
    'guitar-standard': [82.4069, 110, 146.8324, 195.9977, 246.9417, 329.6276],
    'guitar-open-d': [73.4162, 110, 146.8324, 184.9972, 220, 293.6648],
    'ukulele-standard': [391.9954, 261.6256, 329.6276, 440],
    'ukulele-low-g': [195.9977, 261.6256, 329.6276, 440],
    'ukulele-baritone': [146.8324, 195.9977, 246.9417, 329.6276],
    'banjo-open-g': [391.9954, 146.8324, 195.9977, 246.9417, 293.6648],
    // Bass: E1 41.2, B0 30.9 (equal temperament).
    'bass-five': [30.8677, 41.2034, 55, 73.4162, 97.9989],
    'banjo-double-c': [391.9954, 130.8128, 195.9977, 261.6256, 293.6648],
  };
  for (const [id, hz] of Object.entries(table))
    it(id, () => {
      const targets = targetsOf(findTuning(id)!, 440).toReversed();
      targets.forEach((target, i) => {
        expect(target.hz).to.be.closeTo(hz[i]!, 5e-5);
      });
    });
});

describe('the catalogue', () => {
  it('holds at least 30 tunings under ids of their own', () => {
    expect(TUNINGS.length).to.be.at.least(30);
    expect(new Set(TUNINGS.map((tuning) => tuning.id)).size).to.equal(TUNINGS.length);
  });

  it('every tuning has as many strings as instruments of its kind have', () => {
    const counts = { guitar: [4, 6, 7, 8], ukulele: [4], banjo: [4, 5, 6], bass: [4, 5, 6] };
    for (const { id, kind, courses } of TUNINGS)
      expect(counts[kind], id).to.include(courses.length);
  });

  it('every tuning rises from string to string, but where the first is known to be re-entrant', () => {
    for (const { id, kind, name, courses } of TUNINGS) {
      const rising = courses.map(([midi = 0]) => midi).reverse();
      const falls = rising.filter((midi, i) => i > 0 && midi < (rising[i - 1] ?? 0)).length;
      const reentrant = (kind !== 'guitar' || id === 'guitar-nashville') && falls === 1;
      expect(falls === 0 || reentrant, `${id}, ${name}: ${rising.join(' ')}`).to.equal(true);
    }
  });

  it('names open tunings by the chord that they make', () => {
    const names: Readonly<Record<string, string>> = {
      'guitar-open-d': 'D',
      'guitar-open-d-minor': 'Dm',
      'guitar-open-e': 'E',
      'guitar-open-g': 'G',
      'guitar-open-g-minor': 'Gm',
      'guitar-open-a': 'A',
      'guitar-open-c': 'C',
      'guitar-dadgad': 'Dsus4',
      'guitar-c-modal': 'Csus2',
      'ukulele-standard': 'C6',
      'ukulele-slack-key': 'C',
      'banjo-open-g': 'G',
      'banjo-open-c': 'C',
      'banjo-open-d': 'D',
      'banjo-double-c': 'Csus2',
      // The same chord whichever of its notes lies lowest: a class has one root.
      'ukulele-low-g': 'C6',
      'ukulele-low-a': 'D6',
      'banjo-sawmill': 'Gsus4',
      'guitar-open-e-minor': 'Em',
      'banjo-open-a': 'A',
      'banjo-open-d-high': 'D',
      'banjo-open-e': 'E',
    };
    for (const [id, name] of Object.entries(names)) expect(chordName(id), id).to.equal(name);
  });

  // The chord dictionary of the tonal library, which spells the same chords its own way.
  it('agrees with a music-theory library about every plain chord', () => {
    let compared = 0;
    for (const tuning of TUNINGS) {
      const own = chordOf(notesOf(tuning.id));
      if (!own || !/^[A-G][♯♭]?(m|5|sus4|sus2)?$/.test(own.name)) continue;
      const letters = [...notesOf(tuning.id)]
        .sort((a, b) => a - b)
        .map((midi) => noteName(midi).slice(0, -1).replace('♯', '#').replace('♭', 'b'));
      // It lists every reading of the notes; M stands for a plain major chord.
      const theirs = tonal.Chord.detect(letters).map((name) =>
        name.replace(/\/.*/, '').replace(/M$/, ''),
      );
      expect(theirs, tuning.id).to.include(own.name.replace('♯', '#').replace('♭', 'b'));
      compared++;
    }
    expect(compared).to.be.at.least(12);
  });

  it('gives no name to what is no common chord', () => {
    expect(chordOf([40, 41, 42])).to.equal(null);
  });
});

describe('a pure open chord', () => {
  it('has thirds 13.686 below and fifths 1.955 above equal temperament', () => {
    // Open D over D: string 3 is its third, strings 2 and 5 its fifth.
    const offsets = pureOffsets(notesOf('guitar-open-d'), 2, 1);
    expect(offsets[2]).to.be.closeTo(-13.686, 5e-4);
    expect(offsets[1]).to.be.closeTo(1.955, 5e-4);
    expect(offsets[0]).to.equal(0);
    expect(pureOffsets(notesOf('guitar-open-d'), 2, 0.5)[2]).to.be.closeTo(-6.843, 5e-4);
  });

  it('sounds in whole-number ratios', () => {
    const notes = notesOf('guitar-open-g');
    const offsets = pureOffsets(notes, 7, 1);
    const hz = notes.map((midi, i) => midiToHz(midi) * 2 ** (offsets[i]! / 1200));
    // Strings 1 to 4 over string 5, G2: D4 3/1, B3 5/2, G3 2/1, D3 3/2.
    [3, 5 / 2, 2, 3 / 2].forEach((ratio, i) => {
      expect(hz[i]! / hz[4]!).to.be.closeTo(ratio, 1e-9);
    });
  });
});

describe('chord names', () => {
  it('are said of open and modal tunings alone', () => {
    const said = (id: string) => openChord(findTuning(id)!);
    expect(said('guitar-standard')).to.equal(null);
    expect(said('guitar-drop-d')).to.equal(null);
    expect(said('banjo-plectrum-guitar')).to.equal(said('ukulele-baritone'));
    expect(said('guitar-open-d')).to.equal('D');
    expect(said('guitar-dadgad')).to.equal('Dsus4');
  });

  it('a pure chord has one root for a whole class: high and low G differ by no cent', () => {
    const high = notesOf('ukulele-standard');
    const low = notesOf('ukulele-low-g');
    const offsets = (notes: number[]) => pureOffsets(notes, chordOf(notes)!.root, 1);
    expect(offsets(low)).to.deep.equal(offsets(high));
  });
});
