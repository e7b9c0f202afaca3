import type { Hz, Midi } from '../units.ts';
import type { Accidental } from './notes.ts';
import { midiToHz, shiftHz } from './pitch.ts';

/** The kinds of instrument that Rosefinch knows. */
export type InstrumentKind = 'guitar' | 'ukulele' | 'banjo';

/**
 * What every course of an instrument should sound. `courses[0]` is course 1,
 * nearest the floor; a course lists one note for each of its strings.
 */
export interface Tuning {
  readonly id: string;
  readonly name: string;
  readonly kind: InstrumentKind;
  readonly courses: readonly (readonly Midi[])[];
  readonly accidental: Accidental;
  /** Other names by which players know it. */
  readonly aliases?: readonly string[];
  /** Wanted deviation from equal temperament per course, in cents; absent means equal. */
  readonly offsets?: readonly number[];
}

/** One course's target: its number, and pitch of each of its strings. */
export interface Target {
  readonly course: number;
  readonly midi: Midi;
  readonly hz: Hz;
}

/**
 * Target of every course, course 1 first. A course of two strings is aimed at
 * by its first string; its second string is an octave or unison of it.
 */
export function targetsOf(tuning: Tuning, a4: Hz): Target[] {
  return tuning.courses.map((strings, index) => {
    const midi = strings[0] ?? 0;
    const offset = tuning.offsets?.[index] ?? 0;
    return { course: index + 1, midi, hz: shiftHz(midiToHz(midi, a4), offset) };
  });
}
