import { expect } from 'chai';
import { message, noteValue, sentencesOf, type Text } from '../message.ts';
import type { SettlingStep } from '../settling/index.ts';
import { settlingTaskInWords } from './settlingTask.ts';

const HOW = message('settle.pull.more');
const UP = message('settle.fromBelow.more');
const SURE = message('settle.sureUntil', { when: 'then' });
const named = { course: 2, note: noteValue(59) };
const pulled = {
  step: 'pull',
  course: 2,
  times: 1,
  headroom: 6,
  near: false,
  thin: false,
  brings: null,
} as const;

const CASES: readonly (readonly [step: SettlingStep, say: Text, more: Text | null])[] = [
  [
    { step: 'answer', course: 2 },
    message('settle.question', { string: 2 }),
    message('settle.question.more'),
  ],
  [{ step: 'no string' }, message('settle.noneNew'), message('settle.noneNew.more')],
  [
    { step: 'pluck', course: 2, read: false },
    message('settle.tuneThenPluck', { string: 2 }),
    message('settle.tuneThenPluck.more'),
  ],
  [
    { step: 'pluck', course: 2, read: true },
    message('settle.pluckAsIs', { string: 2 }),
    message('settle.pluckAsIs.more'),
  ],
  [
    { step: 'bring back', ...named },
    message('settle.bringBack', { string: 2, note: noteValue(59) }),
    UP,
  ],
  [
    { step: 'tune first', ...named },
    message('settle.tuneFirst', { string: 2, note: noteValue(59) }),
    UP,
  ],
  [
    { step: 'loosen', ...named, high: 0 },
    message('settle.loosen', { string: 2, place: noteValue(59) }),
    message('settle.loosen.more'),
  ],
  [
    { step: 'bring up', ...named, high: 0 },
    message('settle.bringUp', { string: 2, place: noteValue(59) }),
    UP,
  ],
  [
    { step: 'bring up', ...named, high: 3 },
    message('settle.bringUp', {
      string: 2,
      place: message('settle.above', { cents: 3, note: noteValue(59) }),
    }),
    message('settle.fallsByItself'),
  ],
  [pulled, message('settle.pull', { string: 2, times: 1 }), [HOW]],
  [
    { ...pulled, brings: { pulled: 540, waited: 360 } },
    message('settle.pull', { string: 2, times: 1 }),
    [
      HOW,
      message('settle.pullGain', {
        pulled: message('common.duration', { unit: 'minute', count: 9 }),
        waited: message('common.duration', { unit: 'minute', count: 6 }),
      }),
    ],
  ],
  [
    { ...pulled, brings: { pulled: 380, waited: 360 } },
    message('settle.pull', { string: 2, times: 1 }),
    [HOW],
  ],
  [{ ...pulled, times: 5 }, message('settle.pull', { string: 2, times: 5 }), [HOW]],
  [
    { ...pulled, thin: true },
    message('settle.pull', { string: 2, times: 1 }),
    [HOW, message('settle.pullThin')],
  ],
  [
    { ...pulled, headroom: 3.14, near: true, thin: true },
    message('settle.pull', { string: 2, times: 1 }),
    [HOW, message('settle.pullNear', { semitones: 3.14 })],
  ],
  [
    { step: 'watch', course: 2, tooSoon: false },
    message('settle.pluckAsIs', { string: 2 }),
    message('settle.watch.more'),
  ],
  [
    { step: 'watch', course: 2, tooSoon: true },
    message('settle.tooSoon', { string: 2 }),
    message('settle.watch.more'),
  ],
  [{ step: 'working out' }, message('settle.heard'), message('settle.heard.more')],
  [
    { step: 'all hold' },
    message('settle.goodFor', { lesson: message('settle.lesson', { minutes: 45 }) }),
    SURE,
  ],
  [
    { step: 'leave alone', waiting: [3], sureAfter: 720 },
    message('settle.leaveFor', {
      count: 1,
      time: message('common.duration', { unit: 'minute', count: 12 }),
    }),
    [SURE, message('settle.leaveFor.more', { count: 1 })],
  ],
  [
    { step: 'leave alone', waiting: [3, 1], sureAfter: null },
    message('settle.leaveUntil', { count: 2, when: '16:45' }),
    [SURE, message('settle.leaveAlone.more')],
  ],
];

describe('what to do with new strings, in words', () => {
  const rest = { lesson: message('settle.lesson', { minutes: 45 }), sure: SURE, look: '16:45' };
  for (const [step, say, more] of CASES)
    it(`${step.step}: ${sentencesOf(say)[0]?.id}`, () => {
      expect(settlingTaskInWords(step, rest)).to.deep.equal({ say, more });
    });

  it('with no look planned it is left alone without a time', () => {
    const step = { step: 'leave alone', waiting: [3], sureAfter: null } as const;
    const { say } = settlingTaskInWords(step, { ...rest, look: null });
    expect(say).to.deep.equal(message('settle.leaveAlone', { count: 1 }));
  });
});
