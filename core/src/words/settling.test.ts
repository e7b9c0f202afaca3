import { expect } from 'chai';
import type { StringSettling, Verdict } from '../settling/index.ts';
import {
  headlineOf,
  holdInWords,
  lookInWords,
  questionOf,
  verdictInWords,
  verdictSpan,
} from './settling.ts';

const CLOCK = { now: Date.UTC(2026, 10, 25, 9), zone: 'Europe/London', reader: 'en-GB' };
const span = (expected: number, low: number, high: number) => ({ expected, low, high });
const string = (verdict: Verdict, change: Partial<StringSettling> = {}): StringSettling => ({
  history: {
    course: 3,
    fittedAt: 0,
    taken: [],
    events: [],
    rounds: [],
    droppedSoFar: 0,
    last: null,
  },
  settling: { kind: 'more readings', wanted: 2 },
  hold: null,
  holdFromNote: null,
  verdict,
  roundsByDrops: null,
  age: 0,
  ...change,
});

describe('verdicts of new strings in words', () => {
  const cases: readonly (readonly [Verdict, string, string, string])[] = [
    [{ kind: 'holds' }, 'yes', '', 'Holds a 45-minute lesson.'],
    [
      { kind: 'rounds', rounds: span(2, 1, 4) },
      'in 2 rounds',
      '1 to 4',
      'Holds a 45-minute lesson in 2 rounds: string 3 needs most.',
    ],
    [
      { kind: 'rounds', rounds: span(1, 1, Number.POSITIVE_INFINITY) },
      'in 1 round',
      '1 to many',
      'Holds a 45-minute lesson in 1 round: string 3 needs most.',
    ],
    [
      { kind: 'wait', wait: span(22 * 3600, 18 * 3600, 26 * 3600) },
      'from tomorrow 07:00 on',
      '18 h to 1 day',
      'Holds a 45-minute lesson from tomorrow 07:00 on, left alone: string 3 takes longest.',
    ],
    [
      { kind: 'more readings', wanted: 2 },
      'needs 2 more readings',
      '',
      'Too early to tell: string 3 needs 2 more readings.',
    ],
    [
      { kind: 'cannot tell' },
      'cannot tell',
      '',
      'Cannot tell whether it holds a 45-minute lesson: string 3 does not settle as strings do.',
    ],
    [
      { kind: 'not soon' },
      'not within 14 days',
      '',
      'String 3 will not hold a 45-minute lesson within 14 days.',
    ],
  ];
  for (const [verdict, words, sure, headline] of cases)
    it(`${verdict.kind}: ${words}`, () => {
      expect(verdictInWords(verdict, CLOCK)).to.equal(words);
      expect(verdictSpan(verdict)).to.equal(sure);
      expect(headlineOf(string(verdict), 45, CLOCK)).to.equal(headline);
    });
});

describe('hold times in words', () => {
  it('are from where the string is, or from its note once it has left', () => {
    const fromNote = span(2400, 1200, 3600);
    const at = (hold: ReturnType<typeof span> | null) =>
      holdInWords(string({ kind: 'holds' }, { hold, holdFromNote: fromNote }));
    expect(at(span(600, 300, 1200))).to.equal('10 min (5 min to 20 min)');
    expect(at(span(0, 0, 0))).to.equal('40 min (20 min to 1 h)');
    expect(holdInWords(string({ kind: 'cannot tell' }))).to.equal('');
  });

  it('beyond some hours rest on the room', () => {
    const hold = span(20 * 86_400, 3600, 20 * 86_400);
    expect(holdInWords(string({ kind: 'holds' }, { hold }))).to.equal(
      '14 days + (1 h to 14 days +), if the room stays',
    );
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
