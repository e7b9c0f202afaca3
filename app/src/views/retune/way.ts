import {
  forceValue,
  type Message,
  message,
  type NoteValue,
  noteValue,
} from '@rosefinch/core/message';
import { capoBetween, hzToMidi, type Tuning } from '@rosefinch/core/music';
import type { Plan, PlanStep, PlanString } from '@rosefinch/core/retune';
import { distanceInWords, shortStringInWords, sizeInWords } from '@rosefinch/core/sentences';
import { expectedTurns, type Instrument, startFret } from '@rosefinch/core/strings';
import type { EpochMs, Hz } from '@rosefinch/core/units';

/** A plan with all that it is about. */
export interface Way {
  readonly instrument: Instrument;
  readonly from: Tuning;
  readonly target: Tuning;
  readonly strings: readonly PlanString[];
  readonly plan: Plan;
  readonly capo: number;
  readonly a4: Hz;
  /** When its strings were read last; null where none was. */
  readonly left: { readonly at: EpochMs; readonly zone: string } | null;
}

/** A pitch as the target’s tuning spells it. */
export function noteOf({ a4, target }: Way, hz: Hz): NoteValue {
  return noteValue(hzToMidi(hz, a4), target.accidental);
}

/** @example ‘loosen 2 semitones’ */
export function moveInWords({ cents }: PlanStep): Message {
  return message('retune.move', {
    way: cents < 0 ? 'loosen' : 'tighten',
    distance: distanceInWords(cents),
  });
}

/** How far the peg goes by physics alone: a guess; null where that is not known. */
export function turnsOf({ instrument }: Way, { course, fromHz, toHz }: PlanStep): Message | null {
  const turns = expectedTurns(instrument, course, fromHz, toHz);
  return turns === null ? null : sizeInWords({ turns, guess: true });
}

/** What a step does to its string. */
export function strainOf({ tensionBefore, tensionAfter, headroom }: PlanStep): Message {
  return message('retune.strain', {
    before: forceValue(tensionBefore),
    after: forceValue(tensionAfter),
    semitones: headroom,
  });
}

/** The fret of a capo that makes the tuning it is in sound the one that is wanted; null where none does. */
export function capoOf({ from, target, capo }: Way): number | null {
  return capo > 0 ? null : capoBetween(from, target);
}

/** What a capo means for a short string; null without either. */
export function shortStringOf({ instrument, capo }: Way): Message | null {
  const short = instrument.courses.find(({ number }) => startFret(instrument, number) > 0);
  if (!short || capo === 0) return null;
  return shortStringInWords(short.number, startFret(instrument, short.number), capo);
}

/** Whether a fact is known, to leave out those that are not. */
export function isThere<T>(fact: T | null): fact is T {
  return fact !== null;
}
