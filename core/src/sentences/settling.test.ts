import { expect } from 'chai';
import { list, message, moment, signed, type Text } from '../message.ts';
import type { StringSettling } from '../settling/index.ts';
import {
  chanceInWords,
  holdInWords,
  lessonAsked,
  lookInWords,
  questionOf,
  slipsInWords,
  standingInWords,
  sureInWords,
} from './settling.ts';

const NOW = Date.UTC(2026, 10, 25, 9);
const CLOCK = { now: NOW, zone: 'Europe/London' };
const outlook = (promise: number, lesson: number) => ({
  promise,
  hold: { expected: 3600, low: 1500, high: 10_800 },
  lesson,
});
const string = (course: number, change: Partial<StringSettling> = {}): StringSettling => ({
  history: {
    course,
    material: 'nylon',
    fittedAt: 0,
    taken: [],
    events: [],
    rounds: [],
    droppedSoFar: 0,
    last: null,
    aside: 0,
  },
  stands: outlook(1200, 0.8),
  lifted: outlook(900, 0.8),
  holds: false,
  watch: null,
  sureAfter: null,
  pull: { worth: false, pulled: outlook(1, 0), waited: outlook(1, 0) },
  slips: { probability: 0, seen: [], named: false },
  ...change,
});

describe('what new strings hold, in words', () => {
  it('as a string stands: how long it is sure, and the lesson', () => {
    expect(standingInWords(string(3), 1200)).to.deep.equal(
      message('settle.standing', {
        standing: message('settle.sure', {
          time: message('common.durationShort', { unit: 'minute', count: 20 }),
        }),
        lesson: message('settle.lessonChance', { chance: message('settle.chance', { tenths: 8 }) }),
      }),
    );
    expect(standingInWords(string(3, { holds: true }), 1200)).to.deep.equal(
      message('settle.standing', {
        standing: message('settle.sure', {
          time: message('common.durationShort', { unit: 'minute', count: 20 }),
        }),
        lesson: message('settle.holds'),
      }),
    );
    expect(standingInWords(string(3), 0)).to.deep.equal(
      message('settle.standing', {
        standing: message('settle.noLongerSure'),
        lesson: message('settle.lessonChance', { chance: message('settle.chance', { tenths: 8 }) }),
      }),
    );
    expect(standingInWords(string(3, { stands: null }), 0)).to.deep.equal(
      message('settle.notInTune', {
        time: message('common.durationShort', { unit: 'minute', count: 15 }),
      }),
    );
  });

  it('of the instrument: the shortest promise, and the string least likely to hold the lesson', () => {
    const strings = [
      string(3),
      string(2, { stands: outlook(3000, 0.2), lifted: outlook(60, 0.2) }),
    ];
    expect(sureInWords(strings, NOW, CLOCK)).to.deep.equal([
      message('settle.sureUntil', {
        when: moment(1795598400000, { now: 1795597200000, zone: 'Europe/London' }, 'time'),
      }),
      message('settle.lessonByString', {
        chance: message('settle.chance', { tenths: 2 }),
        string: 2,
      }),
    ]);
    expect(sureInWords([string(3, { holds: true })], NOW, CLOCK)).to.deep.equal([
      message('settle.sureUntil', {
        when: moment(1795598400000, { now: 1795597200000, zone: 'Europe/London' }, 'time'),
      }),
    ]);
    expect(sureInWords([string(3, { stands: null })], NOW, CLOCK)).to.deep.equal(
      message('settle.someNotInTune', {
        count: 1,
        strings: list([3]),
        time: message('common.duration', { unit: 'minute', count: 15 }),
      }),
    );
    expect(sureInWords([], NOW, CLOCK)).to.equal(null);
  });

  it('one string out of tune is said before what the others hold', () => {
    const strings = [string(3), string(1, { stands: null, lifted: outlook(9000, 0.9) })];
    expect(sureInWords(strings, NOW, CLOCK)).to.deep.equal(
      message('settle.someNotInTune', {
        count: 1,
        strings: list([1]),
        time: message('common.duration', { unit: 'minute', count: 20 }),
      }),
    );
  });

  it('promises no time that is over', () => {
    expect(sureInWords([string(3)], NOW - 3.6e6, CLOCK)).to.deep.equal([
      message('settle.lessonByString', {
        chance: message('settle.chance', { tenths: 8 }),
        string: 3,
      }),
    ]);
    expect(sureInWords([string(3, { stands: outlook(0, 0.1) })], NOW, CLOCK)).to.deep.equal([
      message('settle.lessonByString', {
        chance: message('settle.chance', { tenths: 8 }),
        string: 3,
      }),
    ]);
  });

  it('a chance in tenths, never a certainty', () => {
    expect([0, 0.04, 0.3, 0.94, 0.97, 1].map(chanceInWords)).to.deep.equal([
      message('settle.chance', { tenths: 0 }),
      message('settle.chance', { tenths: 0 }),
      message('settle.chance', { tenths: 3 }),
      message('settle.chance', { tenths: 9 }),
      message('settle.chance', { tenths: 10 }),
      message('settle.chance', { tenths: 10 }),
    ]);
  });

  it('what is expected, with its interval', () => {
    expect(holdInWords(outlook(1, 0))).to.deep.equal(
      message('settle.hold', {
        expected: message('common.durationShort', { unit: 'hour', count: 1 }),
        low: message('common.durationShort', { unit: 'minute', count: 25 }),
        high: message('common.durationShort', { unit: 'hour', count: 3 }),
      }),
    );
    const long = { ...outlook(1, 0), hold: { expected: 2e6, low: 3600, high: 2e6 } };
    expect(holdInWords(long)).to.deep.equal(
      message('settle.hold', {
        expected: message('settle.fortnight'),
        low: message('common.durationShort', { unit: 'hour', count: 1 }),
        high: message('settle.fortnight'),
      }),
    );
  });

  it('the class that is planned, or a lesson from now', () => {
    expect(lessonAsked(45, null, CLOCK)).to.deep.equal(message('settle.lesson', { minutes: 45 }));
    expect(lessonAsked(45, NOW + 7 * 3.6e6, CLOCK)).to.deep.equal(
      message('settle.class', {
        when: moment(1795622400000, { now: 1795597200000, zone: 'Europe/London' }, 'spoken moment'),
      }),
    );
  });

  it('a winding is named only after repeated drops', () => {
    const slipping = (named: boolean) =>
      slipsInWords(string(2, { slips: { probability: 0.95, seen: [6.1, 9], named } }));
    expect(slipping(true)).to.deep.equal(
      message('settle.slips', { string: 2, times: 2, drops: list([6, 9]) }),
    );
    expect(slipping(false)).to.equal(null);
  });
});

