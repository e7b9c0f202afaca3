import { type InCourse, pairingOf, stringsOfPairing } from '../music/index.ts';
import type { Instrument } from './types.ts';

type Strung = Pick<Instrument, 'kind' | 'courses'>;

/** Where a string belongs on an instrument in pairs; null on one that is strung singly, or of a single string. */
export function inCourse({ kind, courses }: Strung, string: number): InCourse | null {
  const pairing = pairingOf(kind, courses.length);
  const found = pairing && stringsOfPairing(pairing)[string - 1];
  return found && found.of > 1 ? found : null;
}

/**
 * The string that a digit chooses: its number; on an instrument in pairs the course of that number,
 * its other string the second time. Null where there is none.
 */
export function stringOfDigit(
  { kind, courses }: Strung,
  digit: number,
  chosen: number | null,
): number | null {
  const pairing = pairingOf(kind, courses.length);
  if (!pairing) return courses.some(({ number }) => number === digit) ? digit : null;
  const own = stringsOfPairing(pairing).flatMap(({ course }, i) =>
    course === digit ? [i + 1] : [],
  );
  const at = own.indexOf(chosen ?? 0);
  return own[(at + 1) % own.length] ?? null;
}
