import { type CrossCheck, unisonFor } from '../fretboard/index.ts';
import { type BenchState, currentPass, isClosed, nextCourse, stringOf } from '../sitting/index.ts';
import type { BenchWorld } from './benchTypes.ts';

/** The string that is worked on: the one in hand, or the one that is next. */
export function courseInHand(state: BenchState, planned: number | undefined): number {
  return state.active ?? planned ?? nextCourse(state, null) ?? state.goal.order[0] ?? 1;
}

/** The string that is expected to sound: the one that is worked on, or the one named after it; null before the first. */
export function courseAsked(state: BenchState, planned: number | undefined): number | null {
  if (state.active === null) return null;
  const entry = stringOf(currentPass(state), state.active);
  return entry && isClosed(entry) ? (planned ?? nextCourse(state, state.active)) : state.active;
}

/** The comparison with another string that the one in hand allows; null where there is none. */
export function checkInHand({ state, planned, tuning, instrument }: BenchWorld): CrossCheck | null {
  return tuning && unisonFor(tuning, instrument, courseInHand(state, planned));
}
