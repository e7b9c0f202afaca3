import { upperTail } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import { DIRECTION, DIRECTIONS, FINDINGS, findingOne } from './answering.ts';
import { guessing } from './guessing.ts';
import { Hearing, type Noticed } from './hearing.ts';
import type { EarTrial, ExerciseKind } from './types.ts';

/** What answers tell of an ear. */
export interface Heard {
  /** Over all that was asked; null of a guesser, or before enough was answered. */
  readonly noticed: Noticed | null;
  readonly cells: ReadonlyMap<string, Noticed>;
  /** How likely it is that nobody listened, 0 to 1. */
  readonly guessing: number;
  readonly answers: number;
}

/** With fewer answers no figure is given. */
const FEWEST = 12;
/** From here on it is said that somebody guesses. */
const GUESSES = 0.5;
/** Of two chords one is to be found. */
const CHORDS = 2;

/** Exercises whose answers tell how small a difference is noticed. */
export type Asked = Extract<ExerciseKind, 'direction' | 'string' | 'pure' | 'class'>;

/** How somebody answers, ready for the next question; `of` is among how many strings one is to be found. */
export function hearingOf(exercise: Asked, trials: readonly EarTrial[], of: number) {
  if (exercise === 'direction' || exercise === 'class')
    return hearing(new Hearing(DIRECTION), trials, DIRECTIONS);
  return hearing(new Hearing(findingOne(exercise === 'pure' ? CHORDS : of)), trials, FINDINGS);
}

function hearing<Answer extends string>(
  into: Hearing<Answer>,
  trials: readonly EarTrial[],
  answers: readonly Answer[],
) {
  let given = 0;
  for (const { cell, asked, answer, hands } of trials)
    for (const one of answers) {
      const count = (answer === one ? 1 : 0) + (hands?.[one] ?? 0);
      for (let i = 0; i < count; i++) into.add({ cell, cents: asked, answer: one });
      given += count;
    }
  return { next: into.next.bind(into), of: into.of.bind(into), into, given, kinds: answers.length };
}

/** What all answers of an exercise come to. */
export function heardIn(exercise: Asked, trials: readonly EarTrial[], of: number): Heard {
  const { into, given, kinds } = hearingOf(exercise, trials, of);
  const answers = trials.flatMap(({ answer }) => (answer === undefined ? [] : [answer]));
  const guess = given > 0 ? guessing(answers, kinds, into.evidence) : 0;
  const figures = given >= FEWEST && guess < GUESSES;
  const cells = [...new Set(trials.map(({ cell }) => cell))];
  return {
    noticed: figures ? into.overall() : null,
    cells: new Map(figures ? cells.map((cell) => [cell, into.of(cell)]) : []),
    guessing: guess,
    answers: given,
  };
}

/** Share of a class that heard a difference as higher; who said "same" counts half for each. */
export function sharesOf(
  trials: readonly EarTrial[],
): { readonly cents: Cents; readonly higher: number; readonly hands: number }[] {
  return trials.flatMap(({ asked, hands }) => {
    const { lower = 0, same = 0, higher = 0 } = hands ?? {};
    const all = lower + same + higher;
    return all > 0 ? [{ cents: asked, higher: (higher + same / 2) / all, hands: all }] : [];
  });
}

/** Share of answers "higher" to a difference, of somebody who notices so much and leans to neither side. */
export function shareAt(cents: Cents, noticed: Cents): number {
  return upperTail((-cents * DIRECTION.noticed) / noticed);
}
