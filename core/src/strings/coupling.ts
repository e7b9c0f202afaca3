import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { nth } from '../maths/index.ts';
import type { Cents, Newtons } from '../units.ts';
import type { Bridge } from './types.ts';

/** One reading of a string as coupling sees it. */
export interface StringHeard {
  readonly course: number;
  /** Deviation from the string's target. */
  readonly cents: Cents;
  readonly errorCents: Cents;
}

/** How one string's turning moves the others, before or after it was measured. */
export interface Coupling {
  /** `matrix[j][i]`: cents that course j + 1 moves for each cent by which course i + 1 is turned; 0 on the diagonal. */
  readonly matrix: readonly (readonly number[])[];
  /** Root mean square error of the matrix against its own size: 1 or more is nothing known, 0.15 is well known. */
  readonly error: number;
  /** Turns that it was learned from. */
  readonly turns: number;
}

/** What is believed of an instrument before anything was heard of it. */
export interface CouplingPrior {
  /** Tension of every course at its target, course 1 first. */
  readonly tensions: readonly Newtons[];
  readonly bridge: Bridge;
}

/** Cents that the others drop for each cent that one string is raised: middling figures, no source. */
const EXPECTED_GAIN: Readonly<Record<Bridge, number>> = {
  fixed: 0.03,
  loose: 0.05,
  floating: 0.12,
};
/** How far gains may be from that, as a share: of the instrument, of one string, of one pair. */
const SPREAD = { instrument: 0.8, string: 0.3, pair: 0.3 } as const;
const GAIN_RANGE = { low: 0.003, high: 0.3 } as const;
/** No reading repeats better than this. */
const LEAST_ERROR: Cents = 0.3;
/** Between two readings of a string in a row a smaller change is no turn. */
const LEAST_TURN: Cents = 1;
/** A string that was read after others, and moved further than any coupling moves it, was turned. */
const NO_COUPLING: Cents = 25;
/** Start and turns of the strings are as good as unknown before they are heard. */
const UNKNOWN: Cents = 3000;
const ITERATIONS = 4;
const CENTS_PER_E = 600 / Math.LN2;

/** Tension against that of the target, as the cents that would change it so at the target. */
export function pull(cents: Cents): Cents {
  return CENTS_PER_E * Math.expm1(cents / CENTS_PER_E);
}

/** Coupling of an instrument that was never heard. */
export function expectedCoupling(prior: CouplingPrior): Coupling {
  const gain = EXPECTED_GAIN[prior.bridge];
  return { matrix: rankOne(weights(prior.tensions), gain), error: 1, turns: 0 };
}

/** Tensions against their mean. */
function weights(tensions: readonly Newtons[]): number[] {
  const mean = tensions.reduce((a, b) => a + b, 0) / Math.max(1, tensions.length);
  return tensions.map((tension) => tension / mean);
}

function rankOne(w: readonly number[], gain: number): number[][] {
  return w.map((_, j) => w.map((weight, i) => (i === j ? 0 : -gain * weight)));
}

/** A string turned, between two of its readings. */
interface Turn {
  readonly course: number;
  /** Index of the first reading after it. */
  readonly before: number;
  readonly cents: Cents;
  /** Pull of it for each of its cents. */
  readonly pullPerCent: number;
}

/**
 * Learns how the strings move each other from sessions, each a list of readings in the
 * order in which they were taken. Every reading is explained by where its string began,
 * the turns of it, and what the turns of the others did to it: starts, turns and coupling
 * are fitted to all readings at once (Gauss and Newton), with a rank-one prior, gain times
 * tension, from which single strings and pairs may depart.
 */
export function learnCoupling(
  sittings: readonly (readonly StringHeard[])[],
  prior: CouplingPrior,
): Coupling {
  const w = weights(prior.tensions);
  const expected = expectedCoupling(prior);
  const heard = sittings.map((sitting) =>
    sitting.filter(({ course }) => course >= 1 && course <= w.length),
  );
  const turns = heard.map((sitting) => turnsOf(sitting, expected));
  const count = turns.flat().length;
  if (count === 0) return expected;
  let gain = EXPECTED_GAIN[prior.bridge];
  let fit = fitOnce(heard, turns, w, gain);
  // What a pair may depart by goes with the gain that the instrument really has.
  gain = Math.min(GAIN_RANGE.high, Math.max(GAIN_RANGE.low, meanGain(fit.matrix, w)));
  fit = fitOnce(heard, turns, w, gain);
  return { ...fit, turns: count };
}

