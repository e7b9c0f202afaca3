import type { EarVerdict, Fault, NextStep, TurnCall } from '../coach/index.ts';
import type { CrossCheck } from '../fretboard/index.ts';
import type { BeatOutcome, Node, Refusal } from '../listen/index.ts';
import { list, message, type Sentence } from '../message.ts';
import type { InstrumentKind } from '../music/index.ts';
import { byEarInWords, earVerdictInWords } from './ear.ts';
import { faultInWords } from './faults.ts';
import { kindInWords } from './names.ts';
import { stepInWords } from './next.ts';
import { beatInWords, pairInWords } from './pair.ts';
import { type PegFound, type PegTask, pegTestInWords } from './pegTest.ts';
import { refusalInWords } from './refusal.ts';
import { type StrumFacts, strumInWords } from './strum.ts';
import { touchedInWords } from './touched.ts';
import { type WindingTask, windingInWords } from './winding.ts';

/** What the one sentence of the bench is about, each with its figures. */
interface SayingFacts {
  /** Nothing is listened to yet. */
  source: { readonly kind: InstrumentKind };
  /** A reference is waited for; again, after one that was not clear. */
  reference: { readonly again: boolean };
  /** The string is being turned while it rings. */
  turning: { readonly call: TurnCall; readonly up: boolean };
  fault: { readonly fault: Fault };
  refusal: { readonly refusal: Refusal; readonly together: readonly [number, number] | null };
  /** A pluck that fits several strings, the likeliest first; `chosen` is the one chosen by hand where another one sounds. */
  'which string': {
    readonly courses: readonly number[];
    readonly chosen: number | null;
    readonly asks: boolean;
  };
  /** A string that did not sound open. */
  touched: { readonly course: number; readonly node: Node };
  pegs: { readonly task: PegTask; readonly found: PegFound | null };
  winding: { readonly task: WindingTask };
  /** A strum is waited for. */
  'strum asked': { readonly strings: number };
  strum: StrumFacts;
  /** Two strings are to be sounded together. */
  pair: { readonly check: CrossCheck };
  beat: { readonly beat: BeatOutcome };
  'by ear': { readonly course: number };
  'ear verdict': { readonly verdict: EarVerdict };
  next: { readonly step: NextStep };
}

type About = keyof SayingFacts;

function whichString({ courses, chosen, asks }: SayingFacts['which string']): Sentence {
  const [first = 1] = courses;
  if (chosen !== null && asks)
    return {
      say: message('bench.choseOther', { chosen, other: first }),
      more: message('bench.whichString.more'),
    };
  const strings = list(courses, 'or');
  return asks
    ? { say: message('bench.whichString', { strings }), more: message('bench.whichString.more') }
    : { say: message('bench.mayBeString', { strings }), more: message('bench.mayBeString.more') };
}

/** The one thing that is said at a moment. */
export type Saying = { readonly [A in About]: { readonly about: A } & SayingFacts[A] }[About];

const CALLS = {
  'keep turning': 'keep',
  slowly: 'slowly',
  stop: 'stop',
  'let it ring': 'ring',
  'wrong way': 'wrong',
} as const satisfies Record<TurnCall, string>;

const SENTENCES: { readonly [A in About]: (facts: SayingFacts[A]) => Sentence } = {
  source: ({ kind }) => ({
    say: message('bench.source'),
    more: message('bench.source.more', { kind: kindInWords(kind) }),
  }),
  reference: ({ again }) =>
    again
      ? {
          say: message('bench.referenceAgain'),
          more: message('bench.referenceAgain.more'),
        }
      : {
          say: message('bench.reference'),
          more: message('bench.reference.more'),
        },
  turning: ({ call, up }) => ({
    say: message('bench.turning', { call: CALLS[call], way: up ? 'up' : 'down' }),
    more: null,
  }),
  fault: ({ fault }) => faultInWords(fault),
  refusal: ({ refusal, together }) => refusalInWords(refusal, together),
  'which string': whichString,
  touched: (facts) => touchedInWords(facts),
  pegs: ({ task, found }) => pegTestInWords(task, found),
  winding: ({ task }) => windingInWords(task),
  'strum asked': ({ strings }) => ({
    say: message('bench.strumAll', { strings }),
    more: message('bench.strumAll.more'),
  }),
  strum: (facts) => strumInWords(facts),
  pair: ({ check }) => pairInWords(check),
  beat: ({ beat }) => beatInWords(beat),
  'by ear': ({ course }) => byEarInWords(course),
  'ear verdict': ({ verdict }) => earVerdictInWords(verdict),
  next: ({ step }) => stepInWords(step),
};

/** The sentence of the bench. */
export function sayingInWords(saying: Saying): Sentence {
  const say = SENTENCES[saying.about] as (facts: Saying) => Sentence;
  return say(saying);
}
