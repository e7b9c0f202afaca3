import { expect } from 'chai';
import type { SettlingStep } from '../settling/index.ts';
import { settlingTaskInWords } from './settlingTask.ts';

const HOW = 'Along its length, a finger’s breadth, away from the face.';

const CASES: readonly (readonly [step: SettlingStep, say: string, more: string])[] = [
  [
    { step: 'answer', course: 2 },
    'One question about string 2.',
    'Its last reading is kept; it counts once you have answered.',
  ],
  [
    { step: 'pluck', course: 2 },
    'Pluck string 2.',
    'New strings fall as soon as they are tuned. Each pluck tells how far.',
  ],
  [
    { step: 'pluck', course: null },
    'No string is new.',
    'New strings fall as soon as they are tuned. Each pluck tells how far.',
  ],
  [
    { step: 'bring back', course: 2, note: 'B3' },
    'Bring string 2 back up to B3.',
    'Come up from below, then pluck it once more at its note.',
  ],
  [
    { step: 'tune first', course: 2, note: 'B3' },
    'Tune string 2 up to B3 first.',
    'Then it is pulled.',
  ],
  [
    { step: 'loosen', course: 2, note: 'B3' },
    'Loosen string 2, then come up to B3.',
    'It is high.',
  ],
  [
    { step: 'pull', course: 2, headroom: 6, near: false, thin: false },
    'Pull string 2 gently, then pluck it.',
    HOW,
  ],
  [
    { step: 'pull', course: 2, headroom: 6, near: false, thin: true },
    'Pull string 2 gently, then pluck it.',
    `${HOW} It is thin: least of all.`,
  ],
  [
    { step: 'pull', course: 2, headroom: 3.14, near: true, thin: true },
    'Pull string 2 gently, then pluck it.',
    `${HOW} It has 3.1 semitones to breaking: less than the others.`,
  ],
  [{ step: 'bring up', course: 2, note: 'B3' }, 'Bring string 2 up to B3.', 'It needs no pulling.'],
  [{ step: 'go on', from: 2, to: 1 }, 'Now string 1: pluck it.', 'String 2 stands at its note.'],
  [{ step: 'all hold' }, 'All new strings hold a 45-minute lesson.', 'Look again when it is due.'],
  [
    { step: 'leave alone', waiting: [3] },
    'Leave them alone now.',
    'Time does more than pulling for string 3. Look again when it is due.',
  ],
  [
    { step: 'leave alone', waiting: [3, 1] },
    'Leave them alone now.',
    'Time does more than pulling for strings 3, 1. Look again when it is due.',
  ],
];

describe('what to do with new strings, in words', () => {
  for (const [step, say, more] of CASES)
    it(`${step.step}: ${say} ${more}`, () => {
      expect(settlingTaskInWords(step, 'a 45-minute lesson')).to.deep.equal({ say, more });
    });
});
