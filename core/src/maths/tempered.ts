import { nth } from './nth.ts';
import { fillNormal, type Random } from './random.ts';

/** What is drawn from: unknowns that are standard normal before anything was read, and what the readings say of them. */
export interface Unknowns {
  readonly count: number;
  /** Logarithm of the likelihood; −Infinity where it cannot be. */
  readonly logLikelihood: (z: Float64Array) => number;
}

/** So many of the draws count after each step of the tempering, at least. */
const COUNTING = 0.5;
const SWEEPS = 2;
const STRIDE = { first: 0.5, least: 0.04, most: 0.95, change: 1.25 } as const;
/** Of the moves so many are to be taken: fewer, and they are made smaller. */
const TAKEN = 0.3;
const BISECTIONS = 30;
const MOST_STEPS = 60;

/**
 * Equally weighted draws from the posterior: the prior is tempered into it step by step, resampled
 * (Del Moral, Doucet & Jasra 2006), and moved by steps that leave the prior as it is (Cotter,
 * Roberts, Stuart & White 2013, preconditioned Crank and Nicolson).
 */
export function temperedDraws(
  { count, logLikelihood }: Unknowns,
  draws: number,
  random: Random,
): Float64Array[] {
  let all = Array.from({ length: draws }, () => {
    const z = new Float64Array(count);
    fillNormal(z, random);
    return z;
  });
  let says = all.map(logLikelihood);
  let stride: number = STRIDE.first;
  let heat = 0;
  for (let step = 0; step < MOST_STEPS && heat < 1; step++) {
    const by = stepOf(says, 1 - heat);
    heat += by;
    const picked = resampled(weightsOf(says, by), random);
    all = picked.map((i) => nth(all, i));
    says = picked.map((i) => nth(says, i));
    for (let sweep = 0; sweep < SWEEPS; sweep++) {
      let taken = 0;
      const keep = Math.sqrt(1 - stride * stride);
      for (let i = 0; i < draws; i++) {
        const from = nth(all, i);
        const to = new Float64Array(count);
        fillNormal(to, random);
        for (let k = 0; k < count; k++) to[k] = keep * from[k]! + stride * to[k]!;
        const said = logLikelihood(to);
        if (Math.log(1 - random()) >= heat * (said - nth(says, i))) continue;
        all[i] = to;
        says[i] = said;
        taken++;
      }
      const wider = taken / draws > TAKEN ? STRIDE.change : 1 / STRIDE.change;
      stride = Math.max(STRIDE.least, Math.min(STRIDE.most, stride * wider));
    }
  }
  return all;
}

function weightsOf(says: readonly number[], by: number): number[] {
  const most = Math.max(...says);
  const raw = says.map((l) => Math.exp(by * (l - most)));
  const sum = raw.reduce((a, b) => a + b, 0);
  return raw.map((w) => w / sum);
}

/** The largest step after which enough of the draws count. */
function stepOf(says: readonly number[], most: number): number {
  const counting = (by: number) =>
    1 / weightsOf(says, by).reduce((sum, w) => sum + w * w, 0) / says.length;
  if (counting(most) >= COUNTING) return most;
  let [low, high] = [0, most];
  for (let k = 0; k < BISECTIONS; k++) {
    const middle = (low + high) / 2;
    if (counting(middle) >= COUNTING) low = middle;
    else high = middle;
  }
  return low;
}

/** Systematic resampling: each draw as often as its weight says, within one. */
function resampled(weights: readonly number[], random: Random): number[] {
  const picked: number[] = [];
  let sum = 0;
  let at = random();
  weights.forEach((weight, i) => {
    sum += weight * weights.length;
    for (; at < sum && picked.length < weights.length; at++) picked.push(i);
  });
  while (picked.length < weights.length) picked.push(weights.length - 1);
  return picked;
}
