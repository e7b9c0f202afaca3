import { FormatError } from '../errors.ts';
import { message } from '../message.ts';
import type { Accidental, Cents, Hz, Midi } from '../units.ts';
import { hzToMidi, STANDARD_A4 } from './pitch.ts';

export type { Accidental };

/** How notes are named: C D E … B, with H for B and B for B♭, or do re mi. */
export type NoteNames = 'english' | 'german' | 'syllables';

/** How a reader names notes, and which of the two names of a black key: as a tuning spells it, or always the same. */
export interface NoteStyle {
  readonly notes: NoteNames;
  readonly signs: 'tuning' | Accidental;
}

/** How notes are named in files, in the catalogue of tunings and wherever nobody has chosen. */
export const ENGLISH_NOTES: NoteStyle = { notes: 'english', signs: 'tuning' };

/** Each note by its names with ♯ and with ♭, as readers write them; German and Romance names are common practice, no source. */
const NAMES: Readonly<Record<NoteNames, Readonly<Record<Accidental, string>>>> = {
  english: {
    sharp: 'C C♯ D D♯ E F F♯ G G♯ A A♯ B',
    flat: 'C D♭ D E♭ E F G♭ G A♭ A B♭ B',
  },
  german: {
    sharp: 'C Cis D Dis E F Fis G Gis A Ais H',
    flat: 'C Des D Es E F Ges G As A B H',
  },
  syllables: {
    sharp: 'Do Do♯ Re Re♯ Mi Fa Fa♯ Sol Sol♯ La La♯ Si',
    flat: 'Do Re♭ Re Mi♭ Mi Fa Sol♭ Sol La♭ La Si♭ Si',
  },
};
/** The same in lists: they are looked up for every name that is drawn. */
const LISTS = new Map(
  Object.values(NAMES)
    .flatMap(({ sharp, flat }) => [sharp, flat])
    .map((text) => [text, text.split(' ')]),
);
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
export function noteName(
  midi: Midi,
  accidental: Accidental = 'sharp',
  { notes, signs }: NoteStyle = ENGLISH_NOTES,
): string {
  const whole = Math.round(midi);
  const names = LISTS.get(NAMES[notes][signs === 'tuning' ? accidental : signs]) ?? [];
  return `${names[((whole % 12) + 12) % 12]}${Math.floor(whole / 12) - 1}`;
}

/**
 * Both names of a note where it has two.
 * @example bothNames(54) // => 'F♯3 / G♭3'
 * @example bothNames(55) // => 'G3'
 */
export function bothNames(
  midi: Midi,
  first: Accidental = 'sharp',
  style: NoteStyle = ENGLISH_NOTES,
): string {
  const one = noteName(midi, first, style);
  // A reader who wants one kind of sign has one name.
  const other = noteName(midi, first === 'sharp' ? 'flat' : 'sharp', style);
  return one === other ? one : `${one} / ${other}`;
}

/**
 * Note number of a written note: letter, optional ♯ # ♭ b, octave.
 * @throws FormatError if the text is no note with an octave.
 * @example parseNote('F#3') // => 54
 */
export function parseNote(text: string): Midi {
  const match = /^\s*([A-Ga-g])(♯|#|♭|b)?(-?\d)\s*$/.exec(text);
  if (!match) throw new FormatError(message('problems.noNote', { text }));
  const [, letter = '', accidental = '', octave = ''] = match;
  const step = LETTER_STEPS[letter.toUpperCase()] ?? 0;
  return 12 * (Number(octave) + 1) + step + (ACCIDENTAL_STEPS[accidental] ?? 0);
}

/** A note as it was typed: its pitch class, 0 being C, and its number where an octave was given. */
export interface TypedNote {
  readonly pitchClass: number;
  readonly midi: Midi | null;
}

/**
 * A note as the reader writes it, with or without an octave; English names are understood by all
 * who do not write B for B♭.
 * @throws FormatError if the text is no note.
 * @example readNote('F#') // => { pitchClass: 6, midi: null }
 */
export function readNote(text: string, noteNames: NoteNames = 'english'): TypedNote {
  const [, name = '', octave] = /^\s*([^\d\s-]+)(-?\d)?\s*$/.exec(text) ?? [];
  const names = Object.values(NAMES[noteNames]).map((list) => LISTS.get(list) ?? []);
  const plain = (one: string) => plainSigns(one).toLowerCase().replace('é', 'e');
  const found = names
    .map((list) => list.findIndex((one) => plain(one) === plain(name)))
    .find((at) => at >= 0);
  const pitchClass = found ?? ((parseNote(`${name}0`) % 12) + 12) % 12;
  return {
    pitchClass,
    midi: octave === undefined ? null : 12 * (Number(octave) + 1) + pitchClass,
  };
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
