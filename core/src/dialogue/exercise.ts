import type { EarTrial } from '../ear/index.ts';
import { nth, type Random } from '../maths/index.ts';
import type { EarNote } from '../practice/index.ts';
import type { EpochMs } from '../units.ts';
import type { Next } from './machine.ts';

/** A minute a day: so many questions. */
export const A_MINUTE = 5;

/** What every exercise is done in. */
export interface ExerciseWorld {
  /** So many questions, then stop; null without end. */
  readonly questions: number | null;
  readonly now: EpochMs;
  /** Milliseconds of a clock that never jumps. */
  readonly clock: number;
  readonly random: Random;
}

/** What every exercise wants done: something sounded, an answer kept, its end. */
export type ExerciseEffect =
  | { readonly type: 'sound'; readonly notes: readonly EarNote[] }
  | { readonly type: 'keep'; readonly trial: EarTrial }
  | { readonly type: 'over' };

interface Exercising {
  readonly trials: readonly EarTrial[];
}

/** Nothing came of it. */
export function still<State>(state: State): Next<State, never> {
  return { state, effects: [] };
}

/** The end of an exercise. */
export function over<State extends { readonly phase: string }>(
  state: State,
): Next<State & { readonly phase: 'over' }, { readonly type: 'over' }> {
  return { state: { ...state, phase: 'over' }, effects: [{ type: 'over' }] };
}

/** Whether so many questions were asked as were to be. */
export function allAsked({ trials }: Exercising, { questions }: ExerciseWorld): boolean {
  return questions !== null && trials.length >= questions;
}

/** One of those of which least was asked so far, by chance. @throws RangeMisuse of nothing to ask */
export function askedLeast<T extends { readonly cell: string }>(
  all: readonly T[],
  trials: readonly EarTrial[],
  random: Random,
): T {
  const asked = ({ cell }: T) => trials.filter((one) => one.cell === cell).length;
  const fewest = Math.min(...all.map(asked));
  const open = all.filter((one) => asked(one) === fewest);
  return nth(open, Math.floor(random() * open.length));
}
