import type { SettlingStep } from '../settling/index.ts';
import { fixed } from '../writing.ts';
import { durationInWords } from './figures.ts';
import type { Sentence } from './sentence.ts';

type Facts<S extends SettlingStep['step']> = Extract<SettlingStep, { step: S }>;

/** What is known at rest, beside what is to be done. */
export interface AtRest {
  /** What they must hold, in words. @example 'a 45-minute lesson' */
  readonly lesson: string;
  /** How sure it is; '' before that can be told. */
  readonly sure: string;
  /** When to look again; '' where that is not planned. @example 'today 16:45' */
  readonly look: string;
}

const WORDS: {
  readonly [S in SettlingStep['step']]: (facts: Facts<S>, rest: AtRest) => Sentence;
} = {
  answer: ({ course }) => ({
    say: `One question about string ${course}.`,
    more: 'Its last reading is kept; it counts once you have answered.',
  }),
  'no string': () => ({ say: 'No string is new.', more: 'Say which ones are, and begin again.' }),
  pluck: ({ course, read }) => ({
    say: read ? `Pluck string ${course} as it stands.` : `Tune string ${course}, then pluck it.`,
    more: read ? 'Before anything is turned.' : 'All are tuned first; each is pulled after that.',
  }),
  'bring back': ({ course, note }) => ({
    say: `Bring string ${course} back up to ${note}.`,
    more: 'Come up from below, then pluck it.',
  }),
  'tune first': ({ course, note }) => ({
    say: `Tune string ${course} up to ${note} first.`,
    more: 'Come up from below, then pluck it.',
  }),
  loosen: ({ course, note, high }) => ({
    say: `Loosen string ${course}, then come up to ${placeInWords(note, high)}.`,
    more: 'It is high.',
  }),
  pull: pullInWords,
  'bring up': ({ course, note, high }) => ({
    say: `Bring string ${course} up to ${placeInWords(note, high)}.`,
    more: high > 0 ? 'It falls to its note by itself.' : 'Come up from below, then pluck it.',
  }),
  watch: ({ course, tooSoon }) => ({
    say: tooSoon
      ? `Leave string ${course} half a minute, then pluck it.`
      : `Pluck string ${course} as it stands.`,
    more: 'Turn nothing: how far it fell tells how long it holds.',
  }),
  'working out': () => ({ say: 'Heard.', more: 'Working out how long they hold.' }),
  'all hold': (_, { lesson, sure }) => ({
    say: `Good for ${lesson}.`,
    more: sure,
  }),
  'leave alone': ({ waiting, sureAfter }, { sure, look }) => {
    const them = waiting.length > 1 ? 'them' : 'it';
    const each = waiting.length > 1 ? ' each' : '';
    const they = waiting.length > 1 ? 'they fall' : 'it falls';
    if (sureAfter !== null)
      return {
        say: `Leave ${them} ${durationInWords(sureAfter)}, then one pluck${each}.`,
        more: `${sure} If ${they} as expected, that pluck makes it sure.`.trim(),
      };
    return {
      say: look
        ? `Leave ${them} until ${look}, then one pluck${each}.`
        : `Leave ${them} alone now.`,
      more: `${sure} Time does more than pulling now.`.trim(),
    };
  },
};

function placeInWords(note: string, high: number): string {
  return high > 0 ? `${fixed(high)} cents above ${note}` : note;
}

function pullInWords(facts: Facts<'pull'>): Sentence {
  const { course, times, headroom, near, thin, brings } = facts;
  const how = 'Along its length, a finger’s breadth, away from the face.';
  const care = near
    ? ` It has ${fixed(headroom, 1)} semitones to breaking: less than the others.`
    : thin
      ? ' It is thin: least of all.'
      : '';
  const often = times > 1 ? ` ${times} times` : '';
  const gain = brings && gainInWords(brings);
  return {
    say: `Pull string ${course} gently${often}, then pluck it.`,
    more: `${how}${care}${gain ? ` ${gain}` : ''}`,
  };
}

/** What a pull is expected to bring; nothing where the two are told alike. */
function gainInWords({ pulled, waited }: { pulled: number; waited: number }): string {
  const [after, without] = [durationInWords(pulled), durationInWords(waited)];
  return after === without ? '' : `Up again it should hold ${after}; without a pull, ${without}.`;
}

/** What to do now with new strings. */
export function settlingTaskInWords(step: SettlingStep, rest: AtRest): Sentence {
  const say = WORDS[step.step] as (facts: SettlingStep, rest: AtRest) => Sentence;
  return say(step, rest);
}
