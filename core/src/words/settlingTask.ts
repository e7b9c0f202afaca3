import type { SettlingStep } from '../settling/index.ts';
import type { Sentence } from './sentence.ts';

type Facts<S extends SettlingStep['step']> = Extract<SettlingStep, { step: S }>;

const WORDS: {
  readonly [S in SettlingStep['step']]: (facts: Facts<S>, lesson: string) => Sentence;
} = {
  answer: ({ course }) => ({
    say: `One question about string ${course}.`,
    more: 'Its last reading is kept; it counts once you have answered.',
  }),
  pluck: ({ course }) => ({
    say: course === null ? 'No string is new.' : `Pluck string ${course}.`,
    more: 'New strings fall as soon as they are tuned. Each pluck tells how far.',
  }),
  'bring back': ({ course, note }) => ({
    say: `Bring string ${course} back up to ${note}.`,
    more: 'Come up from below, then pluck it once more at its note.',
  }),
  'tune first': ({ course, note }) => ({
    say: `Tune string ${course} up to ${note} first.`,
    more: 'Then it is pulled.',
  }),
  loosen: ({ course, note }) => ({
    say: `Loosen string ${course}, then come up to ${note}.`,
    more: 'It is high.',
  }),
  pull: pullInWords,
  'bring up': ({ course, note }) => ({
    say: `Bring string ${course} up to ${note}.`,
    more: 'It needs no pulling.',
  }),
  'go on': ({ from, to }) => ({
    say: `Now string ${to}: pluck it.`,
    more: `String ${from} stands at its note.`,
  }),
  'all hold': (_, lesson) => ({
    say: `All new strings hold ${lesson}.`,
    more: 'Look again when it is due.',
  }),
  'leave alone': ({ waiting }) => ({
    say: 'Leave them alone now.',
    more: `Time does more than pulling for string${waiting.length > 1 ? 's' : ''} ${waiting.join(', ')}. Look again when it is due.`,
  }),
};

function pullInWords({ course, headroom, near, thin }: Facts<'pull'>): Sentence {
  const how = 'Along its length, a finger’s breadth, away from the face.';
  const care = near
    ? ` It has ${headroom.toFixed(1)} semitones to breaking: less than the others.`
    : thin
      ? ' It is thin: least of all.'
      : '';
  return { say: `Pull string ${course} gently, then pluck it.`, more: `${how}${care}` };
}

/** What to do now with new strings. @param lesson how long a lesson they must hold, in words */
export function settlingTaskInWords(step: SettlingStep, lesson: string): Sentence {
  const say = WORDS[step.step] as (facts: SettlingStep, lesson: string) => Sentence;
  return say(step, lesson);
}
