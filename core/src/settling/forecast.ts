import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { normal, nth, seededRandom } from '../maths/index.ts';
import type { Cents, Seconds } from '../units.ts';
import { type Creep, creepAt, holdTime, roundsLeft, waitUntil } from './creep.ts';
import type { CreepFit, Settling } from './fit.ts';

/** Seeds of the draws, so that the same readings always give the same forecast. */
const SEEDS = { hold: 23, draws: 17 } as const;

/** No forecast reaches further. */
export const FARTHEST: Seconds = 14 * 86_400;
const DRAWS = 400;
/** What a room does to a string in hours, in cents, and how long it takes to; common practice, no source. */
const ROOM_CENTS = 4;
const ROOM_SECONDS = 12 * 3600;
/** Ends of the interval of 80 %. */
const LOW = 0.1;
const HIGH = 0.9;
/** Beyond so many rounds a string is left to itself. */
const MOST_ROUNDS = 20;

type Fitted = Extract<Settling, { kind: 'fitted' }>;

/** A figure with its interval of 80 %. */
export interface Span {
  readonly expected: number;
  readonly low: number;
  readonly high: number;
}

/** How long a string will hold, at most 14 days. */
export type Hold = Span;

/** Where a string stands: how long since it was fitted, and its deviation with its error. */
export interface SettlingPoint {
  readonly at: Seconds;
  readonly cents: Cents;
  readonly errorCents: Cents;
}

/** A hold time beyond this holds only while the room stays as it is: no reading of the strings can tell that. */
export const ROOM_DECIDES: Seconds = 3 * 3600;

/** A law as it may be, and the age that the stretch rounds have added by it. */
interface Draw {
  readonly creep: Creep;
  readonly added: Seconds;
}

/**
 * Time from now until the string has left the tolerance. Where the criterion does not tell
 * the laws apart the one that holds shorter answers, and the interval spans both.
 */
export function holdOf(settling: Fitted, standing: SettlingPoint, tolerance: Cents): Hold {
  const [best, other] = settling.fits.map((fit) => holdBy(fit, standing, tolerance)) as [
    Hold,
    Hold,
  ];
  if (!settling.decided) return shorterOf(best, other);
  // Beyond the age that was seen, a law is a guess: the other one is kept in the interval.
  const [fit] = settling.fits;
  const seen = standing.at + likeliest(fit).added;
  if (best.expected <= seen) return best;
  return { ...shorterOf(best, other), expected: best.expected };
}

function shorterOf(a: Span, b: Span): Span {
  return {
    expected: Math.min(a.expected, b.expected),
    low: Math.min(a.low, b.low),
    high: Math.max(a.high, b.high),
  };
}

function holdBy(fit: CreepFit, standing: SettlingPoint, tolerance: Cents): Hold {
  const random = seededRandom(SEEDS.hold);
  const hold = ({ creep, added }: Draw, cents: Cents, room = 0) => {
    const within = (way: Cents) =>
      Math.min(FARTHEST, holdTime(creep, standing.at + added, way + cents));
    const calm = within(tolerance);
    // The longer it holds, the more the room has a say in it.
    return room === 0 ? calm : within(tolerance + room * -Math.expm1(-calm / ROOM_SECONDS));
  };
  const drawn = drawsOf(fit).map((draw) =>
    hold(draw, standing.cents + standing.errorCents * normal(random), ROOM_CENTS * normal(random)),
  );
  return { expected: hold(likeliest(fit), standing.cents), ...interval(drawn) };
}

/** The law that holds shorter of those that the readings leave open; the better one where they decide. */
export function cautiousFit(settling: Fitted, at: Seconds, tolerance: Cents): CreepFit {
  const [best, other] = settling.fits;
  if (settling.decided) return best;
  const hold = (fit: CreepFit) => {
    const { creep, added } = likeliest(fit);
    return holdTime(creep, at + added, tolerance);
  };
  return hold(other) < hold(best) ? other : best;
}

