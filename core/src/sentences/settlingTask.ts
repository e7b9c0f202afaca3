import {
  type Message,
  message,
  type NoteValue,
  type Sentence,
  sentencesOf,
  type Text,
  type Value,
} from '../message.ts';
import type { SettlingStep } from '../settling/index.ts';
import { durationInWords, toldAlike } from './figures.ts';

type Facts<S extends SettlingStep['step']> = Extract<SettlingStep, { step: S }>;

/** What is known while nothing has to be done, beside the next task. */
export interface AtRest {
  /** What they must hold. @example ‘a 45-minute lesson’ */
  readonly lesson: Message;
  /** How sure it is; null before that can be told. */
  readonly sure: Text | null;
  /** When to check again; null where that is not planned. */
  readonly look: Value | null;
}

const SENTENCES: {
  readonly [S in SettlingStep['step']]: (facts: Facts<S>, rest: AtRest) => Sentence;
} = {
  answer: ({ course }) => ({
    say: message('settle.question', { string: course }),
    more: message('settle.question.more'),
  }),
  'no string': () => ({ say: message('settle.noneNew'), more: message('settle.noneNew.more') }),
  pluck: ({ course, read }) =>
    read
      ? {
          say: message('settle.pluckAsIs', { string: course }),
          more: message('settle.pluckAsIs.more'),
        }
      : {
          say: message('settle.tuneThenPluck', { string: course }),
          more: message('settle.tuneThenPluck.more'),
        },
  'bring back': ({ course, note }) => ({
    say: message('settle.bringBack', { string: course, note }),
    more: message('settle.fromBelow.more'),
  }),
  'tune first': ({ course, note }) => ({
    say: message('settle.tuneFirst', { string: course, note }),
    more: message('settle.fromBelow.more'),
  }),
  loosen: ({ course, note, high }) => ({
    say: message('settle.loosen', { string: course, place: placeInWords(note, high) }),
    more: message('settle.loosen.more'),
  }),
  pull: pullInWords,
  'bring up': ({ course, note, high }) => ({
    say: message('settle.bringUp', { string: course, place: placeInWords(note, high) }),
    more: high > 0 ? message('settle.fallsByItself') : message('settle.fromBelow.more'),
  }),
  watch: ({ course, tooSoon }) => ({
    say: tooSoon
      ? message('settle.tooSoon', { string: course })
      : message('settle.pluckAsIs', { string: course }),
    more: message('settle.watch.more'),
  }),
  'working out': () => ({ say: message('settle.heard'), more: message('settle.heard.more') }),
  'all hold': (_, { lesson, sure }) => ({
    say: message('settle.goodFor', { lesson }),
    more: sure,
  }),
  'leave alone': ({ waiting, sureAfter }, { sure, look }) => {
    const count = waiting.length;
    if (sureAfter !== null)
      return {
        say: message('settle.leaveFor', { count, time: durationInWords(sureAfter) }),
        more: [...sentencesOf(sure), message('settle.leaveFor.more', { count })],
      };
    return {
      say: look
        ? message('settle.leaveUntil', { count, when: look })
        : message('settle.leaveAlone', { count }),
      more: [...sentencesOf(sure), message('settle.leaveAlone.more')],
    };
  },
};

function placeInWords(note: NoteValue, high: number): Value {
  return high > 0 ? message('settle.above', { cents: high, note }) : note;
}

function pullInWords({ course, times, headroom, near, thin, brings }: Facts<'pull'>): Sentence {
  const care = near
    ? [message('settle.pullNear', { semitones: headroom })]
    : thin
      ? [message('settle.pullThin')]
      : [];
  return {
    say: message('settle.pull', { string: course, times }),
    more: [message('settle.pull.more'), ...care, ...gainInWords(brings)],
  };
}

/** What a pull is expected to gain; nothing where both times read the same. */
function gainInWords(brings: Facts<'pull'>['brings']): readonly Message[] {
  if (!brings || toldAlike(brings.pulled, brings.waited)) return [];
  return [
    message('settle.pullGain', {
      pulled: durationInWords(brings.pulled),
      waited: durationInWords(brings.waited),
    }),
  ];
}

/** What to do now with new strings. */
export function settlingTaskInWords(step: SettlingStep, rest: AtRest): Sentence {
  const say = SENTENCES[step.step] as (facts: SettlingStep, rest: AtRest) => Sentence;
  return say(step, rest);
}
