import { expect } from 'chai';
import type { NextStep } from '../coach/index.ts';
import { list, message, noteValue, sentencesOf, type Text } from '../message.ts';
import { stepInWords } from './next.ts';

const TIGHTEN = 'awayFromYou';
const turn = {
  step: 'turn',
  tighten: TIGHTEN,
  turn: null,
  small: false,
  bold: false,
  aim: 0,
} as const;
const G3 = { course: 3, note: noteValue(55) };

const CASES: readonly (readonly [step: NextStep, say: Text, more: Text])[] = [
  [{ step: 'pluck any' }, message('bench.pluckAny'), message('bench.pluckAny.more')],
  [
    { step: 'pluck', string: G3 },
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 3, note: noteValue(55) }),
    }),
    message('bench.pluck.more'),
  ],
  [
    { step: 'go on', leftAlone: false, next: G3 },
    message('bench.goOn', {
      done: 'tuned',
      next: message('common.stringAndNote', { string: 3, note: noteValue(55) }),
    }),
    message('bench.goOn.more'),
  ],
  [
    { step: 'go on', leftAlone: true, next: null },
    message('bench.stringDone', { done: 'untouched' }),
    message('bench.goOn.more'),
  ],
  [
    { step: 'let it ring', short: false },
    message('bench.stillMoved'),
    message('bench.stillMoved.more'),
  ],
  [{ step: 'let it ring', short: true }, message('bench.cutShort'), message('bench.cutShort.more')],
  [
    { step: 'once more', fromAbove: false },
    message('bench.onceMore'),
    message('bench.onceMore.more'),
  ],
  [{ step: 'once more', fromAbove: true }, message('bench.onceMore'), message('bench.cameDown')],
  [
    { step: 'too far', tighten: TIGHTEN, turn: { turns: -0.22, guess: true } },
    message('bench.tooFar'),
    message('bench.tooFar.more', {
      way: message('common.direction', { way: 'towards' }),
      turn: message('common.turnAndMore', {
        size: message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 2 }),
        }),
      }),
    }),
  ],
  [
    { step: 'too far', tighten: TIGHTEN, turn: { turns: -0.004, guess: true } },
    message('bench.tooFar'),
    message('bench.tooFar.more', {
      way: message('common.direction', { way: 'towards' }),
      turn: message('common.turnLeast'),
    }),
  ],
  [
    { step: 'too far', tighten: TIGHTEN, turn: null },
    message('bench.tooFar'),
    message('bench.tooFarNoTurn.more', { way: message('common.direction', { way: 'towards' }) }),
  ],
  [
    {
      step: 'far off',
      low: true,
      tighten: TIGHTEN,
      semitones: 2.04,
      notes: [noteValue(54), noteValue(55)],
      turn: null,
    },
    message('bench.farOffNoTurn', {
      side: 'low',
      way: message('common.direction', { way: 'away' }),
    }),
    message('bench.farOffPath.more', {
      semitones: 2,
      notes: list([noteValue(54), noteValue(55)]),
    }),
  ],
  [
    {
      step: 'far off',
      low: true,
      tighten: TIGHTEN,
      semitones: 0.8,
      notes: [noteValue(55)],
      turn: { turns: 0.25, guess: false },
    },
    message('bench.farOff', {
      side: 'low',
      way: message('common.direction', { way: 'away' }),
      turn: message('common.turn', {
        about: 'exactly',
        size: message('common.turnEighths', { eighths: 2 }),
      }),
    }),
    message('bench.farOff.more', { side: 'low', semitones: 1, notes: list([noteValue(55)]) }),
  ],
  [
    {
      step: 'far off',
      low: false,
      tighten: TIGHTEN,
      semitones: 0.8,
      notes: [noteValue(55)],
      turn: null,
    },
    message('bench.farOffNoTurn', {
      side: 'high',
      way: message('common.direction', { way: 'towards' }),
    }),
    message('bench.farOff.more', { side: 'high', semitones: 1, notes: list([noteValue(55)]) }),
  ],
  [
    { ...turn, low: true, small: true },
    message('bench.turn', {
      side: 'low',
      way: message('common.direction', { way: 'away' }),
      turn: message('common.turnLeast'),
    }),
    message('bench.turn.more', { side: 'low' }),
  ],
  [
    { ...turn, low: false },
    message('bench.turn', {
      side: 'high',
      way: message('common.direction', { way: 'towards' }),
      turn: message('common.turnLittle'),
    }),
    message('bench.turn.more', { side: 'high' }),
  ],
  [
    { ...turn, low: true, turn: { turns: 0.25, guess: true }, aim: 4.2 },
    message('bench.turn', {
      side: 'low',
      way: message('common.direction', { way: 'away' }),
      turn: message('common.turnGuessed', {
        size: message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 2 }),
        }),
      }),
    }),
    message('bench.aim', { side: 'high', cents: 4.2 }),
  ],
  [
    { ...turn, low: true, bold: true, turn: { turns: 0.5, guess: false } },
    message('bench.turnBold', {
      side: 'low',
      way: message('common.direction', { way: 'away' }),
      turn: message('common.turn', {
        about: 'exactly',
        size: message('common.turnEighths', { eighths: 4 }),
      }),
    }),
    message('bench.turnBold.more'),
  ],
  [
    { ...turn, low: false, bold: true, aim: -3.4 },
    message('bench.turnBold', {
      side: 'high',
      way: message('common.direction', { way: 'towards' }),
      turn: message('common.turnLittle'),
    }),
    message('bench.aim', { side: 'low', cents: 3.4 }),
  ],
  [
    { step: 'round again', most: null, passes: null },
    message('bench.roundAgain'),
    [message('bench.othersMove')],
  ],
  [
    { step: 'round again', most: { string: G3, cents: 4.31, pull: null }, passes: 1 },
    message('bench.roundAgain'),
    [
      message('bench.movedMost', {
        string: message('common.stringAndNote', { string: 3, note: noteValue(55) }),
        cents: 4.31,
      }),
      message('bench.passesToGo', { passes: 1 }),
    ],
  ],
  [
    {
      step: 'round again',
      most: { string: G3, cents: 4.31, pull: { course: 6, cents: 31.8 } },
      passes: 2,
    },
    message('bench.roundAgain'),
    [
      message('bench.movedMost', {
        string: message('common.stringAndNote', { string: 3, note: noteValue(55) }),
        cents: 4.31,
      }),
      message('bench.pulledAlong', { way: 'up', string: 6, cents: 31.8 }),
      message('bench.passesToGo', { passes: 2 }),
    ],
  ],
  [
    {
      step: 'round again',
      most: { string: G3, cents: 4.31, pull: { course: 6, cents: -31.8 } },
      passes: null,
    },
    message('bench.roundAgain'),
    [
      message('bench.movedMost', {
        string: message('common.stringAndNote', { string: 3, note: noteValue(55) }),
        cents: 4.31,
      }),
      message('bench.pulledAlong', { way: 'down', string: 6, cents: 31.8 }),
    ],
  ],
  [{ step: 'in tune' }, message('bench.inTune'), message('bench.inTune.more')],
];

describe('what is to be done, in words', () => {
  for (const [step, say, more] of CASES)
    it(`${step.step}: ${sentencesOf(say)[0]?.id}`, () => {
      expect(stepInWords(step)).to.deep.equal({ say, more });
    });
});
