import type { EarVerdict, Fault, NextStep } from '../coach/index.ts';
import type { CrossCheck } from '../fretboard/index.ts';
import type { BeatOutcome, Node, Refusal } from '../listen/index.ts';
import type { InstrumentKind } from '../music/index.ts';
import { byEarInWords, earVerdictInWords } from './ear.ts';
import { faultInWords } from './faults.ts';
import { stepInWords } from './next.ts';
import { beatInWords, pairInWords } from './pair.ts';
import { type PegFound, type PegTask, pegTestInWords } from './pegTest.ts';
import { refusalInWords } from './refusal.ts';
import type { Sentence } from './sentence.ts';
import { type StrumFacts, strumInWords } from './strum.ts';
import { touchedInWords } from './touched.ts';
import { type WindingTask, windingInWords } from './winding.ts';

/** What the one sentence of the bench is about, each with its figures. */
interface SayingFacts {
  /** Nothing is listened to yet. */
  source: { readonly kind: InstrumentKind };
  /** A reference is waited for; once more, after one that was not clear. */
  reference: { readonly again: boolean };
  fault: { readonly fault: Fault };
  refusal: { readonly refusal: Refusal; readonly together: readonly [number, number] | null };
  /** A pluck that fits several strings. */
  'which string': { readonly courses: readonly number[] };
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

/** The one thing that is said at a moment. */
export type Saying = { readonly [A in About]: { readonly about: A } & SayingFacts[A] }[About];

const WORDS: { readonly [A in About]: (facts: SayingFacts[A]) => Sentence } = {
  source: ({ kind }) => ({
    say: 'Choose what to listen to.',
    more: `The practice ${kind}, or your microphone.`,
  }),
  reference: ({ again }) =>
    again
      ? {
          say: 'Sound the reference once more.',
          more: 'That was not clear enough to be taken.',
        }
      : {
          say: 'Sound the reference now.',
          more: 'A fork, a piano, a friend’s string: the next note is taken as it is.',
        },
  fault: ({ fault }) => faultInWords(fault),
  refusal: ({ refusal, together }) => refusalInWords(refusal, together),
  'which string': ({ courses }) => ({
    say: `Was that string ${courses.join(' or ')}?`,
    more: 'Its pitch alone does not tell. Press its number: the pluck is kept until then.',
  }),
  touched: (facts) => touchedInWords(facts),
  pegs: ({ task, found }) => pegTestInWords(task, found),
  winding: ({ task }) => windingInWords(task),
  'strum asked': ({ strings }) => ({
    say: `Strum all ${strings} strings, slowly.`,
    more: 'One after the other, and let them ring for a second.',
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
  const say = WORDS[saying.about] as (facts: Saying) => Sentence;
  return say(saying);
}