function meanGain(matrix: readonly (readonly number[])[], w: readonly number[]): number {
  const gains = matrix.flatMap((row, j) =>
    row.flatMap((k, i) => (i === j ? [] : [-k / nth(w, i)])),
  );
  return gains.reduce((a, b) => a + b, 0) / gains.length;
}

/** Turns that readings tell of, in order. */
function turnsOf(sitting: readonly StringHeard[], expected: Coupling): Turn[] {
  const turns: Turn[] = [];
  sitting.forEach((reading, at) => {
    const { course } = reading;
    const last = sitting.findLastIndex((r, i) => i < at && r.course === course);
    const old = sitting[last];
    if (!old) return;
    const drift = turns
      .filter((turn) => turn.before > last && turn.before <= at && turn.course !== course)
      .reduce(
        (sum, turn) => sum + nth(nth(expected.matrix, course - 1), turn.course - 1) * turn.cents,
        0,
      );
    const moved = reading.cents - old.cents;
    const inARow = last === at - 1;
    const error = Math.hypot(reading.errorCents, old.errorCents, LEAST_ERROR);
    const limit = inARow
      ? Math.max(LEAST_TURN, 3 * error)
      : NO_COUPLING + 2 * Math.abs(drift) + 3 * error;
    if (Math.abs(moved - (inARow ? 0 : drift)) <= limit) return;
    const pullPerCent = (pull(reading.cents) - pull(old.cents)) / moved;
    turns.push({ course, before: at, cents: moved, pullPerCent });
  });
  return turns;
}

/** The unknowns of a fit: pairs of strings, then starts and turns of every session. */
class Unknowns {
  private readonly starts: number[] = [];
  private readonly turns: number[][] = [];
  readonly size: number;

  constructor(
    readonly strings: number,
    turns: readonly (readonly Turn[])[],
  ) {
    let next = strings * strings;
    for (const list of turns) {
      this.starts.push(next);
      next += strings;
      this.turns.push(list.map((_, k) => next + k));
      next += list.length;
    }
    this.size = next;
  }

  pair(j: number, i: number): number {
    return j * this.strings + i;
  }

  start(sitting: number, course: number): number {
    return nth(this.starts, sitting) + course - 1;
  }

  turn(sitting: number, k: number): number {
    return nth(nth(this.turns, sitting), k);
  }
}

function fitOnce(
  sittings: readonly (readonly StringHeard[])[],
  turns: readonly (readonly Turn[])[],
  w: readonly number[],
  gain: number,
): Omit<Coupling, 'turns'> {
  const n = w.length;
  const unknowns = new Unknowns(n, turns);
  const { size } = unknowns;
  const precision = priorPrecision(w, gain);
  const mean = rankOne(w, gain);
  const x = new Float64Array(size);
  for (let j = 0; j < n; j++)
    for (let i = 0; i < n; i++) x[unknowns.pair(j, i)] = nth(nth(mean, j), i);
  sittings.forEach((sitting, s) => {
    for (let c = 1; c <= n; c++)
      x[unknowns.start(s, c)] = sitting.find((r) => r.course === c)?.cents ?? 0;
    nth(turns, s).forEach((turn, k) => {
      x[unknowns.turn(s, k)] = turn.cents;
    });
  });
  let solver: CholeskyDecomposition | null = null;
  for (let step = 0; step < ITERATIONS; step++) {
    const normal = Matrix.zeros(size, size);
    const right = Matrix.zeros(size, 1);
    addPrior(normal, right, x, mean, precision, n);
    sittings.forEach((sitting, s) => {
      sitting.forEach((reading, at) =>
        addReading(normal, right, x, { reading, at, s, turns: nth(turns, s), unknowns }),
      );
    });
    solver = new CholeskyDecomposition(normal);
    const change = solver.solve(right);
    for (let u = 0; u < size; u++) x[u] = nth(x, u) + change.get(u, 0);
  }
  const variances = solver!.solve(Matrix.eye(size, n * n)).diagonal();
  const matrix = mean.map((row, j) =>
    row.map((_, i) => (i === j ? 0 : nth(x, unknowns.pair(j, i)))),
  );
  let squares = 0;
  let errors = 0;
  for (let j = 0; j < n; j++)
    for (let i = 0; i < n; i++) {
      if (i === j) continue;
      squares += nth(nth(matrix, j), i) ** 2;
      errors += nth(variances, unknowns.pair(j, i));
    }
  return { matrix, error: Math.sqrt(errors / Math.max(1e-12, squares)) };
}

