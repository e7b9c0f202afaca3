import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { normal, seededRandom } from '../random.ts';
import type { Cents, Seconds } from '../units.ts';
import { type Creep, holdTime } from './creep.ts';
import type { CreepFit, Settling } from './fit.ts';

/** No forecast reaches further. */
export const FARTHEST: Seconds = 14 * 86_400;
const DRAWS = 400;
/** Ends of the interval of 80 %. */
const LOW = 0.1;
const HIGH = 0.9;

/** How long a string will hold, with an interval of 80 %; at most 14 days. */
export interface Hold {
  readonly expected: Seconds;
  readonly low: Seconds;
  readonly high: Seconds;
}

/** Where a string stands: how long since it was fitted, and its deviation with its error. */
export interface Standing {
  readonly at: Seconds;
  readonly cents: Cents;
  readonly errorCents: Cents;
}

/**
 * Time from now until the string has left the tolerance. Where the criterion does not tell
 * the laws apart the one that holds shorter answers, and the interval spans both.
 */
export function holdOf(
  settling: Extract<Settling, { kind: 'fitted' }>,
  standing: Standing,
  tolerance: Cents,
): Hold {
  const [best, other] = settling.fits.map((fit) => holdBy(fit, standing, tolerance)) as [
    Hold,
    Hold,
  ];
  if (settling.decided) return best;
  const shorter = other.expected < best.expected ? other : best;
  return {
    expected: shorter.expected,
    low: Math.min(best.low, other.low),
    high: Math.max(best.high, other.high),
  };
}

function holdBy(fit: CreepFit, standing: Standing, tolerance: Cents): Hold {
  const hold = (creep: Creep, jumps: readonly Seconds[], cents: Cents) => {
    const age = jumps.reduce((sum, jump) => sum + jump, standing.at);
    return Math.min(FARTHEST, holdTime(creep, age, tolerance + cents));
  };
  const random = seededRandom(17);
  const root = new CholeskyDecomposition(new Matrix(fit.covariance.map((row) => [...row])))
    .lowerTriangularMatrix;
  const { law, size, scale, jump } = fit.creep;
  const draws: Seconds[] = [];
  for (let k = 0; k < DRAWS; k++) {
    const z = Matrix.columnVector(fit.covariance.map(() => normal(random)));
    const [a = 0, b = 0, c = 0, ...shares] = root.mmul(z).to1DArray();
    const creep = {
      law,
      size: size * Math.exp(a),
      scale: scale * Math.exp(b),
      jump: jump * Math.exp(c),
    };
    const jumps = fit.jumps.map((one, r) => one * Math.exp(c + (shares[r] ?? 0)));
    draws.push(hold(creep, jumps, standing.cents + standing.errorCents * normal(random)));
  }
  draws.sort((x, y) => x - y);
  return {
    expected: hold(fit.creep, fit.jumps, standing.cents),
    low: draws[Math.floor(LOW * DRAWS)]!,
    high: draws[Math.floor(HIGH * DRAWS)]!,
  };
}
