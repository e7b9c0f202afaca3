import { expect } from 'chai';
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
const CLOCK = { now: NOW, zone: 'Europe/London', reader: 'en-GB' };
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
    expect(standingInWords(string(3), 1200)).to.equal('sure 20 min · lesson 8 in 10');
    expect(standingInWords(string(3, { holds: true }), 1200)).to.equal(
      'sure 20 min · holds the lesson',
    );
    expect(standingInWords(string(3), 0)).to.equal('no longer sure · lesson 8 in 10');
    expect(standingInWords(string(3, { stands: null }), 0)).to.equal(
      'not in tune · once up, sure 15 min',
    );
  });

  it('of the instrument: the shortest promise, and the string least likely to hold the lesson', () => {
    const strings = [
      string(3),
      string(2, { stands: outlook(3000, 0.2), lifted: outlook(60, 0.2) }),
    ];
    expect(sureInWords(strings, NOW, CLOCK)).to.equal(
      'Sure until 09:20, if the room stays as it is. The lesson: 2 in 10, by string 2.',
    );
    expect(sureInWords([string(3, { holds: true })], NOW, CLOCK)).to.equal(
      'Sure until 09:20, if the room stays as it is.',
    );
    expect(sureInWords([string(3, { stands: null })], NOW, CLOCK)).to.equal(
      'String 3 not in tune. Once up, sure for 15 minutes.',
    );
    expect(sureInWords([], NOW, CLOCK)).to.equal('');
  });

  it('one string out of tune is said before what the others hold', () => {
    const strings = [string(3), string(1, { stands: null, lifted: outlook(9000, 0.9) })];
    expect(sureInWords(strings, NOW, CLOCK)).to.equal(
      'String 1 not in tune. Once up, sure for 20 minutes.',
    );
  });

  it('promises no time that is over', () => {
    expect(sureInWords([string(3)], NOW - 3.6e6, CLOCK)).to.equal(
      'The lesson: 8 in 10, by string 3.',
    );
    expect(sureInWords([string(3, { stands: outlook(0, 0.1) })], NOW, CLOCK)).to.equal(
      'The lesson: 8 in 10, by string 3.',
    );
  });

  it('a chance in tenths, never a certainty', () => {
    expect([0, 0.04, 0.3, 0.94, 0.97, 1].map(chanceInWords)).to.deep.equal([
      'hardly',
      'hardly',
      '3 in 10',
      '9 in 10',
      'nearly sure',
      'nearly sure',
    ]);
  });

  it('what is expected, with its interval', () => {
    expect(holdInWords(outlook(1, 0))).to.equal('1 h (25 min to 3 h)');
    const long = { ...outlook(1, 0), hold: { expected: 2e6, low: 3600, high: 2e6 } };
    expect(holdInWords(long)).to.equal('14 days + (1 h to 14 days +)');
  });

  it('the class that is planned, or a lesson from now', () => {
    expect(lessonAsked(45, null, CLOCK)).to.equal('a 45-minute lesson');
    expect(lessonAsked(45, NOW + 7 * 3.6e6, CLOCK)).to.equal('the class today 16:00');
  });

  it('a winding is named only after repeated drops', () => {
    const slipping = (named: boolean) =>
      slipsInWords(string(2, { slips: { probability: 0.95, seen: [6.1, 9], named } }));
    expect(slipping(true)).to.equal(
      'String 2 let go by itself 2 times (6, 9 cents): look at its winding and its peg.',
    );
    expect(slipping(false)).to.equal(null);
  });
});

describe('questions about new strings', () => {
  it('say what was heard and offer what it may be', () => {
    const rose = questionOf(2, { kind: 'rose', cents: 7.25 });
    expect(rose.ask).to.contain('+7.3 cents');
    expect(rose.answers).to.include.members(['retuned', 'room', 'left out']);
    expect(questionOf(2, { kind: 'fell', cents: 31 }).answers).to.include('stretched');
    expect(questionOf(2, { kind: 'another string', like: 3 }).ask).to.contain('like string 3');
    expect(questionOf(2, { kind: 'clock back', byMs: 3.6e6 }).ask).to.contain(
      'went back by 1 hour',
    );
  });
});

describe('the next look in words', () => {
  // In London in winter: 06:00 is night, 09:00 day.
  const at = Date.UTC(2026, 10, 25, 7);
  const cases: readonly (readonly [number, RegExp])[] = [
    [Date.UTC(2026, 10, 25, 5), /^Look again /],
    [Date.UTC(2026, 10, 25, 9), /^Look now: due since /],
    [Date.UTC(2026, 10, 25, 23), /^Look in the morning: due since /],
    [Date.UTC(2026, 10, 26, 3), /^Look in the morning: due since /],
  ];
  for (const [now, says] of cases)
    it(`${new Date(now).toISOString()}: ${says}`, () => {
      expect(lookInWords(at, { ...CLOCK, now })).to.match(says);
    });
});
