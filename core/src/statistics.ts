/** The middle value; the mean of the two middle ones of an even count. NaN of nothing. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/**
 * AICc of a fit with known errors: χ² + 2k + 2k(k + 1)/(n − k − 1). Hurvich and Tsai 1989.
 * Infinity where there are too few readings for so many unknowns.
 */
export function akaike(chiSquare: number, unknowns: number, readings: number): number {
  const left = readings - unknowns - 1;
  if (left <= 0) return Number.POSITIVE_INFINITY;
  return chiSquare + 2 * unknowns + (2 * unknowns * (unknowns + 1)) / left;
}
