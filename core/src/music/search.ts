import { FormatError } from '../errors.ts';
import { message, type Value } from '../message.ts';
import { TUNINGS } from './catalogue.ts';
import { chordOf } from './chords.ts';
import {
  ENGLISH_NOTES,
  type NoteStyle,
  noteName,
  plainSigns,
  readNote,
  type TypedNote,
} from './notes.ts';
import { inPairs, pairingOf } from './pairs.ts';
import type { Tuning } from './tunings.ts';

/** The notes of a tuning as players say them, the highest-numbered course first. */
export function notesInWords(tuning: Tuning, style: NoteStyle = ENGLISH_NOTES): string {
  return tuning.courses
    .map(([midi]) => noteName(midi ?? 0, tuning.accidental, style))
    .reverse()
    .join(' ');
}

/** Chords by which players know a tuning; of others nobody says the name. */
const SAID: ReadonlySet<string> = new Set(['', 'm', '5', '6', 'sus2', 'sus4']);

/** The chord of an open or modal tuning; null of one that players know by no chord. */
export function openChord(tuning: Tuning, style: NoteStyle = ENGLISH_NOTES): string | null {
  const chord = chordOf(tuning.courses.flat(), tuning.accidental, style);
  return chord && SAID.has(chord.suffix) ? chord.name : null;
}

/**
 * Tunings of which every word of the query is found in name, other names, kind, open
 * chord or notes; notes may be given without octaves, sharps and flats as # and b.
 * @param read how the reader's language writes a name
 * @example findTunings('guitar open d', t.value) // open D, open D minor …
 * @example findTunings('d a d g a d', t.value)
 */
export function findTunings(
  query: string,
  read: (name: Value) => string,
  tunings: readonly Tuning[] = TUNINGS,
  style: NoteStyle = ENGLISH_NOTES,
): Tuning[] {
  const plain = (text: string) => plainSigns(text).toLowerCase().trim();
  const wanted = plain(query);
  if (wanted === '') return [...tunings];
  const words = wanted.split(/\s+/);
  const typed = words.length > 1 ? asNotes(words, style) : null;
  return tunings.filter((tuning) => {
    if (typed) return holdsInARow(tuning, typed);
    const notes = plain(notesInWords(tuning, style)).split(' ');
    const named = [
      ...[
        tuning.name,
        ...(tuning.aliases ?? []),
        message('common.kind', { kind: tuning.kind }),
      ].map(read),
      openChord(tuning, style) ?? '',
    ];
    const text = plain([...named, ...notes].join(' '));
    return words.every((word) => text.includes(word));
  });
}

/** Words that are notes, all of them; else null. */
function asNotes(words: readonly string[], { notes }: NoteStyle): TypedNote[] | null {
  try {
    return words.map((word) => readNote(word, notes));
  } catch (error) {
    if (error instanceof FormatError) return null;
    throw error;
  }
}

/** True if the notes stand in that order side by side, the highest-numbered course first; a note without octave fits any. */
function holdsInARow({ courses }: Tuning, wanted: readonly TypedNote[]): boolean {
  const notes = courses.map(([midi = 0]) => midi).reverse();
  return notes.some((_, from) =>
    wanted.every(({ pitchClass, midi }, i) => {
      const note = notes[from + i];
      if (note === undefined) return false;
      return midi === null ? note % 12 === pitchClass : note === midi;
    }),
  );
}

/** Tunings that an instrument with so many strings can take; those of its courses, where it is one in pairs. */
export function tuningsFor(
  kind: Tuning['kind'],
  courses: number,
  tunings: readonly Tuning[] = TUNINGS,
): Tuning[] {
  const fits = (count: number) =>
    tunings.filter((tuning) => tuning.kind === kind && tuning.courses.length === count);
  const pairing = pairingOf(kind, courses);
  if (!pairing) return fits(courses);
  const own = fits(courses);
  const made = fits(pairing.courses.length).map((one) => inPairs(one, pairing));
  return [...made.filter(({ id }) => !own.some((one) => one.id === id)), ...own];
}
