import type { Moved, NamedString, NextStep, TurnSize } from '../coach/index.ts';
import { loosen, type TightenDirection } from '../strings/index.ts';
import type { Cents } from '../units.ts';
import { fixed } from '../writing.ts';
import type { Sentence } from './sentence.ts';
import { LEAST_TURN, sizeInWords, turnInWords } from './turns.ts';

type Facts<S extends NextStep['step']> = Extract<NextStep, { step: S }>;

const WORDS: { readonly [S in NextStep['step']]: (facts: Facts<S>) => Sentence } = {
  'pluck any': () => ({ say: 'Pluck any string.', more: 'Or strum them all, slowly.' }),
  pluck: ({ string }) => ({
    say: `Pluck ${nameOf(string)}.`,
    more: 'One string at a time; rest a finger on the others.',
  }),
  'go on': ({ leftAlone, next }) => {
    const done = leftAlone ? 'It is right: leave it alone.' : 'Done.';
    return {
      say: next ? `${done} Now ${nameOf(next)}.` : done,
      more: 'Mute this one before you go on.',
    };
  },
  'let it ring': ({ short }) => ({
    say: short
      ? 'Right so far. Pluck it once more and let it ring.'
      : 'Nearly. Let it ring out once.',
    more: short ? 'Both notes were cut short.' : 'The pitch was still moving.',
  }),
  'once more': ({ fromAbove }) => ({
    say: 'At rest. Pluck it once more to be sure.',
    more: fromAbove
      ? 'You came down from above: it may slip. Go just below and come up once.'
      : 'Two plucks that agree close this string.',
  }),
  'too far': ({ tighten, turn }) => ({
    say: 'Too far. Drop just below, then come up.',
    more: `Loosen, ${loosen(tighten)}${turn ? `, ${backInWords(turn)}` : ''}, then tighten: the last movement is always upward.`,
  }),
  'far off': ({ low, tighten, semitones, notes, turn }) => {
    const path =
      notes.length > 1
        ? `On the way: ${notes.join(', ')}.`
        : `${low ? 'Up' : 'Down'} to ${notes[0]}.`;
    return {
      say: `${low ? 'Far below' : 'Far above'}. ${wayOf(low, tighten)}${turn ? `, ${sizeInWords(turn)}` : ''}.`,
      more: `${fixed(semitones, 1)} semitones to go. ${path} Slow before the last.`,
    };
  },
  turn: turnWords,
  'round again': ({ most, passes }) => ({
    say: 'Go round again from the start.',
    more: `${mostInWords(most)}${passesInWords(passes)}`,
  }),
  'in tune': () => ({ say: 'In tune. Nothing had to move.', more: 'You can hand it back.' }),
};

/** What to do now. */
export function stepInWords(step: NextStep): Sentence {
  const say = WORDS[step.step] as (facts: NextStep) => Sentence;
  return say(step);
}

function nameOf({ course, note }: NamedString): string {
  return `string ${course}, ${note}`;
}

function wayOf(low: boolean, tighten: TightenDirection): string {
  return low ? `Tighten, ${tighten}` : `Loosen, ${loosen(tighten)}`;
}

function turnWords({ low, tighten, turn, small, bold, aim }: Facts<'turn'>): Sentence {
  const way = wayOf(low, tighten);
  const size = turn ? sizeInWords(turn) : small ? LEAST_TURN : 'a little';
  const side = low ? 'Low' : 'High';
  if (bold)
    return {
      say: `${side}. In one move: ${way.charAt(0).toLowerCase()}${way.slice(1)}, ${size}.`,
      more: aimInWords(aim) ?? 'Then the fine part, upward.',
    };
  const how = low ? 'Sound it, hear it, then turn.' : 'Go a little below, then come up to it.';
  return { say: `${side}. ${way}, ${size}.`, more: aimInWords(aim) ?? how };
}

/** Back to the note and just below it. */
function backInWords({ turns, least }: TurnSize): string {
  const size = turnInWords(turns, least);
  return size === LEAST_TURN ? size : `${size} and a little more`;
}

/** Why a string is not brought to its target; null where it is. */
function aimInWords(aim: Cents): string | null {
  if (aim === 0) return null;
  const size = fixed(Math.abs(aim));
  return aim > 0
    ? `Aim +${size}: it will drop as the others are tuned.`
    : `Aim −${size}: it will rise as the others are tuned.`;
}

function mostInWords(most: Moved | null): string {
  if (!most) return 'Tuning one string moves the others.';
  const { string, cents, pull } = most;
  const moved = `${nameOf(string)} moved most: ${fixed(cents, 1)} cents.`;
  if (!pull) return moved;
  const way = pull.cents > 0 ? 'came up' : 'went down';
  return `${moved} String ${pull.course} pulled it along when it ${way} ${fixed(Math.abs(pull.cents))} cents.`;
}

function passesInWords(passes: number | null): string {
  if (passes === null) return '';
  return passes === 1 ? ' One look should do.' : ` About ${passes} more.`;
}
