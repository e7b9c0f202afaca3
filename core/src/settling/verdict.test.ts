import { expect } from 'chai';
import { historyOf, type StringHistory } from './history.ts';
import type { Taken } from './steps.ts';
import {
  oddStrings,
  roundsUntilSmall,
  type StringSettling,
  type Verdict,
  worstVerdict,
} from './verdict.ts';

const span = (expected: number) => ({ expected, low: expected / 2, high: 2 * expected });
const HISTORY: StringHistory = {
  course: 1,
  fittedAt: 0,
  taken: [],
  events: [],
  rounds: [],
  droppedSoFar: 0,
  last: null,
};
const string = (
  course: number,
  verdict: Verdict,
  change: Partial<StringSettling> = {},
): StringSettling => ({
  history: { ...HISTORY, course },
  settling: { kind: 'more readings', wanted: 1 },
  hold: null,
  holdFromNote: null,
  verdict,
  roundsByDrops: null,
  age: 1,
  ...change,
});

describe('the worst string speaks for the instrument', () => {
  /** From the best to the worst. */
  const VERDICTS: readonly Verdict[] = [
    { kind: 'holds' },
    { kind: 'rounds', rounds: span(1) },
    { kind: 'rounds', rounds: span(4) },
    { kind: 'wait', wait: span(600) },
    { kind: 'wait', wait: span(86_400) },
    { kind: 'not soon' },
    { kind: 'cannot tell' },
    { kind: 'more readings', wanted: 2 },
  ];
  for (const [i, better] of VERDICTS.entries())
    for (const [j, worse] of VERDICTS.entries())
      if (i < j)
        it(`${worse.kind} ${j} before ${better.kind} ${i}, in either order`, () => {
          const [a, b] = [string(1, better), string(2, worse)];
          expect(worstVerdict([a, b])?.history.course).to.equal(2);
          expect(worstVerdict([b, a])?.history.course).to.equal(2);
        });

  it('of equals the first; of none none', () => {
    const holds = { kind: 'holds' } as const;
    expect(worstVerdict([string(3, holds), string(2, holds)])?.history.course).to.equal(3);
    expect(worstVerdict([])).to.equal(null);
  });
});

describe('a string unlike the others', () => {
  const holds = (course: number, expected: number) =>
    string(course, { kind: 'holds' }, { holdFromNote: span(expected) });

  it('holds far shorter: not even the upper end is an eighth of what is usual', () => {
    // The upper end is twice what is expected.
    const others = [holds(2, 1600), holds(3, 1600)];
    expect(oddStrings([holds(1, 99), ...others], 2)).to.deep.equal([
      { course: 1, why: 'holds far shorter' },
    ]);
    expect(oddStrings([holds(1, 100), ...others], 2)).to.deep.equal([]);
  });

  it('is not told by one other string alone', () => {
    expect(oddStrings([holds(1, 10), holds(2, 1600)], 2)).to.deep.equal([]);
  });

  it('follows neither law', () => {
    expect(oddStrings([string(1, { kind: 'cannot tell' })], 2)).to.deep.equal([
      { course: 1, why: 'follows neither law' },
    ]);
  });

  it('drops as much as before, after four rounds', () => {
    const rounds = (drops: readonly number[]) =>
      drops.map((drop) => ({ found: 0, dropped: -drop, left: null }));
    const of = (drops: readonly number[]) =>
      oddStrings(
        [string(1, { kind: 'holds' }, { history: { ...HISTORY, rounds: rounds(drops) } })],
        2,
      ).map(({ why }) => why);
    expect(of([20, 20, 20, 17.1])).to.deep.equal(['drops do not shrink']);
    expect(of([20, 20, 20, 17])).to.deep.equal([]);
    expect(of([20, 20, 20])).to.deep.equal([]);
    // What is within the tolerance need not shrink any more.
    expect(of([2, 2, 2, 2])).to.deep.equal([]);
    expect(of([2.1, 2.1, 2.1, 2.1])).to.deep.equal(['drops do not shrink']);
  });
});

describe('the rule of equal ratios', () => {
  // d, d·q, d·q² …: n = ln(tolerance/last)/ln q, rounded up.
  it('counts rounds from the last drop', () => {
    expect(roundsUntilSmall([16, 8], 2)).to.equal(2);
    expect(roundsUntilSmall([16, 8, 4], 1.9)).to.equal(2);
    expect(roundsUntilSmall([16, 8, 2], 2)).to.equal(0);
  });

  it('is silent where drops do not shrink, or there are too few', () => {
    expect(roundsUntilSmall([16], 2)).to.equal(null);
    expect(roundsUntilSmall([8, 8], 2)).to.equal(null);
    expect(roundsUntilSmall([0, 8], 2)).to.equal(null);
  });
});

describe('rounds of a string', () => {
  const taken = (steps: readonly (readonly [Taken['step'], number])[]): Taken[] =>
    steps.map(([step, cents], i) => ({
      at: 1000 * i,
      really: 1000 * i,
      course: 1,
      cents,
      errorCents: 0.3,
      hz: 200,
      step,
      byHand: false,
      doubt: null,
    }));

  it('several plucks of the dropped string are one drop: the last of them', () => {
    const { rounds } = historyOf(
      1,
      0,
      taken([
        ['first', 0],
        ['stretched', -12],
        ['again', -12.4],
        ['again', -12.6],
        ['brought up', 0.2],
      ]),
    );
    expect(rounds).to.deep.equal([{ found: 0, dropped: -12.6, left: 0.2 }]);
  });

  it('pulled again before it was brought up, it was left nowhere', () => {
    const { rounds } = historyOf(
      1,
      0,
      taken([
        ['first', 0],
        ['stretched', -12],
        ['stretched', -18],
      ]),
    );
    expect(rounds).to.deep.equal([
      { found: 0, dropped: -12, left: null },
      { found: -12, dropped: -18, left: null },
    ]);
  });
});
