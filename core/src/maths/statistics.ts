import { median as middle } from 'd3-array';
import { RangeMisuse } from '../errors.ts';

/**
 * The middle value; the mean of the two middle ones of an even count.
 * @throws RangeMisuse of nothing
 */
export function median(values: readonly number[]): number {
  const value = middle(values);
  if (value === undefined) throw new RangeMisuse('a median of nothing');
  return value;
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
