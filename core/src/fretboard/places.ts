import type { Millimetres } from '../units.ts';

/** Distance from the nut to fret n on a scale: x_n = L (1 − 2^(−n/12)). */
export function fretPlace(scale: Millimetres, fret: number): Millimetres {
  return scale * (1 - 2 ** (-fret / 12));
}

/** Length of a string that begins at a fret, such as a banjo's fifth: L · 2^(−fret/12). */
export function lengthFrom(scale: Millimetres, startFret: number): Millimetres {
  return scale * 2 ** (-startFret / 12);
}
