import { TUNINGS } from './catalogue.ts';
import type { Tuning } from './tunings.ts';

/** One string that moves between two tunings. */
export interface StringMove {
  readonly course: number;
  /** Negative is down. */
  readonly semitones: number;
}

/** The strings that move from one tuning to another of as many strings, the highest number first. */
export function movesBetween(from: Tuning, to: Tuning): StringMove[] {
  return to.courses
    .map(([midi = 0], i) => ({
      course: i + 1,
      semitones: midi - (from.courses[i]?.[0] ?? midi),
    }))
    .filter(({ semitones }) => semitones !== 0)
    .reverse();
}

/** A tuning near another one. */
export interface Neighbour {
  readonly tuning: Tuning;
  readonly moves: readonly StringMove[];
  /** Where it is come from in one string less: a neighbour that is nearer, or the tuning itself by all its moves. */
  readonly by: Tuning;
}

/** No further away than this a tuning is a neighbour. */
const FARTHEST = 3;

/**
 * The tunings one, two and three strings away, the nearest first: by strings, then by semitones in all.
 * Only those of the same kind with as many strings.
 */
export function neighboursOf(from: Tuning, tunings: readonly Tuning[] = TUNINGS): Neighbour[] {
  const distance = ({ moves }: Pick<Neighbour, 'moves'>) =>
    moves.reduce((sum, { semitones }) => sum + Math.abs(semitones), 100 * moves.length);
  const near = tunings
    .filter(({ kind, courses }) => kind === from.kind && courses.length === from.courses.length)
    .map((tuning) => ({ tuning, moves: movesBetween(from, tuning) }))
    .filter(({ moves }) => moves.length > 0 && moves.length <= FARTHEST)
    .sort((a, b) => distance(a) - distance(b));
  return near.map(({ tuning, moves }) => ({
    tuning,
    moves,
    by:
      near.find(
        (other) =>
          other.moves.length === moves.length - 1 &&
          movesBetween(other.tuning, tuning).length === 1,
      )?.tuning ?? from,
  }));
}
