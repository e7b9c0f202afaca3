import { FormatError } from '../errors.ts';
import type { Cents, Hz, Midi } from '../units.ts';
import { hzToMidi, STANDARD_A4 } from './pitch.ts';

/** Which of the two names of a black key is shown first. */
export type Accidental = 'sharp' | 'flat';

const SHARP_NAMES = ['C', 'C♯', 'D', 'D♯', 'E', 'F', 'F♯', 'G', 'G♯', 'A', 'A♯', 'B'] as const;
const FLAT_NAMES = ['C', 'D♭', 'D', 'E♭', 'E', 'F', 'G♭', 'G', 'A♭', 'A', 'B♭', 'B'] as const;
const LETTER_STEPS: Readonly<Record<string, number>> = {
  C: 0,
  D: 2,
  E: 4,
  F: 5,
  G: 7,
  A: 9,
  B: 11,
};
const ACCIDENTAL_STEPS: Readonly<Record<string, number>> = {
  '': 0,
  '♯': 1,
  '#': 1,
  '♭': -1,
  b: -1,
};

/**
 * Name of a note with its octave, C4 being middle C.
 * @example noteName(54) // => 'F♯3'
 * @example noteName(54, 'flat') // => 'G♭3'
 */
export function noteName(midi: Midi, accidental: Accidental = 'sharp'): string {
  const whole = Math.round(midi);
  const names = accidental === 'sharp' ? SHARP_NAMES : FLAT_NAMES;
  return `${names[((whole % 12) + 12) % 12]}${Math.floor(whole / 12) - 1}`;
}

/**
 * Both names of a note where it has two.
 * @example bothNames(54) // => 'F♯3 / G♭3'
 * @example bothNames(55) // => 'G3'
 */
export function bothNames(midi: Midi, first: Accidental = 'sharp'): string {
  const one = noteName(midi, first);
  const other = noteName(midi, first === 'sharp' ? 'flat' : 'sharp');
  return one === other ? one : `${one} / ${other}`;
}

/**
 * Note number of a written note: letter, optional ♯ # ♭ b, octave.
 * @throws FormatError if the text is no note with an octave.
 * @example parseNote('F#3') // => 54
 */
export function parseNote(text: string): Midi {
  const match = /^\s*([A-Ga-g])(♯|#|♭|b)?(-?\d)\s*$/.exec(text);
  if (!match) throw new FormatError(`“${text}” is no note with an octave, such as E2, F#3 or Bb3`);
  const [, letter = '', accidental = '', octave = ''] = match;
  const step = LETTER_STEPS[letter.toUpperCase()] ?? 0;
  return 12 * (Number(octave) + 1) + step + (ACCIDENTAL_STEPS[accidental] ?? 0);
}

/** The equal-tempered note nearest to a frequency, and how far the frequency lies above it. */
export function nearestNote(hz: Hz, a4: Hz = STANDARD_A4): { midi: Midi; cents: Cents } {
  const exact = hzToMidi(hz, a4);
  const midi = Math.round(exact);
  return { midi, cents: (exact - midi) * 100 };
}

/**
 * The notes to pass on the way from one pitch to a target, nearest first, the target last.
 * @example notesToPass(hz of D♯3, parseNote('G3')) // => [52, 53, 54, 55]
 */
export function notesToPass(hz: Hz, target: Midi, a4: Hz = STANDARD_A4): Midi[] {
  const here = hzToMidi(hz, a4);
  const step = here < target ? 1 : -1;
  const first = step > 0 ? Math.floor(here + 0.5) + 1 : Math.ceil(here - 0.5) - 1;
  const notes: Midi[] = [];
  for (let midi = first; step > 0 ? midi <= target : midi >= target; midi += step) notes.push(midi);
  return notes;
}

/** The same text with # and b for ♯ and ♭, as a keyboard has them. */
export function plainSigns(text: string): string {
  return text.replaceAll('♯', '#').replaceAll('♭', 'b');
}
