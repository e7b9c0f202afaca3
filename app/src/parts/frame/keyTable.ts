import type { KeyMap } from './useKeys.ts';

/** One thing that keys do in a view. */
export interface KeyLine {
  /** Names as in KeyboardEvent.key, letters small, "Shift+" in front where it applies. */
  readonly keys: readonly string[];
  /** How they are written on buttons and in the list. */
  readonly shown: string;
  /** What they do, in words. */
  readonly does: string;
}

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const;

const line = (keys: readonly string[], shown: string, does: string): KeyLine => ({
  keys,
  shown,
  does,
});

const CHOOSING = {
  string: line(DIGITS, '1 – 9', 'choose a string'),
  automatic: line(['0', 'Escape'], '0 or Esc', 'back to automatic'),
};

/** The hands on the practice instrument. */
const HANDS = {
  pluck: line(['p'], 'P', 'practice instrument: pluck'),
  up: line(['ArrowUp'], '↑', 'practice instrument: tighten a hair'),
  down: line(['ArrowDown'], '↓', 'practice instrument: loosen a hair'),
  upMore: line(['Shift+ArrowUp'], '⇧↑', 'practice instrument: tighten more'),
  downMore: line(['Shift+ArrowDown'], '⇧↓', 'practice instrument: loosen more'),
  mute: line(['u'], 'U', 'practice instrument: mute'),
};

/** What every job with an instrument in hand understands. */
const JOB = {
  listen: line(['l'], 'L', 'listen, or stop'),
  distance: line(['z'], 'Z', 'read from afar: the stage alone, and back'),
  more: line(['m'], 'M', 'all actions and keys'),
};

/** Every key of every view; docs/keys.md is made from it. */
export const KEY_TABLE = {
  bench: {
    ...CHOOSING,
    accept: line([' '], 'Space', 'accept and go on'),
    nextPass: line(['r'], 'R', 'next pass'),
    byEar: line(['h'], 'H', 'hide the figures; then Space compares'),
    target: line(['d'], 'D', 'hear the target'),
    compare: line(['c'], 'C', 'compare two strings by their beat'),
    reference: line(['f'], 'F', 'hear a reference: fork, piano, another string'),
    pegs: line(['g'], 'G', 'peg test: begin, end'),
    strum: line(['s'], 'S', 'strum all strings: which are off'),
    wind: line(['w'], 'W', 'wind strings up from slack: begin, end'),
    which: line(['n'], 'N', 'in a round: another one, by number, name or label'),
    isOther: line(['Enter'], 'Enter', 'in a round: yes, it is the one that is asked about'),
    skipInstrument: line(['k'], 'K', 'in a round: skip this instrument'),
    putBack: line(['b'], 'B', 'in a round: put it back, it comes again at the end'),
    needsString: line(['x'], 'X', 'in a round: it needs a string'),
    repairer: line(['j'], 'J', 'in a round: to the repairer'),
    ...HANDS,
    truth: line(['t'], 'T', 'practice instrument: where its strings truly are'),
    ...JOB,
  },
  settle: {
    ...CHOOSING,
    nextString: line([' '], 'Space', 'the next new string'),
    stand: line(['v'], 'V', 'how they stand: drops, rounds, what holds'),
    calendar: line(['k'], 'K', 'save the next looks as a calendar'),
    correct: line(['x'], 'X', 'the last reading was something else: pulled, or dropped by itself'),
    target: line(['d'], 'D', 'hear the target'),
    room: line(['n'], 'N', 'note the room'),
    pull: line(['s'], 'S', 'practice instrument: pull the string'),
    ...HANDS,
    ...JOB,
  },
  frets: {
    pluck: line(['p'], 'P', 'practice instrument: sound what is asked for'),
    skip: line([' '], 'Space', 'leave the place out'),
    strikeOut: line(['x'], 'X', 'leave the last reading out'),
    takeOther: line(['y'], 'Y', 'it was the other fret'),
    note: line(['n'], 'N', 'note the last reading'),
    result: line(['w'], 'W', 'what it comes to, and back'),
    mute: line(['u'], 'U', 'practice instrument: mute'),
    ...JOB,
  },
  playing: {
    pluck: HANDS.pluck,
    up: line(['ArrowUp'], '↑', 'practice instrument: tighten a twentieth of a turn'),
    down: line(['ArrowDown'], '↓', 'practice instrument: loosen a twentieth of a turn'),
    upMore: line(['Shift+ArrowUp'], '⇧↑', 'practice instrument: tighten a fifth of a turn'),
    downMore: line(['Shift+ArrowDown'], '⇧↓', 'practice instrument: loosen a fifth of a turn'),
  },
  ear: {
    answer: line(
      DIGITS,
      '1 – 9',
      'answer: 1 lower, 2 the same, 3 higher; or the string, or the chord',
    ),
    again: line([' '], 'Space', 'hear it again'),
    go: line(['Enter'], 'Enter', 'begin, go on, or commit'),
    tap: line(['t'], 'T', 'tap on a beat'),
    up: line(['ArrowUp'], '↑', 'tighten a little'),
    down: line(['ArrowDown'], '↓', 'loosen a little'),
    upMore: line(['Shift+ArrowUp'], '⇧↑', 'tighten boldly'),
    downMore: line(['Shift+ArrowDown'], '⇧↓', 'loosen boldly'),
    finish: line(['x'], 'X', 'stop here'),
    ...JOB,
  },
  shelf: { begin: line([' '], 'Space', 'begin a round, or go on with it') },
  retune: { begin: line([' '], 'Space', 'begin the plan on the bench'), ...JOB },
  everywhere: {
    find: line(['/'], '/', 'find an instrument, a tuning or a view; Ctrl+K too'),
    previous: line(['PageUp'], 'Page up', 'the instrument before'),
    next: line(['PageDown'], 'Page down', 'the next instrument'),
  },
} as const satisfies Readonly<Record<string, Readonly<Record<string, KeyLine>>>>;

export type KeyedView = keyof typeof KEY_TABLE;
/** The jobs that are done with an instrument in hand. */
export type JobView = 'bench' | 'retune' | 'settle' | 'frets' | 'ear';
export type JobAct = keyof typeof JOB;
export type ActOf<View extends KeyedView> = keyof (typeof KEY_TABLE)[View];

/** What each line of a view's table does now, told which of its keys it was; null where it can do nothing. */
export type KeyActs<View extends KeyedView> = Readonly<
  Record<ActOf<View>, ((key: string) => void) | null>
>;

/** The keys of a view as they act now. Every line of its table must be there. */
export function keysOf<View extends KeyedView>(view: View, acts: KeyActs<View>): KeyMap {
  return Object.fromEntries(
    keyLines(view).flatMap(([name, { keys }]) => {
      const act = acts[name as ActOf<View>];
      return act ? keys.map((key) => [key, () => act(key)] as const) : [];
    }),
  );
}

/** The lines of a view, in their order, by the name of what they do. */
export function keyLines(view: KeyedView): readonly (readonly [string, KeyLine])[] {
  return Object.entries(KEY_TABLE[view]);
}
