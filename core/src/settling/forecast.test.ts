import { expect } from 'chai';
import { type Creep, creepAt, holdTime, roundsLeft, waitUntil } from './creep.ts';
import { curveOf } from './curve.ts';
import type { CreepFit, Settling, SettlingEvent } from './fit.ts';
import {
  cautiousFit,
  dropsAhead,
  FARTHEST,
  holdOf,
  likeliestDrop,
  roundsOf,
  waitOf,
} from './forecast.ts';
import type { StretchRound, StringHistory } from './history.ts';
import { settlingOf } from './verdict.ts';

const SLOW: Creep = { law: 'logarithm', size: 20, scale: 300, jump: 1500 };
const FAST: Creep = { law: 'exponential', size: 60, scale: 4000, jump: 900 };
const AGE = 1800;
const LESSON = 2700;
const TOLERANCE = 3;

/** A law that is known as well as it is said: nothing is left to the draws. */
function known(creep: Creep, aicc = 0, sigma = 1e-9): CreepFit {
  const covariance = [0, 1, 2].map((i) => [0, 1, 2].map((j) => (i === j ? sigma ** 2 : 0)));
  return { creep, jumps: [600, 900], covariance, chiSquare: 5, freedom: 5, aicc };
}

type Fitted = Extract<Settling, { kind: 'fitted' }>;
function fitted(best: CreepFit, other: CreepFit, decided: boolean): Fitted {
  return { kind: 'fitted', fits: [best, other], decided };
}

/** What the rounds so far added to its age. */
const ADDED = 1500;
const SURE = fitted(known(SLOW), known(FAST, 50), true);

describe('the forecast of a string whose law is known', () => {
  it('drops by the law, from the age that its rounds have given it', () => {
    const afters = [60, 600, 6000];
    for (const [i, span] of dropsAhead(SURE, AGE, afters).entries()) {
      const exact = creepAt(SLOW, AGE + ADDED + afters[i]!) - creepAt(SLOW, AGE + ADDED);
      expect(span.expected).to.be.closeTo(exact, 1e-9);
      expect(span.low).to.be.closeTo(exact, 1e-6);
      expect(span.high).to.be.closeTo(exact, 1e-6);
      expect(likeliestDrop(SURE, AGE, afters[i]!)).to.equal(span.expected);
    }
  });

  it('wants as many rounds and as long a wait as the law says', () => {
    const rounds = roundsOf(SURE, AGE, TOLERANCE, LESSON);
    const exact = roundsLeft(SLOW, AGE + ADDED, TOLERANCE, LESSON, 20);
    expect(exact).to.be.above(1);
    expect(rounds).to.deep.equal({ expected: exact, low: exact, high: exact });
    const wait = waitOf(SURE, AGE, TOLERANCE, LESSON)!;
    expect(wait.expected).to.be.closeTo(waitUntil(SLOW, AGE + ADDED, TOLERANCE, LESSON), 0.1);
  });

  it('wants no number of rounds where twenty do not do', () => {
    const stubborn = known({ ...SLOW, size: 200 });
    expect(roundsOf(fitted(stubborn, stubborn, true), AGE, 1, 86_400)).to.equal(null);
  });

  it('wants no wait beyond a fortnight', () => {
    const soon = (size: number) => {
      const fit = known({ ...SLOW, size });
      return waitOf(fitted(fit, fit, true), AGE, TOLERANCE, 8 * 3600);
    };
    expect(soon(60)?.expected).to.be.below(FARTHEST);
    expect(soon(600)).to.equal(null);
  });

  it('holds until the law has taken it out of the tolerance, from above longer', () => {
    const at = (cents: number) =>
      holdOf(SURE, { at: AGE, cents, errorCents: 1e-9 }, TOLERANCE).expected;
    expect(at(0)).to.be.closeTo(holdTime(SLOW, AGE + ADDED, TOLERANCE), 1e-6);
    expect(at(2)).to.be.closeTo(holdTime(SLOW, AGE + ADDED, TOLERANCE + 2), 1e-6);
    expect(at(-TOLERANCE)).to.equal(0);
  });

  it('holds no longer than a fortnight', () => {
    const settled = known({ ...SLOW, size: 0.5 });
    const hold = holdOf(
      fitted(settled, settled, true),
      { at: AGE, cents: 0, errorCents: 0.1 },
      TOLERANCE,
    );
    expect(hold.expected).to.equal(FARTHEST);
    expect(hold.high).to.equal(FARTHEST);
  });

  it('holds by the room what the law alone would hold for longer', () => {
    const settled = known({ ...SLOW, size: 2 });
    const span = holdOf(
      fitted(settled, settled, true),
      { at: AGE, cents: 0, errorCents: 1e-9 },
      TOLERANCE,
    );
    expect(span.low).to.be.below(0.9 * span.expected);
  });
});

