import { expect } from 'chai';
import type { NextStep } from '../coach/index.ts';
import { stepInWords } from './next.ts';

const TIGHTEN = 'away from you';
const turn = {
  step: 'turn',
  tighten: TIGHTEN,
  turn: null,
  small: false,
  bold: false,
  aim: 0,
} as const;
const G3 = { course: 3, note: 'G3' };

const CASES: readonly (readonly [step: NextStep, say: string, more: string])[] = [
  [{ step: 'pluck any' }, 'Pluck any string.', 'Or strum them all, slowly.'],
  [
    { step: 'pluck', string: G3 },
    'Pluck string 3, G3.',
    'One string at a time; rest a finger on the others.',
  ],
  [
    { step: 'go on', leftAlone: false, next: G3 },
    'Done. Now string 3, G3.',
    'Mute this one before you go on.',
  ],
  [
    { step: 'go on', leftAlone: true, next: null },
    'It is right: leave it alone.',
    'Mute this one before you go on.',
  ],
  [
    { step: 'let it ring', short: false },
    'Nearly. Let it ring out once.',
    'The pitch was still moving.',
  ],
  [
    { step: 'let it ring', short: true },
    'Right so far. Pluck it once more and let it ring.',
    'Both notes were cut short.',
  ],
  [
    { step: 'once more', fromAbove: false },
    'At rest. Pluck it once more to be sure.',
    'Two plucks that agree close this string.',
  ],
  [
    { step: 'once more', fromAbove: true },
    'At rest. Pluck it once more to be sure.',
    'You came down from above: it may slip. Go just below and come up once.',
  ],
  [
    { step: 'too far', tighten: TIGHTEN, turn: { turns: -0.22, guess: true } },
    'Too far. Drop just below, then come up.',
    'Loosen, towards you, a quarter turn and a little more, then tighten: the last movement is always upward.',
  ],
  [
    { step: 'too far', tighten: TIGHTEN, turn: { turns: -0.004, guess: true } },
    'Too far. Drop just below, then come up.',
    'Loosen, towards you, as little as you can, then tighten: the last movement is always upward.',
  ],
  [
    { step: 'too far', tighten: TIGHTEN, turn: null },
    'Too far. Drop just below, then come up.',
    'Loosen, towards you, then tighten: the last movement is always upward.',
  ],
  [
    {
      step: 'far off',
      low: true,
      tighten: TIGHTEN,
      semitones: 2.04,
      notes: ['F♯3', 'G3'],
      turn: null,
    },
    'Far below. Tighten, away from you.',
    '2.0 semitones to go. On the way: F♯3, G3. Slow before the last.',
  ],
  [
    {
      step: 'far off',
      low: true,
      tighten: TIGHTEN,
      semitones: 0.8,
      notes: ['G3'],
      turn: { turns: 0.25, guess: false },
    },
    'Far below. Tighten, away from you, a quarter turn.',
    '0.8 semitones to go. Up to G3. Slow before the last.',
  ],
  [
    { step: 'far off', low: false, tighten: TIGHTEN, semitones: 0.8, notes: ['G3'], turn: null },
    'Far above. Loosen, towards you.',
    '0.8 semitones to go. Down to G3. Slow before the last.',
  ],
  [
    { ...turn, low: true, small: true },
    'Low. Tighten, away from you, as little as you can.',
    'Sound it, hear it, then turn.',
  ],
  [
    { ...turn, low: false },
    'High. Loosen, towards you, a little.',
    'Go a little below, then come up to it.',
  ],
  [
    { ...turn, low: true, turn: { turns: 0.25, guess: true }, aim: 4.2 },
    'Low. Tighten, away from you, a quarter turn, at a guess.',
    'Aim +4: it will drop as the others are tuned.',
  ],
  [
    { ...turn, low: true, bold: true, turn: { turns: 0.5, guess: false } },
    'Low. In one move: tighten, away from you, half a turn.',
    'Then the fine part, upward.',
  ],
  [
    { ...turn, low: false, bold: true, aim: -3.4 },
    'High. In one move: loosen, towards you, a little.',
    'Aim −3: it will rise as the others are tuned.',
  ],
  [
    { step: 'round again', most: null, passes: null },
    'Go round again from the start.',
    'Tuning one string moves the others.',
  ],
  [
    { step: 'round again', most: { string: G3, cents: 4.31, pull: null }, passes: 1 },
    'Go round again from the start.',
    'string 3, G3 moved most: 4.3 cents. One look should do.',
  ],
  [
    {
      step: 'round again',
      most: { string: G3, cents: 4.31, pull: { course: 6, cents: 31.8 } },
      passes: 2,
    },
    'Go round again from the start.',
    'string 3, G3 moved most: 4.3 cents. String 6 pulled it along when it came up 32 cents. About 2 more.',
  ],
  [
    {
      step: 'round again',
      most: { string: G3, cents: 4.31, pull: { course: 6, cents: -31.8 } },
      passes: null,
    },
    'Go round again from the start.',
    'string 3, G3 moved most: 4.3 cents. String 6 pulled it along when it went down 32 cents.',
  ],
  [{ step: 'in tune' }, 'In tune. Nothing had to move.', 'You can hand it back.'],
];

describe('what is to be done, in words', () => {
  for (const [step, say, more] of CASES)
    it(`${step.step}: ${say} ${more}`, () => {
      expect(stepInWords(step)).to.deep.equal({ say, more });
    });
});
