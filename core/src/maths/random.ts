/** A source of uniform numbers in [0, 1). Passed in wherever chance is needed. */
export type Random = () => number;

/** Seeded uniform numbers (mulberry32): the same seed gives the same sequence everywhere. */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let z = state;
    z = Math.imul(z ^ (z >>> 15), z | 1);
    z ^= z + Math.imul(z ^ (z >>> 7), z | 61);
    return ((z ^ (z >>> 14)) >>> 0) / 4294967296;
  };
}

/** One draw from the standard normal distribution (Box and Muller 1958). */
export function normal(random: Random): number {
  const radius = Math.sqrt(-2 * Math.log(1 - random()));
  return radius * Math.cos(2 * Math.PI * random());
}

/** Fills a list with draws from the standard normal distribution, two for each radius. */
export function fillNormal(into: Float64Array, random: Random): void {
  for (let i = 0; i < into.length; i += 2) {
    const radius = Math.sqrt(-2 * Math.log(1 - random()));
    const angle = 2 * Math.PI * random();
    into[i] = radius * Math.cos(angle);
    if (i + 1 < into.length) into[i + 1] = radius * Math.sin(angle);
  }
}

/** A uniform draw between `low` and `high`. */
export function between(random: Random, low: number, high: number): number {
  return low + (high - low) * random();
}
