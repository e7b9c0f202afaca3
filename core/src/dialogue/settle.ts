import { soundedTogether } from '../coach/index.ts';
import type { ListenEvent, Node, Refusal, StringKnowledge } from '../listen/index.ts';
import type { Sentence } from '../message.ts';
import type { Target } from '../music/index.ts';
import { refusalInWords, tooCloseInWords, touchedInWords } from '../sentences/index.ts';
import type { Taken } from '../settling/index.ts';
import type { BenchEvent, BenchState, Measurement, Step, StringReading } from '../sitting/index.ts';
import { hearPluck } from '../state/index.ts';
import type { Hz, Milliseconds } from '../units.ts';
import type { Next } from './machine.ts';

/** What the player is asked for: the string that was chosen by hand, and what is to be done with which. */
export interface SettleAsked {
  readonly chosen: number | null;
  readonly told: { readonly course: number; readonly to: 'pull' | 'leave' } | null;
}

/** Why the last pluck was no reading. */
export type SettleNotice =
  | { readonly kind: 'refused'; readonly refusal: Refusal }
  | { readonly kind: 'doubt'; readonly courses: readonly number[] }
  | { readonly kind: 'touched'; readonly of: number; readonly node: Node };

/** The conversation over new strings, beside what their log tells. */
export interface SettleTalk {
  readonly notice: SettleNotice | null;
  /** The newest reading, and which one it is, so that it is announced once. */
  readonly newest: { readonly reading: StringReading; readonly nth: number } | null;
}

/** What is true beside the conversation at the moment of an input. */
export interface SettleWorld {
  readonly state: BenchState;
  readonly targets: readonly Target[];
  readonly strings: readonly StringKnowledge[];
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
  | { readonly do: 'let go' };

type Stepped = Next<SettleTalk, SettleEffect>;

export function startSettleTalk(): SettleTalk {
  return { notice: null, newest: null };
}

/** The conversation after an input, and what is to be done. */
export function settleTalk(talk: SettleTalk, input: SettleInput, world: SettleWorld): Stepped {
  switch (input.type) {
    case 'heard':
      return hear(talk, input.heard, input.asked, world);
    case 'choose':
      return record(talk, { type: 'choose', course: input.course }, [{ do: 'let go' }]);
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

function hear(
  talk: SettleTalk,
  { outcome, track }: Extract<ListenEvent, { type: 'outcome' }>,
  { chosen, told }: SettleAsked,
  { state, strings }: SettleWorld,
): Stepped {
  const notice = (said: SettleNotice) => still({ ...talk, notice: said });
  if (outcome.kind !== 'reading') return notice({ kind: 'refused', refusal: outcome });
  const known = { state, intended: chosen, strings, heard: [], coupling: null };
  const put = hearPluck(outcome, known);
  if ('course' in put) {
    const nth = talk.newest ? talk.newest.nth + 1 : 1;
    // What was asked for before this pluck tells a pull from a fall.
    const read = told?.course === put.course ? { ...put, asked: told.to } : put;
    const event = { type: 'reading', reading: read } as const;
    return {
      state: { notice: null, newest: { reading: read, nth } },
      effects: [
        { do: 'record', event, measurement: { reading: outcome, track } },
        // A string is chosen for one pluck: then the next one is asked for.
        ...(chosen === null ? [] : [LET_GO]),
      ],
    };
  }
  if (put.kind === 'touched') return notice(put);
  return put.kind === 'doubt'
    ? notice({ kind: 'doubt', courses: put.courses })
    : notice({ kind: 'refused', refusal: { kind: 'not sure', reason: 'no pitch' } });
}

/** What to say of the last pluck, when it was no reading. */
export function settleNoticeInWords(notice: SettleNotice, targets: readonly Target[]): Sentence {
  if (notice.kind === 'refused')
    return refusalInWords(notice.refusal, soundedTogether(notice.refusal, targets));
  if (notice.kind === 'touched') return touchedInWords({ course: notice.of, node: notice.node });
  return tooCloseInWords(notice.courses);
}