/** Stretch rounds until the string, brought to its note after each, holds for so long; null when it is better left to itself. */
export function roundsOf(
  settling: Fitted,
  at: Seconds,
  tolerance: Cents,
  lesson: Seconds,
): Span | null {
  const counts = weighedDraws(settling).map(
    ({ creep, added }) =>
      roundsLeft(creep, at + added, tolerance, lesson, MOST_ROUNDS) ?? Number.POSITIVE_INFINITY,
  );
  counts.sort((a, b) => a - b);
  const expected = nth(counts, Math.floor(counts.length / 2));
  return Number.isFinite(expected) ? { expected, ...interval(counts) } : null;
}

/** How long the string must be left to itself until it then holds for so long; at most 14 days. */
export function waitOf(
  settling: Fitted,
  at: Seconds,
  tolerance: Cents,
  lesson: Seconds,
): Span | null {
  const waits = weighedDraws(settling)
    .map(({ creep, added }) => waitUntil(creep, at + added, tolerance, lesson))
    .sort((a, b) => a - b);
  const expected = nth(waits, Math.floor(waits.length / 2));
  return expected <= FARTHEST ? { expected, ...interval(waits) } : null;
}

/** How far the string will have dropped after so many seconds more, for each of a list, with its interval. */
export function dropsAhead(settling: Fitted, at: Seconds, afters: readonly Seconds[]): Span[] {
  const draws = weighedDraws(settling);
  const best = likeliest(settling.fits[0]);
  return afters.map((after) => ({
    expected: dropBy(best, at, after),
    ...interval(draws.map((draw) => dropBy(draw, at, after))),
  }));
}

/** The same by the better law alone, without an interval. */
export function likeliestDrop({ fits }: Fitted, at: Seconds, after: Seconds): Cents {
  return dropBy(likeliest(fits[0]), at, after);
}

function dropBy({ creep, added }: Draw, at: Seconds, after: Seconds): Cents {
  return creepAt(creep, at + added + after) - creepAt(creep, at + added);
}

function likeliest({ creep, jumps }: CreepFit): Draw {
  return { creep, added: jumps.reduce((sum, jump) => sum + jump, 0) };
}

function interval(values: readonly number[]): { low: number; high: number } {
  const sorted = [...values].sort((a, b) => a - b);
  return {
    low: nth(sorted, Math.floor(LOW * sorted.length)),
    high: nth(sorted, Math.floor(HIGH * sorted.length)),
  };
}

/** Draws of both laws, each as often as the criterion gives it weight (Akaike weights). */
function weighedDraws({ fits: [best, other], decided }: Fitted): Draw[] {
  if (decided) return drawsOf(best);
  const weight = 1 / (1 + Math.exp((best.aicc - other.aicc) / 2));
  const share = Math.round(weight * DRAWS);
  return [...drawsOf(best).slice(0, share), ...drawsOf(other).slice(share)];
}

/** What the law may be, as the fit's covariance has it. Always the same draws for the same fit. */
function drawsOf(fit: CreepFit): Draw[] {
  const random = seededRandom(SEEDS.draws);
  const root = new CholeskyDecomposition(new Matrix(fit.covariance.map((row) => [...row])))
    .lowerTriangularMatrix;
  const { law, size, scale, jump } = fit.creep;
  return Array.from({ length: DRAWS }, () => {
    const z = Matrix.columnVector(fit.covariance.map(() => normal(random)));
    const [a = 0, b = 0, c = 0, ...shares] = root.mmul(z).to1DArray();
    const creep = {
      law,
      size: size * Math.exp(a),
      scale: scale * Math.exp(b),
      jump: jump * Math.exp(c),
    };
    const added = fit.jumps.reduce((sum, one, r) => sum + one * Math.exp(c + (shares[r] ?? 0)), 0);
    return { creep, added };
  });
}
