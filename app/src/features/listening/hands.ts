import type { CrossCheck } from '@rosefinch/core/fretboard';
import type { Instrument } from '@rosefinch/core/strings';
import type { PracticeHands } from '../../audio/index.ts';
import type { KeyMap } from '../../ui/index.ts';

/** A hair and a good deal, in turns of the post: buttons without a gear are turned by less. */
const HAIR = 1 / 3000;
const MORE = 1 / 300;
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
  instrument: Instrument,
  course: number,
  check: CrossCheck | null = null,
): Hands {
  const ratio = instrument.courses[course - 1]?.strings[0]?.peg.ratio ?? 1;
  return {
    pluck: () => (check ? practice.pair(check.held, check.open) : practice.pluck(course, STRENGTH)),
    up: () => practice.turn(course, HAIR * ratio),
    down: () => practice.turn(course, -HAIR * ratio),
    upMore: () => practice.turn(course, MORE * ratio),
    downMore: () => practice.turn(course, -MORE * ratio),
    mute: () => practice.mute(),
  };
}

/** The keys that move them. */
export function handKeys(hands: Hands): KeyMap {
  return {
    p: hands.pluck,
    m: hands.mute,
    ArrowUp: hands.up,
    ArrowDown: hands.down,
    'Shift+ArrowUp': hands.upMore,
    'Shift+ArrowDown': hands.downMore,
  };
}
