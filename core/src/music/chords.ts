import { nth } from '../maths/index.ts';
import type { Cents, Midi } from '../units.ts';
import type { Accidental } from './notes.ts';
import { ENGLISH_NOTES, type NoteStyle, noteName } from './notes.ts';
import { centsBetween } from './pitch.ts';

/** Chords by their steps above the root, the plainest first: common practice, no source. */
const QUALITIES: readonly (readonly [suffix: string, steps: readonly number[]])[] = [
  ['5', [0, 7]],
  ['', [0, 4, 7]],
  ['m', [0, 3, 7]],
  ['sus4', [0, 5, 7]],
  ['sus2', [0, 2, 7]],
  ['7', [0, 4, 7, 10]],
  ['maj7', [0, 4, 7, 11]],
  // The same four notes are C6 and Am7: played on a ukulele they are the former, whichever note lies lowest.
  ['6', [0, 4, 7, 9]],
  ['m7', [0, 3, 7, 10]],
  ['m6', [0, 3, 7, 9]],
  ['add9', [0, 2, 4, 7]],
  ['m add9', [0, 2, 3, 7]],
  ['7sus4', [0, 5, 7, 10]],
  ['sus2 sus4', [0, 2, 5, 7]],
  ['9', [0, 2, 4, 7, 10]],
  ['6/9', [0, 2, 4, 7, 9]],
  ['m7 add11', [0, 3, 5, 7, 10]],
  ['7sus4 add9', [0, 2, 5, 7, 10]],
  ['maj9', [0, 2, 4, 7, 11]],
];

/** The chord that a set of notes makes. */
export interface ChordName {
  /** @example 'D', 'Gm', 'Dsus4' */
  readonly name: string;
  /** What stands behind its root. @example 'm' */
  readonly suffix: string;
  /** Pitch class of the root, 0 being C. */
  readonly root: number;
}

/**
 * Names the chord of some notes; the lowest note is the root if it can be, else the note that makes the plainest one.
 * Null when no common chord has just these notes.
 * @example chordOf([38, 45, 50, 54, 57, 62])?.name // => 'D'
 */
export function chordOf(
  notes: readonly Midi[],
  accidental: Accidental = 'sharp',
  style: NoteStyle = ENGLISH_NOTES,
): ChordName | null {
  const classes = [...new Set(notes.map((note) => ((Math.round(note) % 12) + 12) % 12))];
  const bass = ((Math.round(Math.min(...notes)) % 12) + 12) % 12;
  const readings = classes.flatMap((root) => {
    const quality = qualityOf(classes, root);
    return quality < 0
      ? []
      : { root, quality: root === bass ? quality - QUALITIES.length : quality };
  });
  const best = readings.sort((a, b) => a.quality - b.quality)[0];
  if (!best) return null;
  const { root } = best;
  const [suffix] = nth(QUALITIES, qualityOf(classes, root));
  // Octave 0 is cut off: only the letter is wanted.
  return { name: noteName(root + 12, accidental, style).slice(0, -1) + suffix, suffix, root };
}

/** Which of the qualities some notes have above a root; −1 for none. */
function qualityOf(classes: readonly number[], root: number): number {
  const steps = new Set(classes.map((pitchClass) => (pitchClass - root + 12) % 12));
  return QUALITIES.findIndex(
    ([, wanted]) => wanted.length === steps.size && wanted.every((step) => steps.has(step)),
  );
}

/** Ratios of the scale above a root, unison first: 5-limit just intonation. */
const JUST: readonly (readonly [number, number])[] = [
  [1, 1],
  [16, 15],
  [9, 8],
  [6, 5],
  [5, 4],
  [4, 3],
  [45, 32],
  [3, 2],
  [8, 5],
  [5, 3],
  [9, 5],
  [15, 8],
];
/** The same in cents from equal temperament. */
const PURE: readonly Cents[] = JUST.map(
  ([over, under], semitones) => centsBetween(under, over) - 100 * semitones,
);

/**
 * Offsets in cents, course 1 first, that make an open chord pure above its root;
 * `share` 0 leaves it equal, 1 makes it pure.
 * @example pureOffsets([64, 60, 55], 0, 1) // E, C, G over C: => [-13.7, 0, +2.0]
 */
export function pureOffsets(notes: readonly Midi[], root: number, share: number): number[] {
  return notes.map((note) => share * nth(PURE, (((Math.round(note) - root) % 12) + 12) % 12));
}
