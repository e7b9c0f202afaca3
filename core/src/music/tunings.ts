import type { Value } from '../message.ts';
import type { Hz, Midi } from '../units.ts';
import type { Accidental } from './notes.ts';
import type { Temper } from './temper.ts';

/** The kinds of instrument that Rosefinch knows. */
export type InstrumentKind = 'guitar' | 'ukulele' | 'banjo' | 'bass';

/**
 * What every string of an instrument should sound. `courses[0]` is string 1,
 * nearest the floor. On an instrument in pairs each string of a pair has its own place.
 */
export interface Tuning {
  readonly id: string;
  /** A message for one that ships with Rosefinch. */
  readonly name: Value;
  readonly kind: InstrumentKind;
  readonly courses: readonly (readonly Midi[])[];
  readonly accidental: Accidental;
  /** Other names by which players know it. */
  readonly aliases?: readonly Value[];
  /** How its strings are set against equal temperament; absent means equal. */
  readonly temper?: Temper;
}

/** A tuning that a teacher made; its name is what they typed. */
export interface OwnTuning extends Tuning {
  readonly name: string;
  readonly aliases?: readonly string[];
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
