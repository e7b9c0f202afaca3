import { nth } from '../maths/index.ts';
import type { Cents, EpochMs } from '../units.ts';
import type { SpanDrift } from './types.ts';

/** The air of the room at a moment, as far as it is known. */
export interface AirAt {
  readonly at: EpochMs;
  readonly celsius?: number | undefined;
  /** Relative, per cent. */
  readonly humidity?: number | undefined;
}

/** How what all strings did alike goes with the air. */
export interface WithAir {
  /** Cents for ten per cent more humidity; with its standard error. */
  readonly perTenPercent: Cents;
  readonly error: Cents;
  /** How much of what all did alike the humidity explains, 0 to 1. */
  readonly explains: number;
  readonly spans: number;
}

/** With fewer spans nothing is said. */
const FEWEST = 6;
/** The air of a day counts for a session so near, in ms. */
const NEAR = 1.5 * 86_400_000;

/** Holds what all strings did alike against the humidity of the days; null where too little of it is known. */
export function withAir(spans: readonly SpanDrift[], air: readonly AirAt[]): WithAir | null {
  const pairs = spans.flatMap(({ from, to, common, handled }) => {
    const [a, b] = [humidityAt(air, from), humidityAt(air, to)];
    return a === null || b === null || handled > 0.5 ? [] : [{ x: (b - a) / 10, y: common }];
  });
  const n = pairs.length;
  if (n < FEWEST) return null;
  const mean = (read: (p: (typeof pairs)[number]) => number) =>
    pairs.reduce((sum, p) => sum + read(p), 0) / n;
  const [mx, my] = [mean(({ x }) => x), mean(({ y }) => y)];
  const sxx = mean(({ x }) => (x - mx) ** 2);
  const syy = mean(({ y }) => (y - my) ** 2);
  if (sxx === 0 || syy === 0) return null;
  const slope = mean(({ x, y }) => (x - mx) * (y - my)) / sxx;
  const rest = Math.max(0, syy - slope ** 2 * sxx);
  return {
    perTenPercent: slope,
    error: Math.sqrt(rest / (sxx * (n - 2))),
    explains: 1 - rest / syy,
    spans: n,
  };
}

/** Humidity on the nearest day that is known. */
export function humidityAt(air: readonly AirAt[], at: EpochMs): number | null {
  let best: AirAt | null = null;
  for (let i = 0; i < air.length; i++) {
    const day = nth(air, i);
    if (day.humidity === undefined || Math.abs(day.at - at) > NEAR) continue;
    if (!best || Math.abs(day.at - at) < Math.abs(best.at - at)) best = day;
  }
  return best?.humidity ?? null;
}