describe('the forecast while the readings leave two laws open', () => {
  const open = fitted(known(SLOW, 10), known(FAST, 10), false);
  const drop = (creep: Creep, after: number) =>
    creepAt(creep, AGE + ADDED + after) - creepAt(creep, AGE + ADDED);

  it('spans both where both weigh the same', () => {
    const [span] = dropsAhead(open, AGE, [3600]);
    const [a, b] = [drop(SLOW, 3600), drop(FAST, 3600)].sort((x, y) => x - y);
    expect(span!.low).to.be.closeTo(a!, 1e-4);
    expect(span!.high).to.be.closeTo(b!, 1e-4);
    expect(Math.abs(a! - b!)).to.be.above(1);
  });

  it('leaves a law out that weighs less than the interval leaves out', () => {
    // Akaike weights: a difference of 6 leaves 1 in 21 to the other law, of 3 leaves 1 in 5.5.
    const width = (apart: number) => {
      const [span] = dropsAhead(fitted(known(SLOW, 0), known(FAST, apart), false), AGE, [3600]);
      return span!.high - span!.low;
    };
    expect(width(6)).to.be.below(1e-3);
    expect(width(3)).to.be.above(1);
  });

  it('holds as long as the shorter one, whichever fits better', () => {
    const standing = { at: AGE, cents: 0, errorCents: 1e-9 };
    const shorter = Math.min(
      holdTime(SLOW, AGE + ADDED, TOLERANCE),
      holdTime(FAST, AGE + ADDED, TOLERANCE),
    );
    for (const fits of [open, fitted(open.fits[1], open.fits[0], false)]) {
      expect(holdOf(fits, standing, TOLERANCE).expected).to.be.closeTo(shorter, 1e-6);
      const cautious = cautiousFit(fits, AGE, TOLERANCE).creep;
      expect(holdTime(cautious, AGE + ADDED, TOLERANCE)).to.be.closeTo(shorter, 1e-6);
    }
  });

  it('goes by the better one once it is decided, though the other holds shorter', () => {
    for (const best of [SLOW, FAST]) {
      const other = best === SLOW ? FAST : SLOW;
      const sure = fitted(known(best), known(other, 50), true);
      expect(cautiousFit(sure, AGE, TOLERANCE).creep).to.equal(best);
    }
  });
});

