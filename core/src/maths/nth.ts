import { RangeMisuse } from '../errors.ts';

/** Anything that is read by number. */
interface Listed<T> {
  readonly length: number;
  readonly [index: number]: T;
}

/**
 * The element that must be there: for indices that follow from the list's own length.
 * @throws RangeMisuse where it is not
 */
export function nth<T>(list: Listed<T>, index: number): T {
  const value = list[index];
  if (value === undefined) throw missing(list.length, index);
  return value;
}

/** The same of the loops over sound: one kind of list alone, so that it is read as fast as without. */
export function nth64(list: Float64Array, index: number): number {
  const value = list[index];
  if (value === undefined) throw missing(list.length, index);
  return value;
}

function missing(length: number, index: number): RangeMisuse {
  return new RangeMisuse(`there is no element ${index} in a list of ${length}`);
}
