import { expect } from 'chai';
import { normal, seededRandom } from '../maths/index.ts';
import { DAY_MS } from '../units.ts';
import { type Diary, driftOf, type LeftAt, type Span } from './index.ts';

const FROM = Date.UTC(2026, 0, 5, 15);
const WEEK = 7;

/** Weekly spans of a steel guitar, each string moved by `move` in the n-th of them. */
function diary(
  weeks: number,
  move: (week: number, string: number) => number,
  change: Partial<Span> = {},
): Diary {
  return {
    strings: [1, 2, 3, 4, 5, 6].map((course) => ({ course, share: 1, soft: false, fitted: [] })),
    spans: Array.from({ length: weeks }, (_, week) => ({
      from: FROM + week * WEEK * DAY_MS,
      to: FROM + (week + 1) * WEEK * DAY_MS,
      lent: false,
      moves: [0, 1, 2, 3, 4, 5].map((s) => ({ cents: move(week, s), errorCents: 0.7 })),
      ...change,
    })),
  };
}

const told = (of: Diary) => driftOf({ diary: of, left: null }).drift;
const scatter = (seed: number) => {
  const random = seededRandom(seed);
  return () => 0.6 * normal(random);
};

describe('drift taken apart', () => {
  it('says nothing of causes before three spans', () => {
    expect(told(diary(0, () => 0)).cause).to.equal('not enough');
    expect(told(diary(2, () => -9)).cause).to.equal('not enough');
  });

  it('what all strings do alike is the air, and its size in each span is told', () => {
    const noise = scatter(1);
    const common = [-6, 4, 7, -5, -8, 9, 3, -7];
    const drift = told(diary(8, (week) => (common[week] ?? 0) + noise()));
    expect(drift.cause).to.equal('air');
    for (const [week, span] of drift.spans.entries())
      expect(span.common).to.be.closeTo(common[week] ?? 0, 1);
    expect(drift.strings.every(({ habits }) => habits.slips < 0.1)).to.equal(true);
  });

  it('one string that falls alone, again and again, is its peg, with what it loses a week', () => {
    const noise = scatter(2);
    const drift = told(diary(8, (_, s) => noise() + (s === 2 ? -14 : 0)));
    expect(drift).to.deep.include({ cause: 'peg', courses: [3] });
    expect(drift.strings[2]?.weekly).to.be.closeTo(14, 1.5);
    expect(drift.strings[2]?.habits.slips).to.be.above(0.95);
  });

  it('one fall alone is no peg yet: it may have been a knock', () => {
    const noise = scatter(3);
    const drift = told(diary(8, (week, s) => noise() + (s === 2 && week === 4 ? -14 : 0)));
    expect(drift.cause).to.not.equal('peg');
    expect(drift.strings[2]?.habits.slips).to.be.below(0.95);
  });

  it('one string that goes up and down alone wanders: no peg lets a string up', () => {
    const noise = scatter(4);
    const ways = [12, -9, 15, -14, 11, -13, 9, -12];
    const drift = told(diary(8, (week, s) => noise() + (s === 4 ? (ways[week] ?? 0) : 0)));
    expect(drift).to.deep.include({ cause: 'one string', courses: [5] });
  });

  it('strings that each go their own way were moved by hands', () => {
    const random = seededRandom(5);
    const drift = told(diary(6, () => 18 * normal(random), { lent: true }));
    expect(drift.cause).to.equal('handled');
    expect(drift.spans.every(({ handled }) => handled > 0.9)).to.equal(true);
  });

  it('nothing that moves by more than a cent or two is still', () => {
    expect(told(diary(8, scatter(6))).cause).to.equal('still');
  });

  it('new strings fall alike and ever slower: not the air, not the pegs', () => {
    const noise = scatter(7);
    const of = diary(8, (week) => noise() - 30 / (week + 1));
    const fresh = {
      ...of,
      strings: of.strings.map((string) => ({ ...string, soft: true, fitted: [FROM - DAY_MS] })),
    };
    expect(told(fresh).cause).to.equal('new strings');
  });

  it('a common stretch is weighed by EA/T where the strings answer it so', () => {
    const noise = scatter(8);
    const shares = [2, 1.5, 0.8, 0.7, 0.5, 0.5];
    const common = [-6, 6, 8, -8, -7, 9, 7, -9];
    const of = diary(8, (week, s) => (common[week] ?? 0) * (shares[s] ?? 1) + 0.5 * noise());
    const strings = of.strings.map((string, s) => ({ ...string, share: shares[s] ?? 1 }));
    const drift = told({ ...of, strings });
    expect(drift.cause).to.equal('air');
    expect(drift.byStiffness).to.be.above(0.9);
  });
});

describe('when an instrument is due', () => {
  const left = (cents: number): LeftAt => ({
    at: FROM,
    cents: [cents, 0, 0, 0, 0, 0],
    errorCents: [0.5, 0.5, 0.5, 0.5, 0.5, 0.5],
    tolerance: 5,
  });
  const days = (of: Diary, cents = 0) => driftOf({ diary: of, left: left(cents) }).due?.days ?? 999;

  it('comes the sooner the more it moves, and the nearer to the edge it was left', () => {
    const quiet = diary(10, scatter(11));
    const noise = scatter(12);
    const airy = diary(10, (week) => noise() + (week % 2 === 0 ? 8 : -8));
    const slips = diary(10, (_, s) => noise() + (s === 1 ? -12 : 0));
    expect(days(quiet)).to.be.above(10);
    expect(days(airy)).to.be.below(days(quiet));
    expect(days(slips)).to.be.within(1, 7);
    expect(days(quiet, 4.5)).to.be.below(days(quiet));
  });

  it('is named by what is usual where nothing is known yet, and is the same each time', () => {
    const none = diary(0, () => 0);
    expect(days(none)).to.be.within(1, 30);
    expect(days(none)).to.equal(days(none));
  });

  it('the probability only grows, day by day', () => {
    const due = driftOf({ diary: diary(6, scatter(13)), left: left(0) }).due;
    const out = due?.out ?? [];
    for (let day = 1; day < out.length; day++) expect(out[day]).to.be.at.least(out[day - 1] ?? 0);
  });
});
