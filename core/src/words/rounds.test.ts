import { expect } from 'chai';
import { newRound, type Round, roundAfter } from '../rounds/index.ts';
import {
  laterInWords,
  type RoundTask,
  roundInShort,
  roundInWords,
  roundTaskInWords,
} from './index.ts';

const NOW = Date.parse('2026-11-27T14:30:00Z');
const MINUTE_MS = 60_000;
const CLOCK = { now: NOW, zone: 'Europe/Berlin', reader: 'en-GB' };

const round = (by: number | null, done = 0): Round => {
  const made = newRound(
    { id: 'r', name: 'Class', way: 'any order', madeAt: NOW, zone: 'Europe/Berlin', by },
    [1, 2, 3, 4].map((n) => ({ instrumentId: `i${n}`, minutes: 3 })),
  );
  let now = roundAfter(made, { type: 'take', instrumentId: 'i1' }, NOW);
  for (let i = 1; i <= done; i++)
    now = roundAfter(
      now,
      { type: 'book', instrumentId: `i${i}`, standing: 'right' },
      NOW + 3 * i * MINUTE_MS,
    );
  return now;
};

describe('a round in words', () => {
  it('says how many are left, how long that takes and whether it is in time', () => {
    const said = (one: Round) => roundInWords(one, CLOCK);
    expect(said(round(null))).to.equal('4 of 4 left, about 12 minutes');
    expect(said(round(NOW + 30 * MINUTE_MS, 1))).to.equal(
      '3 of 4 left, about 9 minutes, in time (by 16:00)',
    );
    expect(said(round(NOW + 5 * MINUTE_MS, 1))).to.equal(
      '3 of 4 left, about 9 minutes, 4 minutes too many (by 15:35)',
    );
    expect(said(round(null, 4))).to.equal('all 4 done with');
    expect(roundInShort(round(NOW + 30 * MINUTE_MS, 1), NOW)).to.equal(
      '3 of 4 left, 9 min, in time',
    );
    expect(roundInShort(round(NOW + 5 * MINUTE_MS, 1), NOW)).to.equal(
      '3 of 4 left, 9 min, 4 too many',
    );
    expect(roundInShort(round(null), NOW)).to.equal('4 of 4 left, 12 min');
  });

  const task = (change: Partial<RoundTask>): RoundTask => ({
    name: 'Wren',
    way: 'any order',
    heard: { kind: 'unread', courses: [4, 3, 2, 1], of: 4 },
    mayBe: null,
    before: null,
    ...change,
  });
  const cases: readonly (readonly [Partial<RoundTask>, object | null])[] = [
    [{}, { say: 'Wren: one strum over all strings.', more: 'Or each string once.' }],
    [
      { before: { name: 'Heron', standing: 'right' } },
      { say: 'Wren: one strum over all strings.', more: 'Heron: right as it is.' },
    ],
    [{ way: 'roll call' }, { say: 'Wren: strum once.', more: 'Or each string once.' }],
    [{ heard: { kind: 'off', courses: [2] } }, null],
    [
      { heard: { kind: 'unread', courses: [3, 2], of: 4 } },
      { say: 'Wren: strings 3 and 2 not heard.', more: 'Pluck each alone, or strum again.' },
    ],
    [
      { heard: { kind: 'once more' } },
      { say: 'Wren: strum once more.', more: 'So much was turned that the others may have moved.' },
    ],
    [{ heard: { kind: 'done' } }, { say: 'Wren: put right.', more: '' }],
    [
      { mayBe: { name: 'Heron', isOne: true }, heard: { kind: 'right' } },
      { say: 'Is this Heron?', more: 'Enter takes Heron; Space goes on with Wren.' },
    ],
    [
      { mayBe: { name: 'one of the ukuleles', isOne: false } },
      {
        say: 'Is this one of the ukuleles?',
        more: 'Enter asks which one; Space goes on with Wren.',
      },
    ],
  ];
  for (const [change, wanted] of cases)
    it(JSON.stringify(change), () => {
      expect(roundTaskInWords(task(change))).to.deep.equal(wanted);
    });

  it('says what is to be done later', () => {
    const later = (
      standing: Parameters<typeof laterInWords>[0]['standing'],
      due: number | null = null,
    ) =>
      laterInWords(
        { standing },
        standing === 'off' ? [{ course: 2, cents: -9.2 }] : [],
        due,
        CLOCK,
      );
    expect(later('waiting')).to.equal('Still to be looked at.');
    expect(later('off')).to.equal('To be tuned: string 2 9 cents low.');
    expect(later('needs a string')).to.equal('Put a string on.');
    expect(later('to the repairer')).to.equal('Take it to the repairer.');
    expect(later('right', NOW + 86_400_000)).to.equal('Look again tomorrow.');
    expect(later('done')).to.equal('');
  });
});