describe('what is drawn of a string', () => {
  const readings = [60, 200, 500, 900, 1500].map((at) => ({
    kind: 'reading' as const,
    at,
    cents: 4 - creepAt(SLOW, at),
    errorCents: 0.2,
  }));
  const events: readonly SettlingEvent[] = [
    ...readings,
    { kind: 'stretch', at: 1510 },
    { kind: 'reading', at: 1520, cents: 4 - creepAt(SLOW, 1520 + 600), errorCents: 0.2 },
    { kind: 'brought up', at: 1530 },
    { kind: 'reading', at: 1540, cents: 0, errorCents: 0.2 },
    {
      kind: 'reading',
      at: 2400,
      cents: creepAt(SLOW, 1540 + 600) - creepAt(SLOW, 2400 + 600),
      errorCents: 0.2,
    },
  ];
  const fit = { ...known(SLOW), jumps: [600] };
  const settling = fitted(fit, known(FAST, 50), true);
  const last = { cents: -2, errorCents: 0.2, at: 2_400_000, really: 2_400_000 };
  const history = { fittedAt: 0, events, last } as unknown as StringHistory;
  const string = { settling, history, hold: null } as never;
  const goal = { tolerance: TOLERANCE, lesson: LESSON };
  const curve = curveOf(string, fit, goal)!;

  it('goes through what was read, each stretch of time since a turn at its own height', () => {
    expect(curve.fitted).to.have.length(3);
    const ends = curve.fitted.map((piece) => [piece[0]!, piece.at(-1)!]);
    const read = events.filter((event) => event.kind === 'reading');
    const wanted = [
      [read[0]!, read[4]!],
      [read[5]!, read[5]!],
      [read[6]!, read[7]!],
    ];
    for (const [i, pair] of ends.entries())
      for (const [j, point] of pair.entries()) {
        expect(point.at).to.be.closeTo(wanted[i]![j]!.at, 1e-6);
        expect(point.cents).to.be.closeTo(wanted[i]![j]!.cents, 1e-6);
      }
    for (const { at, cents } of curve.fitted[0]!)
      expect(cents).to.be.closeTo(4 - creepAt(SLOW, at), 1e-6);
  });

  it('goes on from the last reading, downward, three lessons far', () => {
    expect(curve.ahead[0]).to.deep.equal({ at: 2400, cents: -2, low: -2, high: -2 });
    for (const [i, { cents, low, high }] of curve.ahead.entries()) {
      if (i > 0) expect(cents).to.be.below(curve.ahead[i - 1]!.cents);
      expect(low).to.be.at.most(cents + 1e-6);
      expect(high).to.be.at.least(cents - 1e-6);
    }
    expect(curve.ahead.at(-1)!.at).to.be.closeTo(2400 + 3 * LESSON, 1e-6);
  });

  it('reaches further where it holds for longer, and no further than a fortnight', () => {
    const reach = (expected: number) =>
      curveOf(
        { ...(string as object), hold: { expected, low: 1, high: 1 } } as never,
        fit,
        goal,
      )!.ahead.at(-1)!.at - 2400;
    expect(reach(LESSON - 1)).to.be.closeTo(3 * LESSON, 1e-6);
    expect(reach(2 * LESSON)).to.be.closeTo(6 * LESSON, 1e-6);
    expect(reach(FARTHEST)).to.be.closeTo(FARTHEST, 1e-3);
  });

  it('is nothing where no law is fitted or nothing was read', () => {
    expect(curveOf(string, null, goal)).to.equal(null);
    const unread = { ...(string as object), history: { ...history, last: null } } as never;
    expect(curveOf(unread, fit, goal)).to.equal(null);
    const early = {
      ...(string as object),
      settling: { kind: 'more readings', wanted: 2 },
    } as never;
    expect(curveOf(early, fit, goal)).to.equal(null);
  });
});

describe('drops that do not shrink', () => {
  const last = { cents: 0, errorCents: 0.2, at: AGE * 1000, really: AGE * 1000 };
  const verdict = (drops: readonly number[]) => {
    const rounds: StretchRound[] = drops.map((drop) => ({ found: 0, dropped: -drop, left: 0 }));
    const history = { course: 1, fittedAt: 0, taken: [], events: [], rounds, last };
    const goal = { tolerance: TOLERANCE, lesson: LESSON };
    return settlingOf(history as never, AGE * 1000, goal, () => 0, SURE).verdict.kind;
  };
  // A drop within the tolerance, or at most 85 % of the one two rounds before, has shrunk.
  for (const [drops, creeps] of [
    [[20, 20, 20, 20], false],
    [[20, 20, 20], true],
    [[20, 20, 20, 17], true],
    [[20, 20, 20, 17.1], false],
    [[3.1, 3.1, 3.1, 3.1], false],
    [[3, 3, 3, 3], true],
    [[30, 20, 14, 10], true],
    [[10, 30, 10, 24], true],
  ] as const)
    it(`${drops.join(', ')} cents ${creeps ? 'may be creep' : 'are none of creep'}`, () => {
      expect(verdict(drops) === 'cannot tell').to.equal(!creeps);
    });
});