describe('questions about new strings', () => {
  it('say what was heard and offer what it may be', () => {
    const rose = questionOf(2, { kind: 'rose', cents: 7.25 });
    expect(rose.ask).to.deep.equal(message('settle.rose', { string: 2, cents: signed(7.25) }));
    expect(rose.answers).to.include.members(['retuned', 'room', 'left out']);
    expect(questionOf(2, { kind: 'fell', cents: 31 }).answers).to.include('stretched');
    expect(questionOf(2, { kind: 'another string', like: 3 }).ask).to.deep.equal(
      message('settle.swapped', { string: 2, other: 3 }),
    );
    expect(questionOf(2, { kind: 'clock back', byMs: 3.6e6 }).ask).to.deep.equal(
      message('settle.clockBack', { time: message('common.duration', { unit: 'hour', count: 1 }) }),
    );
  });
});

describe('the next look in words', () => {
  // In London in winter: 06:00 is night, 09:00 day.
  const at = Date.UTC(2026, 10, 25, 7);
  const cases: readonly (readonly [number, Text])[] = [
    [
      Date.UTC(2026, 10, 25, 5),
      message('settle.lookAt', {
        when: moment(at, { ...CLOCK, now: Date.UTC(2026, 10, 25, 5) }, 'spoken moment'),
      }),
    ],
    [
      Date.UTC(2026, 10, 25, 9),
      message('settle.lookNow', {
        when: moment(at, { ...CLOCK, now: Date.UTC(2026, 10, 25, 9) }, 'spoken moment'),
      }),
    ],
    [
      Date.UTC(2026, 10, 25, 23),
      message('settle.lookMorning', {
        when: moment(at, { ...CLOCK, now: Date.UTC(2026, 10, 25, 23) }, 'spoken moment'),
      }),
    ],
    [
      Date.UTC(2026, 10, 26, 3),
      message('settle.lookMorning', {
        when: moment(at, { ...CLOCK, now: Date.UTC(2026, 10, 26, 3) }, 'spoken moment'),
      }),
    ],
  ];
  for (const [now, says] of cases)
    it(new Date(now).toISOString(), () => {
      expect(lookInWords(at, { ...CLOCK, now })).to.deep.equal(says);
    });
});
