import { TUNINGS } from './catalogue.ts';
import { chordOf } from './chords.ts';
import { noteName, plainSigns } from './notes.ts';
import { inPairs, pairingOf } from './pairs.ts';
import type { Tuning } from './tunings.ts';

/** The notes of a tuning as players say them, the highest-numbered course first. */
export function notesInWords(tuning: Tuning): string {
  return tuning.courses
    .map(([midi]) => noteName(midi ?? 0, tuning.accidental))
    .reverse()
    .join(' ');
}

/** Chords by which players know a tuning; of others nobody says the name. */
const SAID = /^[A-G][♯♭]?(m|5|6|sus2|sus4)?$/;

/** The chord of an open or modal tuning; null of one that players know by no chord. */
export function openChord(tuning: Tuning): string | null {
  const chord = chordOf(tuning.courses.flat(), tuning.accidental);
  return chord && SAID.test(chord.name) ? chord.name : null;
}

/**
 * Tunings of which every word of the query is found in name, other names, kind, open
 * chord or notes; notes may be given without octaves, sharps and flats as # and b.
 * @example findTunings('guitar open d') // open D, open D minor …
 * @example findTunings('d a d g a d')
 */
export function findTunings(query: string, tunings: readonly Tuning[] = TUNINGS): Tuning[] {
  const plain = (text: string) => plainSigns(text).toLowerCase().trim();
  const wanted = plain(query);
  if (wanted === '') return [...tunings];
  const words = wanted.split(/\s+/);
  const areNotes = words.length > 1 && words.every((word) => /^[a-g][#b]?\d?$/.test(word));
  return tunings.filter((tuning) => {
    const notes = plain(notesInWords(tuning)).split(' ');
    if (areNotes) return holdsInARow(notes, words);
    const named = [tuning.name, ...(tuning.aliases ?? []), tuning.kind, openChord(tuning) ?? ''];
    const text = plain([...named, ...notes].join(' '));
    return words.every((word) => text.includes(word));
  });
}

/** True if the notes stand in that order side by side; a note without octave fits any. */
function holdsInARow(notes: readonly string[], wanted: readonly string[]): boolean {
  return notes.some((_, from) =>
    wanted.every((word, i) => {
      const note = notes[from + i];
      return note !== undefined && (note === word || note.replace(/\d/, '') === word);
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
