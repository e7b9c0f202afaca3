import { expect } from 'chai';
import { list, message, moment } from '../message.ts';
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
const CLOCK = { now: NOW, zone: 'Europe/Berlin' };

const round = (by: number | null, done = 0): Round => {
  const made = newRound(
    { id: 'r', name: 'Class', way: 'anyOrder', madeAt: NOW, zone: 'Europe/Berlin', by },
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
    expect(said(round(null))).to.deep.equal(
      message('rounds.left', { left: 4, all: 4, minutes: 12 }),
    );
    expect(said(round(NOW + 30 * MINUTE_MS, 1))).to.deep.equal(
      message('rounds.leftInTime', {
        left: 3,
        all: 4,
        minutes: 9,
        by: moment(1795791600000, { now: 1795789800000, zone: 'Europe/Berlin' }, 'time'),
      }),
    );
    expect(said(round(NOW + 5 * MINUTE_MS, 1))).to.deep.equal(
      message('rounds.leftTooLate', {
        left: 3,
        all: 4,
        minutes: 9,
        late: 4,
        by: moment(1795790100000, { now: 1795789800000, zone: 'Europe/Berlin' }, 'time'),
      }),
    );
    expect(said(round(null, 4))).to.deep.equal(message('rounds.allDone', { all: 4 }));
    expect(roundInShort(round(NOW + 30 * MINUTE_MS, 1), NOW)).to.deep.equal(
      message('rounds.leftInTimeShort', { left: 3, all: 4, minutes: 9 }),
    );
    expect(roundInShort(round(NOW + 5 * MINUTE_MS, 1), NOW)).to.deep.equal(
      message('rounds.leftTooLateShort', { left: 3, all: 4, minutes: 9, late: 4 }),
    );
    expect(roundInShort(round(null), NOW)).to.deep.equal(
      message('rounds.leftShort', { left: 4, all: 4, minutes: 12 }),
    );
  });

  const task = (change: Partial<RoundTask>): RoundTask => ({
    name: 'Wren',
    way: 'anyOrder',
    heard: { kind: 'unread', courses: [4, 3, 2, 1], of: 4 },
    mayBe: null,
    before: null,
    ...change,
  });
  const cases: readonly (readonly [Partial<RoundTask>, object | null])[] = [
    [{}, { say: message('rounds.strum', { name: 'Wren' }), more: message('rounds.strum.more') }],
    [
      { before: { name: 'Heron', standing: 'right' } },
      {
        say: message('rounds.strum', { name: 'Wren' }),
        more: message('rounds.was', {
          name: 'Heron',
          standing: message('rounds.standing', { standing: 'right' }),
        }),
      },
    ],
    [
      { way: 'rollCall' },
      { say: message('rounds.call', { name: 'Wren' }), more: message('rounds.strum.more') },
    ],
    [{ heard: { kind: 'off', courses: [2] } }, null],
    [
      { heard: { kind: 'unread', courses: [3, 2], of: 4 } },
      {
        say: message('rounds.notHeard', { name: 'Wren', count: 2, strings: list([3, 2], 'and') }),
        more: message('rounds.notHeard.more', { count: 2 }),
      },
    ],
    [
      { heard: { kind: 'once more' } },
      { say: message('rounds.onceMore', { name: 'Wren' }), more: message('rounds.onceMore.more') },
    ],
    [
      { heard: { kind: 'done' } },
      {
        say: message('rounds.was', {
          name: 'Wren',
          standing: message('rounds.standing', { standing: 'done' }),
        }),
        more: null,
      },
    ],
    [
      { mayBe: { name: 'Heron', isOne: true }, heard: { kind: 'right' } },
      {
        say: message('rounds.isThis', { other: 'Heron' }),
        more: message('rounds.isThis.more', { other: 'Heron', name: 'Wren' }),
      },
    ],
    [
      { mayBe: { name: 'one of the ukuleles', isOne: false } },
      {
        say: message('rounds.isThis', { other: 'one of the ukuleles' }),
        more: message('rounds.isOneOf.more', { name: 'Wren' }),
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
    expect(later('waiting')).to.deep.equal(message('rounds.notLookedAt'));
    expect(later('off')).to.deep.equal(
      message('rounds.toBeTuned', {
        strings: list([message('rounds.stringOff', { side: 'low', string: 2, cents: 9.2 })]),
      }),
    );
    expect(later('needsString')).to.deep.equal(message('rounds.putStringOn'));
    expect(later('toRepairer')).to.deep.equal(message('rounds.takeToRepairer'));
    expect(later('right', NOW + 86_400_000)).to.deep.equal(
      message('rounds.lookAgain', {
        day: moment(1795876200000, { now: 1795789800000, zone: 'Europe/Berlin' }, 'spoken day'),
      }),
    );
    expect(later('done')).to.equal(null);
  });
});
