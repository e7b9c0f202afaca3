import type { CrossCheck } from '@rosefinch/core/fretboard';
import type { PracticeHands } from '../../audio/index.ts';

/** A hair and a good deal, in turns of the button. */
const HAIR = 1 / 200;
const MORE = 1 / 20;
const STRENGTH = 0.55;

/** The movements that the practice panel and its keys offer. */
export interface Hands {
  readonly pluck: () => void;
  readonly up: () => void;
  readonly down: () => void;
  readonly upMore: () => void;
  readonly downMore: () => void;
  readonly mute: () => void;
}

/** The hands on a course; while a comparison is asked for a pluck sounds both its strings. */
export function handsOn(
  practice: PracticeHands,
  course: number,
  check: CrossCheck | null = null,
): Hands {
  return {
    pluck: () => (check ? practice.pair(check.held, check.open) : practice.pluck(course, STRENGTH)),
    up: () => practice.turn(course, HAIR),
    down: () => practice.turn(course, -HAIR),
    upMore: () => practice.turn(course, MORE),
    downMore: () => practice.turn(course, -MORE),
    mute: () => practice.mute(),
  };
}
