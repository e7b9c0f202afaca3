/** Density of a normal error. */
export function normalAt(x: number, sigma: number): number {
  return Math.exp(-0.5 * (x / sigma) ** 2) / (sigma * Math.sqrt(2 * Math.PI));
}

/** Abramowitz and Stegun 26.2.17. */
const TAIL = {
  p: 0.2316419,
  b: [0.31938153, -0.356563782, 1.781477937, -1.821255978, 1.330274429],
} as const;

/** Upper tail of the standard normal, to 1e-7. */
export function upperTail(z: number): number {
  if (z < 0) return 1 - upperTail(-z);
  const t = 1 / (1 + TAIL.p * z);
  return normalAt(z, 1) * t * TAIL.b.reduceRight((sum, b) => sum * t + b, 0);
}
