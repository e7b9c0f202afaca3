import { shiftHz } from '../music/index.ts';
import type { Cents, Millimetres } from '../units.ts';

/** Cents to the natural logarithm: 1200 / ln 2. */
export const CENTS_PER_E = 1200 / Math.LN2;

/**
 * How much longer a string must be made at its saddle, its twelfth fret being so many cents
 * sharp: (L + δ)/(L/2 + δ) = 2 · 2^(−c/1200). Negative: shorter.
 * @param scale nut to saddle, twice the way to the twelfth fret
 */
export function saddleShift(scale: Millimetres, sharp: Cents): Millimetres {
  const ratio = shiftHz(2, -sharp);
  return (scale * (1 - ratio / 2)) / (ratio - 1);
}

/** How far the nut must move towards the first fret where every fretted note is so many cents sharp. */
export function nutShift(scale: Millimetres, sharp: Cents): Millimetres {
  return scale * -Math.expm1(-sharp / CENTS_PER_E);
}