/** Inverse covariance of the pairs: instrument, string and pair depart from the rank-one form alike. */
function priorPrecision(w: readonly number[], gain: number): Matrix {
  const n = w.length;
  const covariance = Matrix.eye(n * n, n * n);
  for (let j = 0; j < n; j++)
    for (let i = 0; i < n; i++)
      for (let l = 0; l < n; l++)
        for (let m = 0; m < n; m++) {
          if (i === j || l === m) continue;
          const string = j === l ? SPREAD.string ** 2 : 0;
          const pair = j === l && i === m ? SPREAD.pair ** 2 : 0;
          const share = SPREAD.instrument ** 2 + string + pair;
          covariance.set(j * n + i, l * n + m, gain ** 2 * (nth(w, i) * nth(w, m)) * share);
        }
  // A string does not move itself: its entry is held at 0 by a narrow variance of its own.
  for (let j = 0; j < n; j++) covariance.set(j * n + j, j * n + j, 1e-12);
  const inverse = new CholeskyDecomposition(covariance).solve(Matrix.eye(n * n, n * n));
  // Rounding leaves it not quite symmetric.
  return inverse.add(inverse.transpose()).mul(0.5);
}

function addPrior(
  normal: Matrix,
  right: Matrix,
  x: Float64Array,
  mean: readonly (readonly number[])[],
  precision: Matrix,
  n: number,
): void {
  const pairs = n * n;
  for (let a = 0; a < pairs; a++) {
    let pulled = 0;
    for (let b = 0; b < pairs; b++) {
      const p = precision.get(a, b);
      normal.set(a, b, p);
      pulled += p * (nth(nth(mean, Math.floor(b / n)), b % n) - nth(x, b));
    }
    right.set(a, 0, pulled);
  }
  for (let u = pairs; u < x.length; u++) normal.set(u, u, 1 / UNKNOWN ** 2);
}

interface ReadingAt {
  readonly reading: StringHeard;
  readonly at: number;
  readonly s: number;
  readonly turns: readonly Turn[];
  readonly unknowns: Unknowns;
}

/** Adds what one reading says: its slopes by the unknowns, and how far it is from what they foretell. */
function addReading(
  normal: Matrix,
  right: Matrix,
  x: Float64Array,
  { reading, at, s, turns, unknowns }: ReadingAt,
): void {
  const j = reading.course - 1;
  const slopes = new Map<number, number>([[unknowns.start(s, reading.course), 1]]);
  let foretold = nth(x, unknowns.start(s, reading.course));
  turns.forEach((turn, k) => {
    if (turn.before > at) return;
    const unknown = unknowns.turn(s, k);
    const cents = nth(x, unknown);
    if (turn.course === reading.course) {
      slopes.set(unknown, 1);
      foretold += cents;
      return;
    }
    const pair = unknowns.pair(j, turn.course - 1);
    slopes.set(unknown, nth(x, pair) * turn.pullPerCent);
    slopes.set(pair, (slopes.get(pair) ?? 0) + cents * turn.pullPerCent);
    foretold += nth(x, pair) * cents * turn.pullPerCent;
  });
  const weight = 1 / (reading.errorCents ** 2 + LEAST_ERROR ** 2);
  const off = reading.cents - foretold;
  for (const [a, slopeA] of slopes) {
    right.set(a, 0, right.get(a, 0) + weight * slopeA * off);
    for (const [b, slopeB] of slopes)
      normal.set(a, b, normal.get(a, b) + weight * (slopeA * slopeB));
  }
}
