import { expect } from 'chai';
import type { SettlingStep } from '../settling/index.ts';
import { settlingTaskInWords } from './settlingTask.ts';

const HOW = 'Along its length, a finger’s breadth, away from the face.';
const UP = 'Come up from below, then pluck it.';
const SURE = 'Sure until 16:20.';
const named = { course: 2, note: 'B3' };
const pulled = {
  step: 'pull',
  course: 2,
  times: 1,
  headroom: 6,
  near: false,
  thin: false,
  brings: null,
} as const;

const CASES: readonly (readonly [step: SettlingStep, say: string, more: string])[] = [
  [
    { step: 'answer', course: 2 },
    'One question about string 2.',
    'Its last reading is kept; it counts once you have answered.',
  ],
  [{ step: 'no string' }, 'No string is new.', 'Say which ones are, and begin again.'],
  [
    { step: 'pluck', course: 2, read: false },
    'Tune string 2, then pluck it.',
    'All are tuned first; each is pulled after that.',
  ],
  [
    { step: 'pluck', course: 2, read: true },
    'Pluck string 2 as it stands.',
    'Before anything is turned.',
  ],
  [{ step: 'bring back', ...named }, 'Bring string 2 back up to B3.', UP],
  [{ step: 'tune first', ...named }, 'Tune string 2 up to B3 first.', UP],
  [{ step: 'loosen', ...named, high: 0 }, 'Loosen string 2, then come up to B3.', 'It is high.'],
  [{ step: 'bring up', ...named, high: 0 }, 'Bring string 2 up to B3.', UP],
  [
    { step: 'bring up', ...named, high: 3 },
    'Bring string 2 up to 3 cents above B3.',
    'It falls to its note by itself.',
  ],
  [pulled, 'Pull string 2 gently, then pluck it.', HOW],
  [
    { ...pulled, brings: { pulled: 540, waited: 360 } },
    'Pull string 2 gently, then pluck it.',
    `${HOW} Up again it should hold 9 minutes; without a pull, 6 minutes.`,
  ],
  [
    { ...pulled, brings: { pulled: 380, waited: 360 } },
    'Pull string 2 gently, then pluck it.',
    HOW,
  ],
  [{ ...pulled, times: 5 }, 'Pull string 2 gently 5 times, then pluck it.', HOW],
  [
    { ...pulled, thin: true },
    'Pull string 2 gently, then pluck it.',
    `${HOW} It is thin: least of all.`,
  ],
  [
    { ...pulled, headroom: 3.14, near: true, thin: true },
    'Pull string 2 gently, then pluck it.',
    `${HOW} It has 3.1 semitones to breaking: less than the others.`,
  ],
  [
    { step: 'watch', course: 2, tooSoon: false },
    'Pluck string 2 as it stands.',
    'Turn nothing: how far it fell tells how long it holds.',
  ],
  [
    { step: 'watch', course: 2, tooSoon: true },
    'Leave string 2 half a minute, then pluck it.',
    'Turn nothing: how far it fell tells how long it holds.',
  ],
  [{ step: 'working out' }, 'Heard.', 'Working out how long they hold.'],
  [{ step: 'all hold' }, 'Good for a 45-minute lesson.', SURE],
  [
    { step: 'leave alone', waiting: [3], sureAfter: 720 },
    'Leave it 12 minutes, then one pluck.',
    `${SURE} If it falls as expected, that pluck makes it sure.`,
  ],
  [
    { step: 'leave alone', waiting: [3, 1], sureAfter: null },
    'Leave them until 16:45, then one pluck each.',
    `${SURE} Time does more than pulling now.`,
  ],
];

describe('what to do with new strings, in words', () => {
  const rest = { lesson: 'a 45-minute lesson', sure: SURE, look: '16:45' };
  for (const [step, say, more] of CASES)
    it(`${step.step}: ${say} ${more}`, () => {
      expect(settlingTaskInWords(step, rest)).to.deep.equal({ say, more });
    });

  it('with no look planned it is left alone without a time', () => {
    const step = { step: 'leave alone', waiting: [3], sureAfter: null } as const;
    const { say } = settlingTaskInWords(step, { ...rest, look: '' });
    expect(say).to.equal('Leave it alone now.');
  });
});
