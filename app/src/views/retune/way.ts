import { capoBetween, hzToMidi, noteName, type Tuning } from '@rosefinch/core/music';
import type { Plan, PlanStep, PlanString } from '@rosefinch/core/retune';
import { expectedTurns, type Instrument, startFret } from '@rosefinch/core/strings';
import type { EpochMs, Hz } from '@rosefinch/core/units';
import {
  distanceInWords,
  forceInWords,
  shortStringInWords,
  turnInWords,
} from '@rosefinch/core/words';
import { fixed } from '@rosefinch/core/writing';
import type { Settings } from '../../data/index.ts';

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
export function noteOf({ a4, target }: Way, hz: Hz): string {
  return noteName(hzToMidi(hz, a4), target.accidental);
}

/** @example 'loosen 2 semitones' */
export function moveInWords({ cents }: PlanStep): string {
  return `${cents < 0 ? 'loosen' : 'tighten'} ${distanceInWords(cents)}`;
}

/** How far the peg goes by physics alone: a guess; nothing where that is not known. */
export function turnsOf({ instrument }: Way, { course, fromHz, toHz }: PlanStep): string {
  const turns = expectedTurns(instrument, course, fromHz, toHz);
  return turns === null ? '' : `at a guess ${turnInWords(turns)}`;
}

/** What a step does to its string. */
export function strainOf(step: PlanStep, { force }: Settings): string {
  const { tensionBefore, tensionAfter, headroom } = step;
  return `${forceInWords(tensionBefore, force)} → ${forceInWords(tensionAfter, force)}, ${fixed(headroom, 1)} semitones to breaking`;
}

/** The fret of a capo that makes the tuning it is in sound the one that is wanted; null where none does. */
export function capoOf({ from, target, capo }: Way): number | null {
  return capo > 0 ? null : capoBetween(from, target);
}

/** What a capo means for a short string; nothing without either. */
export function shortStringOf({ instrument, capo }: Way): string {
  const short = instrument.courses.find(({ number }) => startFret(instrument, number) > 0);
  if (!short || capo === 0) return '';
  return `${shortStringInWords(short.number, startFret(instrument, short.number), capo)} `;
}
