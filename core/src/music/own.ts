import { FormatError } from '../errors.ts';
import { nth } from '../maths/index.ts';
import { message } from '../message.ts';
import type { Midi } from '../units.ts';
import { chordOf } from './chords.ts';
import type { Accidental, NoteNames } from './notes.ts';
import { readNote } from './notes.ts';

/** Roots whose chords are written with flats. */
const FLAT_MAJOR: readonly number[] = [1, 3, 5, 8, 10];
const FLAT_MINOR: readonly number[] = [0, 2, 3, 5, 7, 10];

/**
 * Notes of a tuning as players write them, the highest-numbered course first; answers
 * them course 1 first. A note without octave takes the one nearest to the string's
 * note in `near` (course 1 first).
 * @throws FormatError naming the note that is none, or how many are wanted.
 * @example parseTuning('D A D G A D', standard) // => [62, 57, 55, 50, 45, 38]
 */
export function parseTuning(
  text: string,
  near: readonly Midi[],
  names: NoteNames = 'english',
): Midi[] {
  const words = wordsOf(text, near.length, 'notes');
  return words.map((word, i) => {
    const home = nth(near, i);
    const { pitchClass, midi } = readNote(word, names);
    return midi ?? pitchClass + 12 * Math.round((home - pitchClass) / 12);
  });
}

/**
 * Semitones by which each string departs from another tuning, the highest-numbered
 * course first; answers the notes, course 1 first.
 * @throws FormatError naming what is no whole number, or how many are wanted.
 * @example parseSteps('-2 0 0 -1 -2 -2', standard) // open D
 */
export function parseSteps(text: string, from: readonly Midi[]): Midi[] {
  const words = wordsOf(text, from.length, 'steps');
  return words.map((word, i) => {
    if (!/^[+\-−]?\d{1,2}$/.test(word))
      throw new FormatError(message('problems.noSemitones', { word }));
    return nth(from, i) + Number(word.replace('−', '-'));
  });
}

/** The words of a line, course 1 first. @throws FormatError if they are too few or many. */
function wordsOf(text: string, count: number, what: 'notes' | 'steps'): string[] {
  const words = text.split(/[\s,]+/).filter((word) => word !== '');
  if (words.length !== count)
    throw new FormatError(message('problems.wantedEach', { what, count, given: words.length }));
  return words.reverse();
}

/** Whether the key of a tuning's open chord is written with sharps or flats. */
export function accidentalFor(notes: readonly Midi[]): Accidental {
  const chord = chordOf(notes);
  if (!chord) return 'sharp';
  const minor = /^m(?!aj)/.test(chord.suffix);
  return (minor ? FLAT_MINOR : FLAT_MAJOR).includes(chord.root) ? 'flat' : 'sharp';
}
