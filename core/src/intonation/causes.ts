import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { akaike, nth } from '../maths/index.ts';
import type { Cents, Millimetres } from '../units.ts';
import { type FretReading, type Pressure, semitonesOf } from './map.ts';
import { CENTS_PER_E, nutShift, saddleShift } from './saddle.ts';

/** Semitones of an octave. */
const OCTAVE = 12;
/** Frets by which causes part most: what is still unread of them is asked for first. */
const TELLING_FRETS = [12, 1, 5] as const;
/** Keeps a normal matrix solvable; far below any reading’s weight. */
const RIDGE = 1e-9;

/** What can shift the fretted notes of one string against its open one. */
export type Cause =
  | 'nut place'
  | 'saddle place'
  | 'nut height'
  | 'light touch'
  | 'hard touch'
  | 'fret';

/** One cause with its amount. */
export interface CauseFound {
  readonly cause: Cause;
  /** Nut place: at every fret; saddle place: at fret 12; nut height: at fret 1; a touch: against the normal one at fret 12; fret: that fret. */
  readonly cents: Cents;
  /** One standard deviation. */
  readonly errorCents: Cents;
  /** The fret that is out of its place, of the cause of that name. */
  readonly fret?: number;
}

/** What the readings of a string come to. */
export type StringCauses =
  | { readonly kind: 'more readings'; readonly say: string }
  | {
      readonly kind: 'fitted';
      readonly causes: readonly CauseFound[];
      /** The fitted error at a fret and pressure. */
      readonly at: (fret: number, pressure: Pressure) => Cents;
      /** The readings scatter more than their errors and the causes explain: an own cause is missing. */
      readonly strange: boolean;
    };

/** How each cause grows along the neck; see docs/frets.md. */
const SHAPE: Readonly<
  Record<Exclude<Cause, 'fret'>, (fret: number, pressure: Pressure) => number>
> = {
  'nut place': () => 1,
  'saddle place': (fret) => 2 ** (fret / OCTAVE) - 1,
  'nut height': (fret) => (1 - 2 ** (-1 / OCTAVE)) / (1 - 2 ** (-fret / OCTAVE)),
  // A finger twice as deep stretches four times as much: each step has an amount of its own.
  'light touch': (fret, pressure) => (pressure === 'soft' ? 2 ** (fret / OCTAVE) / 2 : 0),
  'hard touch': (fret, pressure) => (pressure === 'hard' ? 2 ** (fret / OCTAVE) / 2 : 0),
};
type Term = Exclude<Cause, 'fret'> | { readonly fret: number };
/** Sets of causes that are tried, with the touches added that were read beside the normal one. */
const SETS: readonly (readonly Exclude<Cause, 'fret'>[])[] = [
  [],
  ['nut place'],
  ['saddle place'],
  ['nut place', 'saddle place'],
  ['nut place', 'saddle place', 'nut height'],
];
/** Unknowns before the terms: the open pitch and its drift. */
const LEADING = 2;
/** A string drifts by so much in a check, in cents; common practice, no source. */
const DRIFT = 3;
const FEWEST_FRETS = 3;
/** A fret is out of place from so many cents and standard deviations on. */
const BAD_FRET = 3.5;
const BAD_FRET_SIGMAS = 4.5;
const STRANGE = 2.5;
/** A further cause is named where the criterion is better by so much. */
const NAMED = 4;

interface Fit {
  readonly terms: readonly Term[];
  readonly values: readonly number[];
  readonly errors: readonly number[];
  readonly chiSquare: number;
  readonly freedom: number;
  readonly aicc: number;
}

/** Tells the causes of a string's errors apart, as far as its readings carry. */
export function causesOf(all: readonly FretReading[]): StringCauses {
  const readings = all.filter(({ struckOut }) => !struckOut);
  const open = readings.filter(({ place }) => place.kind !== 'fret').length;
  const frets = new Set(fretsOf(readings));
  if (open === 0) return { kind: 'more readings', say: 'Read the open string.' };
  if (frets.size < FEWEST_FRETS) {
    const next = TELLING_FRETS.find((fret) => !frets.has(fret));
    return { kind: 'more readings', say: `Not enough to tell: read fret ${next} as well.` };
  }
  const best = withBadFrets(readings, bestOf(readings));
  const values = new Map(best.terms.map((term, i) => [term, nth(best.values, i + LEADING)]));
  const { freedom } = best;
  return {
    kind: 'fitted',
    causes: best.terms.map((term, i) => ({
      ...(typeof term === 'string' ? { cause: term } : { cause: 'fret' as const, fret: term.fret }),
      cents: nth(best.values, i + LEADING),
      errorCents: nth(best.errors, i + LEADING),
    })),
    at: (fret, pressure) =>
      [...values].reduce((sum, [term, value]) => sum + value * shapeOf(term, fret, pressure), 0),
    strange: freedom > 0 && best.chiSquare > freedom + STRANGE * Math.sqrt(2 * freedom),
  };
}

