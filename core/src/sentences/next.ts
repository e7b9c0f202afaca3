import type { Moved, NamedString, NextStep } from '../coach/index.ts';
import { list, type Message, message, type Sentence } from '../message.ts';
import { loosen } from '../strings/index.ts';
import type { Cents } from '../units.ts';
import { stringAndNote } from './courses.ts';
import { backInWords, directionInWords, sizeInWords } from './turns.ts';

type Facts<S extends NextStep['step']> = Extract<NextStep, { step: S }>;

const SENTENCES: { readonly [S in NextStep['step']]: (facts: Facts<S>) => Sentence } = {
  'pluck any': () => ({ say: message('bench.pluckAny'), more: message('bench.pluckAny.more') }),
  pluck: ({ string }) => ({
    say: message('bench.pluck', { string: nameOf(string) }),
    more: message('bench.pluck.more'),
  }),
  'go on': ({ leftAlone, next }) => ({
    say: next
      ? message('bench.goOn', { done: doneBy(leftAlone), next: nameOf(next) })
      : message('bench.stringDone', { done: doneBy(leftAlone) }),
    more: message('bench.goOn.more'),
  }),
  'let it ring': ({ short }) =>
    short
      ? { say: message('bench.cutShort'), more: message('bench.cutShort.more') }
      : { say: message('bench.stillMoved'), more: message('bench.stillMoved.more') },
  'once more': ({ fromAbove }) => ({
    say: message('bench.onceMore'),
    more: fromAbove ? message('bench.cameDown') : message('bench.onceMore.more'),
  }),
  'too far': ({ tighten, turn }) => ({
    say: message('bench.tooFar'),
    more: turn
      ? message('bench.tooFar.more', {
          way: directionInWords(loosen(tighten)),
          turn: backInWords(turn),
        })
      : message('bench.tooFarNoTurn.more', { way: directionInWords(loosen(tighten)) }),
  }),
  'far off': ({ low, tighten, semitones: exactly, notes, turn }) => {
    const semitones = Math.max(1, Math.round(exactly));
    const way = directionInWords(low ? tighten : loosen(tighten));
    const side = low ? 'low' : 'high';
    return {
      say: turn
        ? message('bench.farOff', { side, way, turn: sizeInWords(turn) })
        : message('bench.farOffNoTurn', { side, way }),
      more:
        notes.length > 1
          ? message('bench.farOffPath.more', { semitones, notes: list(notes) })
          : message('bench.farOff.more', { side, semitones, notes: list(notes) }),
    };
  },
  turn: turnSentence,
  'round again': ({ most, passes }) => ({
    say: message('bench.roundAgain'),
    more: [...mostInWords(most), ...passesInWords(passes)],
  }),
  'in tune': () => ({ say: message('bench.inTune'), more: message('bench.inTune.more') }),
};

/** What to do now. */
export function stepInWords(step: NextStep): Sentence {
  const say = SENTENCES[step.step] as (facts: NextStep) => Sentence;
  return say(step);
}

function nameOf({ course, note }: NamedString): Message {
  return stringAndNote(course, note);
}

function doneBy(leftAlone: boolean) {
  return leftAlone ? 'untouched' : 'tuned';
}

function turnSentence({ low, tighten, turn, small, bold, aim }: Facts<'turn'>): Sentence {
  const way = directionInWords(low ? tighten : loosen(tighten));
  const size = turn
    ? sizeInWords(turn)
    : small
      ? message('common.turnLeast')
      : message('common.turnLittle');
  const side = low ? 'low' : 'high';
  if (bold)
    return {
      say: message('bench.turnBold', { side, way, turn: size }),
      more: aimInWords(aim) ?? message('bench.turnBold.more'),
    };
  return {
    say: message('bench.turn', { side, way, turn: size }),
    more: aimInWords(aim) ?? message('bench.turn.more', { side }),
  };
}

/** Why a string is not brought to its target; null where it is. */
function aimInWords(aim: Cents): Message | null {
  if (aim === 0) return null;
  return message('bench.aim', { side: aim > 0 ? 'high' : 'low', cents: Math.abs(aim) });
}

function mostInWords(most: Moved | null): readonly Message[] {
  if (!most) return [message('bench.othersMove')];
  const { string, cents, pull } = most;
  const moved = message('bench.movedMost', { string: nameOf(string), cents });
  if (!pull) return [moved];
  return [
    moved,
    message('bench.pulledAlong', {
      way: pull.cents > 0 ? 'up' : 'down',
      string: pull.course,
      cents: Math.abs(pull.cents),
    }),
  ];
}

function passesInWords(passes: number | null): readonly Message[] {
  if (passes === null) return [];
  return [message('bench.passesToGo', { passes })];
}
