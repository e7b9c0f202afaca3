import { type LabelId, type Message, message } from '@rosefinch/core/message';
import type { KeyMap } from './useKeys.ts';

/** One thing that keys do in a view. */
export interface KeyLine {
  /** Names as in KeyboardEvent.key, letters small, "Shift+" in front where it applies. */
  readonly keys: readonly string[];
  /** How they are written on buttons and in the list: a sign, or the name of a key. */
  readonly shown: string;
  /** What they do. */
  readonly does: LabelId;
}

/** Keys that have a name; all others are shown by their sign. */
const NAMED: Readonly<Record<string, LabelId>> = {
  Space: 'common.keySpace',
  Enter: 'common.keyEnter',
  '0 or Esc': 'common.keyZeroOrEsc',
  PageUp: 'common.keyPageUp',
  PageDown: 'common.keyPageDown',
};

/** How a key is written on buttons and in lists: its sign, or its name. */
export function keyName(shown: string): Message | string {
  const id = NAMED[shown];
  return id === undefined ? shown : message(id);
}

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const;

const line = (keys: readonly string[], shown: string, does: LabelId): KeyLine => ({
  keys,
  shown,
  does,
});

const CHOOSING = {
  string: line(DIGITS, '1 – 9', 'keys.chooseAString'),
  automatic: line(['0', 'Escape'], '0 or Esc', 'keys.backToAutomatic'),
};

/** The hands on the practice instrument. */
const HANDS = {
  pluck: line(['p'], 'P', 'keys.practiceInstrumentPluck'),
  up: line(['ArrowUp'], '↑', 'keys.practiceInstrumentTightenAHair'),
  down: line(['ArrowDown'], '↓', 'keys.practiceInstrumentLoosenAHair'),
  upMore: line(['Shift+ArrowUp'], '⇧↑', 'keys.practiceInstrumentTightenMore'),
  downMore: line(['Shift+ArrowDown'], '⇧↓', 'keys.practiceInstrumentLoosenMore'),
  mute: line(['u'], 'U', 'keys.practiceInstrumentMute'),
};

/** What every job with an instrument in hand understands. */
const JOB = {
  listen: line(['l'], 'L', 'keys.listenOrStop'),
  distance: line(['z'], 'Z', 'keys.readFromAfarTheStageAlone'),
  more: line(['m'], 'M', 'keys.allActionsAndKeys'),
};

/** Every key of every view; docs/keys.md is made from it. */
export const KEY_TABLE = {
  bench: {
    ...CHOOSING,
    accept: line([' '], 'Space', 'keys.acceptAndGoOn'),
    nextPass: line(['r'], 'R', 'keys.nextPass'),
    byEar: line(['h'], 'H', 'keys.hideTheFiguresThenSpaceCompares'),
    target: line(['d'], 'D', 'keys.hearTheTarget'),
    compare: line(['c'], 'C', 'keys.compareTwoStringsByTheirBeat'),
    reference: line(['f'], 'F', 'keys.hearAReferenceForkPianoAnother'),
    pegs: line(['g'], 'G', 'keys.pegTestBeginEnd'),
    strum: line(['s'], 'S', 'keys.strumAllStringsWhichAreOff'),
    wind: line(['w'], 'W', 'keys.windStringsUpFromSlackBegin'),
    which: line(['n'], 'N', 'keys.inARoundAnotherOneBy'),
    isOther: line(['Enter'], 'Enter', 'keys.inARoundYesItIs'),
    skipInstrument: line(['k'], 'K', 'keys.inARoundSkipThisInstrument'),
    putBack: line(['b'], 'B', 'keys.inARoundPutItBack'),
    needsString: line(['x'], 'X', 'keys.inARoundItNeedsA'),
    repairer: line(['j'], 'J', 'keys.inARoundToTheRepairer'),
    ...HANDS,
    truth: line(['t'], 'T', 'keys.practiceInstrumentWhereItsStringsTruly'),
    ...JOB,
  },
  settle: {
    ...CHOOSING,
    nextString: line([' '], 'Space', 'keys.theNextNewString'),
    stand: line(['v'], 'V', 'keys.howTheyStandDropsRoundsWhat'),
    calendar: line(['k'], 'K', 'keys.saveTheNextLooksAsA'),
    correct: line(['x'], 'X', 'keys.theLastReadingWasSomethingElse'),
    target: line(['d'], 'D', 'keys.hearTheTarget'),
    room: line(['n'], 'N', 'keys.noteTheRoom'),
    pull: line(['s'], 'S', 'keys.practiceInstrumentPullTheString'),
    ...HANDS,
    ...JOB,
  },
  frets: {
    pluck: line(['p'], 'P', 'keys.practiceInstrumentSoundWhatIsAsked'),
    skip: line([' '], 'Space', 'keys.leaveThePlaceOut'),
    strikeOut: line(['x'], 'X', 'keys.leaveTheLastReadingOut'),
    takeOther: line(['y'], 'Y', 'keys.itWasTheOtherFret'),
    note: line(['n'], 'N', 'keys.noteTheLastReading'),
    result: line(['w'], 'W', 'keys.whatItComesToAndBack'),
    mute: line(['u'], 'U', 'keys.practiceInstrumentMute'),
    ...JOB,
  },
  playing: {
    pluck: HANDS.pluck,
    up: line(['ArrowUp'], '↑', 'keys.practiceInstrumentTightenATwentiethOf'),
    down: line(['ArrowDown'], '↓', 'keys.practiceInstrumentLoosenATwentiethOf'),
    upMore: line(['Shift+ArrowUp'], '⇧↑', 'keys.practiceInstrumentTightenAFifthOf'),
    downMore: line(['Shift+ArrowDown'], '⇧↓', 'keys.practiceInstrumentLoosenAFifthOf'),
  },
  ear: {
    answer: line(DIGITS, '1 – 9', 'keys.answer'),
    again: line([' '], 'Space', 'keys.hearItAgain'),
    go: line(['Enter'], 'Enter', 'keys.beginGoOnOrCommit'),
    tap: line(['t'], 'T', 'keys.tapOnABeat'),
    up: line(['ArrowUp'], '↑', 'keys.tightenALittle'),
    down: line(['ArrowDown'], '↓', 'keys.loosenALittle'),
    upMore: line(['Shift+ArrowUp'], '⇧↑', 'keys.tightenBoldly'),
    downMore: line(['Shift+ArrowDown'], '⇧↓', 'keys.loosenBoldly'),
    finish: line(['x'], 'X', 'keys.stopHere'),
    ...JOB,
  },
  shelf: { begin: line([' '], 'Space', 'keys.beginARoundOrGoOn') },
  retune: { begin: line([' '], 'Space', 'keys.beginThePlanOnTheBench'), ...JOB },
  everywhere: {
    find: line(['/'], '/', 'keys.findAnInstrumentATuningOr'),
    previous: line(['PageUp'], 'PageUp', 'keys.theInstrumentBefore'),
    next: line(['PageDown'], 'PageDown', 'keys.theNextInstrument'),
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