function fretsOf(readings: readonly FretReading[]): number[] {
  return readings.flatMap(({ place }) => (place.kind === 'fret' ? [place.fret] : []));
}

function bestOf(readings: readonly FretReading[]): Fit {
  const more = touchesOf(readings);
  return SETS.map((set) => fitOf(readings, [...set, ...more])).reduce((a, b) =>
    b.aicc < a.aicc - NAMED ? b : a,
  );
}

function touchesOf(readings: readonly FretReading[]): Term[] {
  const pressures = new Set(
    readings.flatMap(({ place }) => (place.kind === 'fret' ? [place.pressure] : [])),
  );
  if (!pressures.has('normal')) return [];
  return [
    ...(pressures.has('soft') ? ['light touch' as const] : []),
    ...(pressures.has('hard') ? ['hard touch' as const] : []),
  ];
}

/** With the one fret that stands out, if any does; the causes are chosen anew beside it. */
function withBadFrets(readings: readonly FretReading[], start: Fit): Fit {
  let best = start;
  for (const fret of [...new Set(fretsOf(readings))]) {
    const tried = SETS.flatMap((set) => {
      const fit = fitOf(readings, [...set, ...touchesOf(readings), { fret }]);
      const [value, error] = [fit.values.at(-1)!, fit.errors.at(-1)!];
      return Math.abs(value) >= BAD_FRET && Math.abs(value) >= BAD_FRET_SIGMAS * error ? [fit] : [];
    });
    for (const fit of tried) if (fit.aicc < best.aicc - NAMED) best = fit;
  }
  return best;
}

function shapeOf(term: Term, fret: number, pressure: Pressure): number {
  return typeof term === 'string' ? SHAPE[term](fret, pressure) : term.fret === fret ? 1 : 0;
}

/** How far a reading lies in the time of a check, −½ to ½; all 0 while the open string was not read again after the frets. */
function timesOf(readings: readonly FretReading[]): number[] {
  const when = readings.map(({ at }) => at);
  const [from, to] = [Math.min(...when), Math.max(...when)];
  const frets = readings.filter(({ place }) => place.kind === 'fret').map(({ at }) => at);
  const again = readings.some(({ place, at }) => place.kind === 'open' && at > Math.max(...frets));
  return when.map((at) => (again && to > from ? (at - from) / (to - from) - 0.5 : 0));
}

/** Weighed least squares; the open pitch and its drift are unknowns like the others, so that their errors are shared. */
function fitOf(readings: readonly FretReading[], terms: readonly Term[]): Fit {
  const times = timesOf(readings);
  const drifts = times.some((time) => time !== 0);
  const rows = readings.map(({ place, errorCents }, i) => {
    const own =
      place.kind === 'fret'
        ? terms.map((term) => shapeOf(term, place.fret, place.pressure))
        : terms.map(() => 0);
    return [1, nth(times, i), ...own].map((value) => value / errorCents);
  });
  const right = readings.map(
    ({ cents, place, errorCents }) => (cents - 100 * semitonesOf(place)) / errorCents,
  );
  const a = new Matrix(rows);
  const normal = a.transpose().mmul(a);
  // A drift of some cents in a check is usual; the same keeps terms that no reading tells apart at nothing.
  normal.set(1, 1, normal.get(1, 1) + 1 / DRIFT ** 2);
  for (let k = 0; k < normal.rows; k++) normal.set(k, k, normal.get(k, k) + RIDGE);
  const solve = new CholeskyDecomposition(normal);
  const x = solve.solve(a.transpose().mmul(Matrix.columnVector(right)));
  const covariance = solve.solve(Matrix.eye(normal.rows));
  const residuals = a.mmul(x).sub(Matrix.columnVector(right)).to1DArray();
  const chiSquare = residuals.reduce((sum, value) => sum + value * value, 0);
  // What they scatter more than their errors say makes every figure less sure (Birge 1932).
  const freedom = readings.length - terms.length - (drifts ? 2 : 1);
  const wider = freedom > 0 ? Math.max(1, chiSquare / freedom) : 1;
  return {
    terms,
    values: x.to1DArray(),
    errors: covariance.diagonal().map((variance) => Math.sqrt(variance * wider)),
    chiSquare,
    freedom,
    aicc: akaike(chiSquare, terms.length + (drifts ? 2 : 1), readings.length),
  };
}

/** What a repairer would have to move for a cause, in mm, where it is a place; with its error. */
export function amountOf(
  { cause, cents, errorCents }: CauseFound,
  scale: Millimetres,
): { readonly mm: Millimetres; readonly errorMm: Millimetres } | null {
  // To first order a cent of either is as many millimetres.
  const errorMm = (errorCents * scale) / CENTS_PER_E;
  if (cause === 'saddle place') return { mm: saddleShift(scale, cents), errorMm };
  if (cause === 'nut place') return { mm: nutShift(scale, cents), errorMm };
  return null;
}
