import { type NoteValue, noteValue } from '../message.ts';
import type { Hz } from '../units.ts';
import { matesIn, pairingOf } from './pairs.ts';
import { midiToHz, shiftHz } from './pitch.ts';
import { offsetsOf } from './temper.ts';
import type { Target, Tuning } from './tunings.ts';

/**
 * Target of every course, course 1 first; a capo raises them by a semitone a fret.
 * Courses of two strings are aimed at string by string: see `inPairs`.
 */
export function targetsOf(tuning: Tuning, a4: Hz, capo = 0): Target[] {
  const open = tuning.courses.map((strings) => strings[0] ?? 0);
  const offsets = offsetsOf(open, tuning.temper);
  const pairing = pairingOf(tuning.kind, tuning.courses.length);
  const mates = pairing ? matesIn(pairing) : [];
  return open.map((note, index) => {
    const midi = note + capo;
    const mate = mates[index];
    return {
      course: index + 1,
      midi,
      hz: shiftHz(midiToHz(midi, a4), offsets[index] ?? 0),
      accidental: tuning.accidental,
      ...(mate && { mate }),
    };
  });
}

/** The note of a target, spelt as its tuning does; nothing for none. @example targetNote(targets[0]) // E♭4 */
export function targetNote(target: Target): NoteValue;
export function targetNote(target: Target | undefined): NoteValue | '';
export function targetNote(target: Target | undefined): NoteValue | '' {
  return target ? noteValue(target.midi, target.accidental) : '';
}
