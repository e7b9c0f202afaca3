import type { CrossCheck } from '@rosefinch/core/fretboard';
import type { Instrument } from '@rosefinch/core/strings';
import type { PracticeHands } from '../../sound/index.ts';

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

/** What the hands do at once while a string is wound from slack: cents, and the seconds it takes. */
const WINDS = { little: 50, takes: 0.15, more: 200, longer: 0.5, slack: 1200 } as const;

/** The hands on a string that is wound up: a part of a turn, a whole grip, or let go by an octave. */
export function windingHands(practice: PracticeHands, course: number): Hands {
  const { little, takes, more, longer, slack } = WINDS;
  return {
    pluck: () => practice.pluck(course, STRENGTH),
    up: () => practice.wind(course, little, takes),
    down: () => practice.wind(course, -little, takes),
    upMore: () => practice.wind(course, more, longer),
    downMore: () => practice.slacken(course, slack),
    mute: () => practice.mute(),
  };
}

const NO_ACTS = { pluck: null, up: null, down: null, upMore: null, downMore: null, mute: null };

/** What the keys of the hands do; nothing while there is nothing to play. */
export function handActs(hands: Hands | null): Hands | typeof NO_ACTS {
  return hands ?? NO_ACTS;
}
