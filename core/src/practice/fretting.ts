import { fretPlace } from '../fretboard/index.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents, Millimetres, Newtons } from '../units.ts';

/** How hard a finger presses; how deep the string goes behind the fret. */
export type Press = 'soft' | 'normal' | 'hard';

/** What is out of its place on a neck. */
export interface NeckFaults {
  /** The nut stands so far from where it belongs, away from the bridge. */
  readonly nutMm: Millimetres;
  /** The saddle stands so far from where it belongs, away from the nut. */
  readonly saddleMm: Millimetres;
  /** A slanted saddle or bridge: so much further yet under the string of the highest number, less towards the first. */
  readonly slantMm?: Millimetres;
  /** String above the first and the twelfth fret. */
  readonly firstMm: Millimetres;
  readonly twelfthMm: Millimetres;
  /** A maker set the saddle of each string where its octave came out, with heights as on a good neck; `saddleMm` counts from there. */
  readonly compensated?: true;
  /** Frets out of their places, in mm towards the bridge, by number. */
  readonly frets: Readonly<Record<number, Millimetres>>;
}

/** A neck on which everything is where it belongs and the strings lie low. */
export const GOOD_NECK: NeckFaults = {
  nutMm: 0,
  saddleMm: 0,
  firstMm: 0.15,
  twelfthMm: 1.2,
  frets: {},
};

/** A neck as a maker leaves it: heights as usual, each saddle where its octave is right. */
export const MADE_NECK: NeckFaults = {
  nutMm: 0,
  saddleMm: 0,
  firstMm: 0.4,
  twelfthMm: 2,
  compensated: true,
  frets: {},
};

/** A string as the finger stretches it. */
export interface FrettedString {
  readonly scaleMm: Millimetres;
  readonly totalMm: Millimetres;
  readonly tension: Newtons;
  /** E·A of the part that carries, in N. */
  readonly stiffness: number;
}

/** How deep a string is pressed below the top of the fret, in mm; invented, of the usual order. */
const DEPTH: Readonly<Record<Press, Millimetres>> = { soft: 0.15, normal: 0.45, hard: 0.95 };

/**
 * What a fret multiplies the open pitch by: the length that is left, and the tension that
 * pressing adds by stretching the string over its two straight parts and down behind the
 * fret. After Varieschi & Gower, Am. J. Phys. 78 (2010) 47: the string's own stretching.
 */
export function frettedRatio(
  string: FrettedString,
  neck: NeckFaults,
  fret: number,
  depth: Millimetres,
): number {
  const { scaleMm, totalMm, tension, stiffness } = string;
  const open = scaleMm + neck.nutMm + neck.saddleMm;
  const place = fretPlace(scaleMm, fret) + (neck.frets[fret] ?? 0);
  const left = scaleMm - place + neck.saddleMm;
  const before = place + neck.nutMm;
  const height = Math.max(0.02, heightOver(neck, scaleMm, place));
  const gap = place - fretPlace(scaleMm, fret - 1);
  const longer =
    slope(before, height) + slope(left, height) + slope(gap / 2, depth) + slope(gap / 2, depth);
  const pulled = (stiffness * longer) / totalMm;
  return (open / left) * Math.sqrt(1 + pulled / tension);
}

/** How deep a capo on fret 1 presses a string behind it, in mm; invented. */
const CAPO_DEPTH: Millimetres = 0.5;

/**
 * The same under a capo on fret 1: the string runs from there to the saddle, and what the capo stretches it by is in
 * every note. Fret 1 is the string open behind the capo.
 */
export function frettedUnderCapo(
  string: FrettedString,
  neck: NeckFaults,
  fret: number,
  depth: Millimetres,
): number {
  const { scaleMm, totalMm, tension, stiffness } = string;
  const open = scaleMm + neck.nutMm + neck.saddleMm;
  const first = fretPlace(scaleMm, 1) + (neck.frets[1] ?? 0);
  const place = fretPlace(scaleMm, fret) + (neck.frets[fret] ?? 0);
  const end = scaleMm + neck.saddleMm;
  const nutGap = first + neck.nutMm;
  const byCapo =
    slope(nutGap, heightOver(neck, scaleMm, first)) + 2 * slope(nutGap / 2, CAPO_DEPTH);
  const gap = place - fretPlace(scaleMm, fret - 1);
  // The line from fret 1 to the saddle, over this fret.
  const height = (heightOver(neck, scaleMm, scaleMm) * (place - first)) / (end - first);
  const byFinger =
    fret === 1
      ? 0
      : slope(place - first, height) + slope(end - place, height) + 2 * slope(gap / 2, depth);
  const pulled = (stiffness * (byCapo + byFinger)) / totalMm;
  return (open / (end - place)) * Math.sqrt(1 + pulled / tension);
}

/** A finger's depth for a pressure, no two alike. */
export function depthOf(press: Press, chance: number): Millimetres {
  return Math.max(0.02, DEPTH[press] * (1 + 0.08 * chance));
}

/** How much longer a straight way becomes when one end sinks. */
const slope = (length: Millimetres, height: Millimetres) => Math.hypot(length, height) - length;

/** The string over a fret, along a straight line through the heights over frets 1 and 12. */
function heightOver(neck: NeckFaults, scale: Millimetres, place: Millimetres): Millimetres {
  const [first, twelfth] = [fretPlace(scale, 1), fretPlace(scale, 12)];
  const share = (place - first) / (twelfth - first);
  return neck.firstMm + share * (neck.twelfthMm - neck.firstMm);
}

/** The same in cents off the equal-tempered fret. */
export function frettedCents(
  string: FrettedString,
  neck: NeckFaults,
  fret: number,
  depth: Millimetres,
): Cents {
  return centsBetween(1, frettedRatio(string, neck, fret, depth)) - 100 * fret;
}

/** No maker sets a saddle further out, in mm. */
const MOST_COMPENSATION: Millimetres = 15;
const HALVINGS = 30;

/** How far out a maker sets the saddle of a string: its octave is right under an ordinary finger. */
export function compensationFor(string: FrettedString): Millimetres {
  const depth = depthOf('normal', 0);
  let [low, high] = [0, MOST_COMPENSATION];
  for (let k = 0; k < HALVINGS; k++) {
    const saddleMm = (low + high) / 2;
    if (frettedCents(string, { ...MADE_NECK, saddleMm }, 12, depth) > 0) low = saddleMm;
    else high = saddleMm;
  }
  return (low + high) / 2;
}
