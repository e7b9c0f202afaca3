import { type Random, upperTail } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import { DIRECTION, DIRECTIONS, FINDINGS, findingOne } from './answering.ts';
import { guessedFinds, guessedWays, guessing } from './guessing.ts';
import { Hearing, type Noticed } from './hearing.ts';
import type { EarTrial, ExerciseKind } from './types.ts';

/** What answers tell of an ear. */
export interface Heard {
  /** Over all that was asked; null where no figure can be given. */
  readonly noticed: Noticed | null;
  /** Why there is no figure: too little was answered, nobody listened, or what was asked was too small to be heard. */
  readonly without: 'few' | 'guessing' | 'too small' | null;
  readonly cells: ReadonlyMap<string, Noticed>;
  /** How likely it is that nobody listened, 0 to 1. */
  readonly guessing: number;
  readonly answers: number;
}

/** With fewer answers no figure is given. */
const FEWEST = 12;
/** A class answers many times at once: a figure stands on so many questions at least. */
const FEWEST_QUESTIONS = 4;
/** From here on it is said that somebody guesses. */
const GUESSES = 0.5;
/** Exercises whose answers tell how small a difference is noticed. */
export type Asked = Extract<ExerciseKind, 'direction' | 'string' | 'pure' | 'class'>;

/** Answers of an exercise held against how finely somebody may hear. */
interface Judged {
  /** The difference that tells most of a cell next. */
  readonly next: (cell: string, random: Random) => Cents;
  readonly overall: () => Noticed;
  readonly of: (cell: string) => Noticed;
  /** Logarithms of how likely the answers are of somebody who listens, and of one who does not. */
  readonly listened: number;
  readonly guessed: number;
  readonly answers: number;
}

/** How somebody answers, ready for the next question, where one of `among` answers is right; 3 where a direction is asked. */
export function hearingOf(exercise: Asked, trials: readonly EarTrial[], among: number): Judged {
  if (exercise === 'direction' || exercise === 'class') {
    const said = trials.flatMap(({ answer }) => answer ?? []);
    return judged(new Hearing(DIRECTION), trials, DIRECTIONS, guessedWays(said));
  }
  // What was found among more or fewer tells something else: another instrument's chord.
  const alike = trials.filter((one) => one.among === among);
  const right = alike.filter(({ answer }) => answer === 'right').length;
  const guessed = guessedFinds(right, alike.length, among);
  return judged(new Hearing(findingOne(among)), alike, FINDINGS, guessed);
}

function judged<Answer extends string>(
  into: Hearing<Answer>,
  trials: readonly EarTrial[],
  kinds: readonly Answer[],
  guessed: number,
): Judged {
  let answers = 0;
  for (const { cell, asked, answer, hands } of trials)
    for (const kind of kinds) {
      const count = (answer === kind ? 1 : 0) + (hands?.[kind] ?? 0);
      for (let i = 0; i < count; i++) into.add({ cell, cents: asked, answer: kind });
      answers += count;
    }
  return {
    next: (cell, random) => into.next(cell, random),
    overall: () => into.overall(),
    of: (cell) => into.of(cell),
    listened: into.evidence,
    guessed,
    answers,
  };
}

/** What all answers of an exercise come to; `among` as in `hearingOf`. */
export function heardIn(exercise: Asked, trials: readonly EarTrial[], among: number): Heard {
  const told = hearingOf(exercise, trials, among);
  // Hands of a class are many people's: nobody is called a guesser by them.
  const alone = exercise !== 'class' && told.answers >= FEWEST;
  const guess = alone ? guessing(told.guessed, told.listened) : 0;
  const noticed = told.answers > 0 ? told.overall() : null;
  const without = whyWithout(told.answers, trials, guess, noticed);
  const cells = without === null ? [...new Set(trials.map(({ cell }) => cell))] : [];
  return {
    noticed: without === null ? noticed : null,
    without,
    cells: new Map(cells.map((cell) => [cell, told.of(cell)])),
    guessing: guess,
    answers: told.answers,
  };
}

function whyWithout(
  answers: number,
  trials: readonly EarTrial[],
  guess: number,
  noticed: Noticed | null,
): Heard['without'] {
  if (!noticed || answers < FEWEST || trials.length < FEWEST_QUESTIONS) return 'few';
  if (guess > GUESSES) return 'guessing';
  // Beyond the widest that was asked nothing was heard: it would be the prior that speaks.
  const widest = Math.max(...trials.map(({ asked }) => Math.abs(asked)));
  return noticed.cents > widest ? 'too small' : null;
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
