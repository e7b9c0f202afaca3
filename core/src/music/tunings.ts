import type { Hz, Midi } from '../units.ts';
import { type Accidental, noteName } from './notes.ts';
import { matesIn, pairingOf } from './pairs.ts';
import { midiToHz, shiftHz } from './pitch.ts';
import { offsetsOf, type Temper } from './temper.ts';

/** The kinds of instrument that Rosefinch knows. */
export type InstrumentKind = 'guitar' | 'ukulele' | 'banjo' | 'bass';

/**
 * What every string of an instrument should sound. `courses[0]` is string 1,
 * nearest the floor. On an instrument in pairs each string of a pair has its own place.
 */
export interface Tuning {
  readonly id: string;
  readonly name: string;
  readonly kind: InstrumentKind;
  readonly courses: readonly (readonly Midi[])[];
  readonly accidental: Accidental;
  /** Other names by which players know it. */
  readonly aliases?: readonly string[];
  /** How its strings are set against equal temperament; absent means equal. */
  readonly temper?: Temper;
}

/** One course's target: its number, and pitch of each of its strings. */
export interface Target {
  readonly course: number;
  readonly midi: Midi;
  readonly hz: Hz;
  /** How its tuning spells it; sharp where it does not say. */
  readonly accidental?: Accidental;
  /** The other string of its pair. */
  readonly mate?: number;
}

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

/** The note of a target, spelt as its tuning does; nothing for none. @example targetName(targets[0]) // => 'E♭4' */
export function targetName(target: Target | undefined): string {
  return target ? noteName(target.midi, target.accidental) : '';
}
