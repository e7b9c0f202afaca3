import { soundedTogether } from '../coach/index.ts';
import type { ListenEvent, Node, Refusal } from '../listen/index.ts';
import type { Sentence } from '../message.ts';
import type { Target } from '../music/index.ts';
import { refusalInWords, tooCloseInWords, touchedInWords } from '../sentences/index.ts';
import type { Taken } from '../settling/index.ts';
import {
  type BenchEvent,
  type BenchState,
  type Followed,
  type Measurement,
  readingFor,
  type Step,
  type StringReading,
} from '../sitting/index.ts';
import type { Hz, Milliseconds } from '../units.ts';
import { attributedTo, factsOf, judge, pitchIn, unattributed } from './attributing.ts';
import type { Next } from './machine.ts';

/** What the player is asked for: the string that was chosen by hand, and what is to be done with which. */
export interface SettleAsked {
  readonly chosen: number | null;
  /** The string that the sentence names; null where it names none. */
  readonly inHand: number | null;
  readonly told: { readonly course: number; readonly to: 'pull' | 'leave' } | null;
}

/** Why the last pluck was no reading. */
export type SettleNotice =
  | { readonly kind: 'refused'; readonly refusal: Refusal }
  | {
      readonly kind: 'doubt';
      readonly courses: readonly number[];
      readonly asks: boolean;
      readonly hz: Hz;
    }
  | { readonly kind: 'touched'; readonly of: number; readonly node: Node };

/** The conversation over new strings, beside what their log tells. */
export interface SettleTalk {
  readonly notice: SettleNotice | null;
  /** Which string a pluck was has been asked since the page was opened: nobody is asked twice. */
  readonly questioned: boolean;
  /** The newest reading, and which one it is, so that it is announced once. */
  readonly newest: { readonly reading: StringReading; readonly nth: number } | null;
}

/** What is true beside the conversation at the moment of an input. */
export interface SettleWorld {
  readonly state: BenchState;
  readonly targets: readonly Target[];
  /** What the log tells of all strings together. */
  readonly followed: Followed;
  /** The string that is worked on. */
  readonly course: number;
  /** The newest reading of the string that was read last. */
  readonly last: Taken | null;
}

export type SettleInput =
  | {
      readonly type: 'heard';
      readonly heard: Extract<ListenEvent, { type: 'outcome' }>;
      readonly asked: SettleAsked;
    }
  | { readonly type: 'choose'; readonly course: number | null }
  /** Says what a reading was; after a clock that was set back, also how long it really was. */
  | {
      readonly type: 'say';
      readonly reading: Taken;
      readonly step: Step;
      readonly elapsed?: Milliseconds;
    }
  /** The last reading was something else than it was taken for. */
  | { readonly type: 'correct' }
  | { readonly type: 'sound target' };

export type SettleEffect =
  | {
      readonly do: 'record';
      readonly event: BenchEvent;
      readonly measurement?: Pick<Measurement, 'reading' | 'track'>;
    }
  | { readonly do: 'sound'; readonly hz: Hz }
  | { readonly do: 'stop showing note' };

type Stepped = Next<SettleTalk, SettleEffect>;

export function startSettleTalk(): SettleTalk {
  return { notice: null, questioned: false, newest: null };
}

/** The conversation after an input, and what is to be done. */
export function settleTalk(talk: SettleTalk, input: SettleInput, world: SettleWorld): Stepped {
  switch (input.type) {
    case 'heard':
      return hear(talk, input.heard, input.asked, world);
    case 'choose':
      return choose(talk, input.course, world);
    case 'say':
      return say(talk, input.reading, input.step, input.elapsed);
    case 'correct':
      return world.last ? say(talk, world.last, otherStep(world.last)) : still(talk);
    case 'sound target': {
      const target = world.targets[world.course - 1];
      return target ? { state: talk, effects: [{ do: 'sound', hz: target.hz }] } : still(talk);
    }
  }
}

function still(talk: SettleTalk): Stepped {
  return { state: talk, effects: [] };
}

function record(
  talk: SettleTalk,
  event: BenchEvent,
  before: readonly SettleEffect[] = [],
): Stepped {
  return { state: talk, effects: [...before, { do: 'record', event }] };
}

