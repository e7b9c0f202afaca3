import { nth } from '../maths/index.ts';
import type { Hz, Seconds } from '../units.ts';

/** The filters of ITU-R BS.1770-4 are given for this rate. */
export const LOUDNESS_RATE: Hz = 48_000;

interface Biquad {
  readonly b: readonly [number, number, number];
  readonly a: readonly [number, number];
}

/** ITU-R BS.1770-4, tables 1 and 2: the head, and the revised low curve. */
const HEAD: Biquad = {
  b: [1.53512485958697, -2.69169618940638, 1.19839281085285],
  a: [-1.69065929318241, 0.73248077421585],
};
const LOW_CURVE: Biquad = { b: [1, -2, 1], a: [-1.99004745483398, 0.99007225036621] };
/** What the weighting adds near 1 kHz is taken off again. */
const OFFSET = -0.691;
/** Momentary loudness is that of so long, EBU Tech 3341; its window moves by a quarter. */
const WINDOW: Seconds = 0.4;
const MOVES = 4;

/** The greatest momentary loudness of a sound at 48 kHz, LUFS; −Infinity of silence. */
export function loudness(samples: Float32Array): number {
  const weighted = filtered(filtered(Float64Array.from(samples), HEAD), LOW_CURVE);
  const step = Math.round((WINDOW * LOUDNESS_RATE) / MOVES);
  const powers: number[] = [];
  for (let at = 0; at < weighted.length; at += step) {
    let power = 0;
    for (let i = at; i < Math.min(weighted.length, at + step); i++) power += nth(weighted, i) ** 2;
    powers.push(power);
  }
  let most = 0;
  for (let i = 0; i < powers.length; i++) {
    const sum = powers.slice(i, i + MOVES).reduce((all, power) => all + power, 0);
    most = Math.max(most, sum / (MOVES * step));
  }
  return OFFSET + 10 * Math.log10(most);
}

function filtered(samples: Float64Array, { b, a }: Biquad): Float64Array {
  const out = new Float64Array(samples.length);
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  for (let i = 0; i < samples.length; i++) {
    const x = nth(samples, i);
    const y = b[0] * x + b[1] * x1 + b[2] * x2 - a[0] * y1 - a[1] * y2;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    out[i] = y;
  }
  return out;
}

/** No sample passes this. */
const CEILING = 0.89;
/** The limiter knows what comes so far ahead, and lets go as slowly. */
const AHEAD: Seconds = 0.005;

/** The sound with its peaks turned down in time, none above −1 dBFS; what lies below is left as it is. */
export function limited(samples: Float32Array, rate: Hz): Float32Array<ArrayBuffer> {
  const reach = Math.round(AHEAD * rate);
  const wanted = Float64Array.from(samples, (x) =>
    Math.min(1, CEILING / Math.max(CEILING, Math.abs(x))),
  );
  if (!wanted.some((gain) => gain < 1)) return Float32Array.from(samples);
  const around = (list: Float64Array, i: number, take: (window: Float64Array) => number) =>
    take(list.subarray(Math.max(0, i - reach), i + reach + 1));
  // The least gain of both sides, then their mean: it is down when the peak comes, and moves without a step.
  const least = wanted.map((_, i) =>
    around(wanted, i, (window) => window.reduce((a, b) => Math.min(a, b))),
  );
  return Float32Array.from(
    samples,
    (x, i) => x * around(least, i, (window) => window.reduce((a, b) => a + b) / window.length),
  );
}
