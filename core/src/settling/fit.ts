import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { akaike, nth } from '../maths/index.ts';
import type { Cents, Seconds } from '../units.ts';
import { type Creep, creepAt, type Law } from './creep.ts';

/** Levenberg and Marquardt: damping at first, how it falls and grows, where it is given up. */
const DAMPING = { first: 1e-2, least: 1e-9, most: 1e9, down: 5, up: 4 } as const;
/** A step that gains less than this share is the last. */
const GAINED_ENOUGH = 1e-9;
/** Keeps a normal matrix solvable; far below any reading’s weight. */
const RIDGE = { step: 1e-12, end: 1e-9 } as const;
/** Logarithms of what is fitted stay within these: e⁻⁴ to e¹⁸ seconds is a fiftieth of a second to two years. */
const LOG_RANGE = { low: -4, high: 18 } as const;
/** Step of a numerical derivative, in logarithms. */
const DERIVATIVE_STEP = 1e-4;
/** The jump of a round is first taken for so many times the scale. */
const FIRST_JUMP = 3;

/** One reading of a settling string. */
export interface SettlingReading {
  /** Since the string was fitted. */
  readonly at: Seconds;
  /** Deviation from the string's target. */
  readonly cents: Cents;
  readonly errorCents: Cents;
}

/** What happened to a settling string, in order. */
export type SettlingEvent =
  | ({ readonly kind: 'reading' } & SettlingReading)
  | { readonly kind: 'stretch'; readonly at: Seconds }
  | { readonly kind: 'brought up'; readonly at: Seconds };

/** One law fitted to a string. */
export interface CreepFit {
  readonly creep: Creep;
  /** Age that each stretch round so far has added, by the fit. */
  readonly jumps: readonly Seconds[];
  /** Covariance of ln size, ln scale, ln jump, and of the logarithms of each round's share of the jump. */
  readonly covariance: readonly (readonly number[])[];
  readonly chiSquare: number;
  /** Readings less what they determine. */
  readonly freedom: number;
  readonly aicc: number;
}

/** What the readings say of a string. */
export type Settling =
  | { readonly kind: 'more readings'; readonly wanted: number }
  | {
      readonly kind: 'fitted';
      /** Better first. */
      readonly fits: readonly [CreepFit, CreepFit];
      /** The criterion tells the laws apart. */
      readonly decided: boolean;
    };

/** A reading with the stretch rounds before it and the stretch of time since the last turn. */
interface Placed extends SettlingReading {
  readonly rounds: number;
  readonly segment: number;
}

const LAWS: readonly Law[] = ['logarithm', 'exponential'];
/**
 * Believed before anything was heard, as logarithms of cents and seconds: tens of cents
 * over minutes, a stretch worth a quarter of an hour. No source: broad enough, a factor of
 * three or four each way, to let the readings speak.
 */
const PRIOR: Readonly<Record<Law, readonly number[]>> = {
  logarithm: [Math.log(30), Math.log(300), Math.log(1000)],
  exponential: [Math.log(100), Math.log(3000), Math.log(1000)],
};
const PRIOR_SIGMA: readonly number[] = [1.1, 1.4, 1.1];
/** A difference of the criterion beyond this decides. */
const DECIDES = 4;
const UNKNOWNS = 3;
/** No two rounds are alike: logarithm of a round's share of the usual jump. */
const ROUND_SIGMA = 0.1;
/** Drops that must have been seen: fewer say nothing of two laws with three unknowns. */
const FEWEST_DROPS = 5;
const STARTS: readonly number[] = [30, 300, 3000];
const MOST_STEPS = 60;

/**
 * Fits both laws to a string's readings. Between two turns of the peg the string drops by
 * itself: each such segment has a start of its own, fitted with the rest, so that a
 * reading which ends one drop and begins another is used once, with its own error.
 */
export function settle(events: readonly SettlingEvent[]): Settling {
  const placed = place(events);
  const drops = placed.filter((p, i) => placed[i - 1]?.segment === p.segment).length;
  if (drops < FEWEST_DROPS) return { kind: 'more readings', wanted: FEWEST_DROPS - drops };
  const [log, exp] = LAWS.map((law) => bestFit(law, placed)) as [CreepFit, CreepFit];
  const fits = log.aicc <= exp.aicc ? ([log, exp] as const) : ([exp, log] as const);
  return { kind: 'fitted', fits, decided: fits[1].aicc - fits[0].aicc > DECIDES };
}

function place(events: readonly SettlingEvent[]): Placed[] {
  let rounds = 0;
  let segment = 0;
  const placed: Placed[] = [];
  for (const event of events) {
    if (event.kind === 'stretch') rounds++;
    else if (event.kind === 'brought up') segment++;
    else placed.push({ ...event, rounds, segment });
  }
  return placed;
}

function bestFit(law: Law, placed: readonly Placed[]): CreepFit {
  const fits = STARTS.map((scale) => fitFrom(law, placed, scale));
  return fits.reduce((a, b) => (b.chiSquare < a.chiSquare ? b : a));
}