function say(talk: SettleTalk, { course, at }: Taken, step: Step, elapsed?: Milliseconds): Stepped {
  const plain = { type: 'said', course, of: at, step } as const;
  return record(talk, elapsed === undefined ? plain : { ...plain, elapsed });
}

/** What a reading most likely was, if it was not what it was taken for. */
function otherStep({ step }: Taken): Step {
  return step === 'stretched' ? 'waited' : 'stretched';
}

const LET_GO: SettleEffect = { do: 'record', event: { type: 'choose', course: null } };

/** A number answers the question which string that was, before it chooses one. */
function choose(talk: SettleTalk, course: number | null, world: SettleWorld): Stepped {
  const { notice } = talk;
  const answers = course !== null && notice?.kind === 'doubt' && notice.courses.includes(course);
  const put = answers ? putTo(notice.hz, course, world) : null;
  if (!put)
    return record({ ...talk, notice: null }, { type: 'choose', course }, [
      { do: 'stop showing note' },
    ]);
  return record(announced({ ...talk, notice: null }, put), attributedTo(put, 'teacher'));
}

function announced(talk: SettleTalk, reading: StringReading): SettleTalk {
  return { ...talk, newest: { reading, nth: talk.newest ? talk.newest.nth + 1 : 1 } };
}

/** An earlier pluck as a reading of another string; null where there is no such pluck or string. */
function putTo(hz: Hz, course: number, { state, targets }: SettleWorld): StringReading | null {
  const pitch = pitchIn(state, hz);
  const target = targets[course - 1];
  return pitch && target ? readingFor(course, pitch, target.hz) : null;
}

function hear(
  talk: SettleTalk,
  { outcome, track, again }: Extract<ListenEvent, { type: 'outcome' }>,
  { chosen, inHand, told }: SettleAsked,
  world: SettleWorld,
): Stepped {
  const notice = (said: SettleNotice) => still({ ...talk, notice: said });
  if (outcome.kind !== 'reading') return notice({ kind: 'refused', refusal: outcome });
  // The sentence names one string, and what is to be done with it.
  const same = again && talk.notice === null && talk.newest ? talk.newest.reading.course : null;
  const asked = factsOf(outcome, { chosen, inHand, alone: inHand !== null });
  const facts = same === null ? asked : ({ ...asked, sameNote: true } as const);
  const { who, corrections } = judge(outcome, facts, world.followed, talk.questioned, same);
  const measurement = { reading: outcome, track };
  const corrected = corrections.flatMap(({ hz, to }): SettleEffect[] => {
    const put = putTo(hz, to, world);
    return put ? [{ do: 'record', event: attributedTo(put, 'evidence') }] : [];
  });
  if (who.kind === 'touched') return notice(who);
  if (who.kind === 'doubt') {
    const { courses, asks } = who;
    const event = unattributed(outcome, facts);
    return {
      state: {
        ...talk,
        notice: { kind: 'doubt', courses, asks, hz: outcome.hz },
        questioned: talk.questioned || asks,
      },
      effects: [{ do: 'record', event, measurement }, ...corrected],
    };
  }
  const target = who.kind === 'string' ? world.targets[who.course - 1] : undefined;
  if (!target)
    return notice({ kind: 'refused', refusal: { kind: 'not sure', reason: 'no pitch' } });
  const plain = readingFor(target.course, outcome, target.hz);
  // What was asked for before this pluck tells a pull from a fall.
  const answers = told?.course === plain.course && !outcome.turned;
  const read = answers ? { ...plain, asked: told.to } : plain;
  const event = { type: 'reading', reading: read, pluck: facts } as const;
  return {
    state: { ...announced(talk, read), notice: null },
    effects: [
      { do: 'record', event, measurement },
      ...corrected,
      // A string is chosen for one pluck: then the next one is asked for.
      ...(chosen === null ? [] : [LET_GO]),
    ],
  };
}

/** What to say of the last pluck, when it was no reading. */
export function settleNoticeInWords(notice: SettleNotice, targets: readonly Target[]): Sentence {
  if (notice.kind === 'refused')
    return refusalInWords(notice.refusal, soundedTogether(notice.refusal, targets));
  if (notice.kind === 'touched') return touchedInWords({ course: notice.of, node: notice.node });
  return tooCloseInWords(notice.courses);
}