const creepOf = (law: Law, x: readonly number[]): Creep => ({
  law,
  size: Math.exp(nth(x, 0)),
  scale: Math.exp(nth(x, 1)),
  jump: Math.exp(nth(x, 2)),
});

/** What each stretch round added, by the unknowns. */
function jumpsOf(x: readonly number[]): number[] {
  return x.slice(UNKNOWNS).map((share) => Math.exp(nth(x, 2) + share));
}

/** Residuals in units of their errors, each segment's start taken out; the prior's own at the end. */
function residuals(law: Law, placed: readonly Placed[], x: readonly number[]): number[] {
  const creep = creepOf(law, x);
  const added = [0];
  for (const jump of jumpsOf(x)) added.push(added.at(-1)! + jump);
  const off = placed.map((p) => p.cents + creepAt(creep, p.at + nth(added, p.rounds)));
  const starts = new Map<number, { sum: number; weight: number }>();
  placed.forEach((p, i) => {
    const weight = 1 / p.errorCents ** 2;
    const start = starts.get(p.segment) ?? { sum: 0, weight: 0 };
    starts.set(p.segment, { sum: start.sum + weight * nth(off, i), weight: start.weight + weight });
  });
  const list = placed.map((p, i) => {
    const { sum, weight } = starts.get(p.segment)!;
    return (nth(off, i) - sum / weight) / p.errorCents;
  });
  return [
    ...list,
    ...PRIOR[law].map((mean, k) => (nth(x, k) - mean) / nth(PRIOR_SIGMA, k)),
    ...x.slice(UNKNOWNS).map((share) => share / ROUND_SIGMA),
  ];
}

/** Levenberg and Marquardt with numerical slopes. */
function fitFrom(law: Law, placed: readonly Placed[], scale: Seconds): CreepFit {
  const rounds = placed.at(-1)?.rounds ?? 0;
  let x: number[] = [nth(PRIOR[law], 0), Math.log(scale), Math.log(FIRST_JUMP * scale)];
  for (let k = 0; k < rounds; k++) x.push(0);
  let now = residuals(law, placed, x);
  let square = sumOfSquares(now);
  let damping: number = DAMPING.first;
  for (let step = 0; step < MOST_STEPS && damping < DAMPING.most; step++) {
    const { normal, right } = normalEquations(law, placed, x, now);
    for (let k = 0; k < x.length; k++)
      normal.set(k, k, normal.get(k, k) * (1 + damping) + RIDGE.step);
    const change = new CholeskyDecomposition(normal).solve(right).to1DArray();
    const next = x.map((value, k) => clamp(value + nth(change, k)));
    const after = residuals(law, placed, next);
    const better = sumOfSquares(after);
    if (better < square) {
      const gained = square - better;
      [x, now, square] = [next, after, better];
      damping = Math.max(DAMPING.least, damping / DAMPING.down);
      if (gained < GAINED_ENOUGH * (1 + square)) break;
    } else damping *= DAMPING.up;
  }
  const { normal } = normalEquations(law, placed, x, now);
  for (let k = 0; k < x.length; k++) normal.set(k, k, normal.get(k, k) + RIDGE.end);
  const inverse = new CholeskyDecomposition(normal).solve(Matrix.eye(x.length));
  const segments = new Set(placed.map(({ segment }) => segment)).size;
  // What the rounds had to depart by counts against a law as what the readings are off does.
  const chiSquare =
    sumOfSquares(now) - sumOfSquares(now.slice(placed.length, placed.length + UNKNOWNS));
  const freedom = placed.length - segments - UNKNOWNS;
  // What the readings scatter more than their errors say widens the rest alike (Birge 1932).
  const wider = freedom > 0 ? Math.max(1, chiSquare / freedom) : 1;
  // Rounding leaves it not quite symmetric.
  const covariance = inverse
    .add(inverse.transpose())
    .mul(0.5 * wider)
    .to2DArray();
  return {
    creep: creepOf(law, x),
    jumps: jumpsOf(x),
    covariance,
    chiSquare,
    freedom,
    aicc: akaike(chiSquare, UNKNOWNS + segments, placed.length),
  };
}

/** Logarithms stay where seconds and cents are. */
function clamp(x: number): number {
  return Math.max(LOG_RANGE.low, Math.min(LOG_RANGE.high, x));
}

function normalEquations(
  law: Law,
  placed: readonly Placed[],
  x: readonly number[],
  now: readonly number[],
): { normal: Matrix; right: Matrix } {
  const step = DERIVATIVE_STEP;
  const slopes = x.map((_, k) => {
    const moved = residuals(
      law,
      placed,
      x.map((value, i) => (i === k ? value + step : value)),
    );
    return moved.map((value, i) => (value - nth(now, i)) / step);
  });
  const dot = (a: readonly number[], b: readonly number[]) =>
    a.reduce((sum, value, i) => sum + value * nth(b, i), 0);
  const normal = new Matrix(slopes.map((a) => slopes.map((b) => dot(a, b))));
  const right = Matrix.columnVector(slopes.map((a) => -dot(a, now)));
  return { normal, right };
}

function sumOfSquares(list: readonly number[]): number {
  return list.reduce((sum, value) => sum + value * value, 0);
}
