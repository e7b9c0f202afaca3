import { fretPlace } from '../fretboard/index.ts';
import type { InstrumentKind } from '../music/index.ts';
import {
  type Bridge,
  type Instrument,
  MATERIALS,
  type StringSpec,
  soundingLength,
  startFret,
  tensionOf,
} from '../strings/index.ts';
import type { Cents, Hz, Millimetres } from '../units.ts';
import type { Pressure } from './map.ts';
import { CENTS_PER_E } from './saddle.ts';

/** What a string goes on behind nut and saddle, and stretches with the rest, in mm; common practice, no source. */
const BEHIND: Millimetres = 100;
/** Where the strings of a usual instrument lie over its frets, in mm: over fret 1, over fret 12. Common practice, no source. */
const HEIGHTS: Readonly<Record<'steel' | 'soft' | InstrumentKind, readonly [number, number]>> = {
  steel: [0.4, 2],
  soft: [0.4, 3],
  guitar: [0.4, 2],
  ukulele: [0.4, 2.4],
  banjo: [0.4, 2.6],
  bass: [0.5, 2.6],
};
/**
 * What a finger behind the fret stretches a string by, in mm, where it holds it as in playing; and how much of
 * that a soft and a hard one do. From memory.
 */
export const FINGER_MM: Millimetres = 0.013;
export const FINGER_SHARE: Readonly<Record<Pressure, number>> = {
  soft: 0.35,
  normal: 1,
  hard: 2.5,
};
/** A saddle that is placed string by string follows each string all the way, a straight one less. Common practice, no source. */
const FOLLOWS: Readonly<Record<InstrumentKind, number>> = {
  guitar: 0.9,
  ukulele: 0.4,
  banjo: 0.3,
  bass: 0.9,
};
/** Beyond the octave nothing is judged, and makers set their saddles there. */
export const LAST_FRET = 12;

/** One string as pressing bends it. */
export interface NeckString {
  readonly course: number;
  /** Fret of the neck at which it begins; the frets of a check are counted from there. */
  readonly startFret: number;
  readonly scaleMm: Millimetres;
  /** How much of its tension a millimetre of stretching adds: E·A / (T · whole length), in 1/mm. */
  readonly give: number;
  /** From −1 at the string of the lowest number to 1. */
  readonly across: number;
  /** Where its saddle stands on a sound instrument: so much further than half the scale twice. */
  readonly saddleMm: Millimetres;
  /** How much further out than the mean of the strings it would be if its saddle were its own. */
  readonly apartMm: Millimetres;
}

/** An instrument as a fret check sees it. */
export interface Neck {
  readonly kind: InstrumentKind;
  readonly bridge: Bridge;
  /** A capo stands for the nut: no slot is heard. */
  readonly capo: boolean;
  readonly heights: Heights;
  /** How far its saddle follows what each string would want, as a share. */
  readonly follows: number;
  readonly strings: readonly NeckString[];
}

/** The straight line of a string over the frets. */
export interface Heights {
  /** Above the plane of the frets at the nut, and at fret 12. */
  readonly slotMm: Millimetres;
  readonly actionMm: Millimetres;
}

/** What of a neck a check looks at. */
interface Looked {
  readonly capo?: boolean;
  /** All strings where it is missing. */
  readonly courses?: readonly number[];
}

/**
 * The neck of an instrument with everything where a maker puts it.
 * @param targets what its open strings sound, course 1 first
 */
export function neckOf(
  instrument: Instrument,
  targets: readonly Hz[],
  { capo = false, courses: read }: Looked = {},
): Neck {
  const { kind, bridge, courses } = instrument;
  const plain = courses.map((course, i) => {
    const spec = course.strings[0]?.spec;
    const scaleMm = soundingLength(instrument, course.number);
    return {
      course: course.number,
      startFret: startFret(instrument, course.number),
      scaleMm,
      give: spec ? giveOf(spec, scaleMm, targets[i] ?? 0) : 0,
      across: courses.length < 2 ? 0 : (2 * i) / (courses.length - 1) - 1,
      steel: spec?.material === 'steel',
    };
  });
  const material = plain.some(({ steel }) => steel) ? 'steel' : 'soft';
  const [first, twelfth] = HEIGHTS[kind === 'guitar' ? material : kind];
  const heights = capo
    ? { slotMm: 0, actionMm: twelfth }
    : { slotMm: slotOf(first, twelfth), actionMm: twelfth };
  const best = plain.map(
    (s) => (pressedCents(s, heights, LAST_FRET, FINGER_MM) * s.scaleMm) / CENTS_PER_E,
  );
  const mean = best.reduce((sum, mm) => sum + mm, 0) / best.length;
  const follows = FOLLOWS[kind];
  const strings = plain.map(({ steel: _, ...s }, i) => ({
    ...s,
    saddleMm: mean + follows * (best[i]! - mean),
    apartMm: best[i]! - mean,
  }));
  const looked = strings.filter(({ course }) => !read || read.includes(course));
  return { kind, bridge, capo, heights, follows, strings: looked };
}

function giveOf(spec: StringSpec, scaleMm: Millimetres, hz: Hz): number {
  const area = (Math.PI * (spec.coreMm / 1000) ** 2) / 4;
  const tension = tensionOf(spec.unitWeight, scaleMm, hz);
  if (!(tension > 0)) return 0;
  return (MATERIALS[spec.material].modulus * area) / (tension * (scaleMm + BEHIND));
}

/** The height in the slot that belongs to one over fret 1: half of the action lies in between already. */
function slotOf(first: Millimetres, twelfth: Millimetres): Millimetres {
  const x = fretPlace(1, 1);
  return (first - 2 * twelfth * x) / (1 - 2 * x);
}

/** A string over a fret, along a straight line from its slot to its saddle. */
function heightAt({ slotMm, actionMm }: Heights, x: number): Millimetres {
  return slotMm * (1 - 2 * x) + 2 * actionMm * x;
}

/**
 * What pressing adds at a fret, in cents: the string is stretched along two sides down to the fret, h²/2 (1/x + 1/(L − x)),
 * and by the finger behind it. After Varieschi & Gower, Am. J. Phys. 78 (2010) 47, to the first order.
 */
export function pressedCents(
  { scaleMm, give }: Pick<NeckString, 'scaleMm' | 'give'>,
  heights: Heights,
  fret: number,
  fingerMm: Millimetres,
): Cents {
  const place = fretPlace(scaleMm, fret);
  const height = heightAt(heights, place / scaleMm);
  const longer = (height ** 2 / 2) * (1 / place + 1 / (scaleMm - place)) + fingerMm;
  return (CENTS_PER_E / 2) * give * longer;
}

/**
 * The same under a capo on fret 1: the string runs from there, and is pressed against the line between fret 1 and its
 * saddle. What the capo itself adds is in every note of the string alike, and not in this.
 */
export function pressedUnderCapo(
  { scaleMm, give }: Pick<NeckString, 'scaleMm' | 'give'>,
  heights: Heights,
  fret: number,
  fingerMm: Millimetres,
): Cents {
  const first = fretPlace(scaleMm, 1);
  const place = fretPlace(scaleMm, fret);
  const [left, right] = [place - first, scaleMm - place];
  if (left <= 0) return 0;
  // The line from fret 1 to the saddle, over this fret: its slot is out of it.
  const saddle = heightAt(heights, 1);
  const height = (saddle * left) / (left + right);
  const longer = (height ** 2 / 2) * (1 / left + 1 / right) + fingerMm;
  return (CENTS_PER_E / 2) * give * longer;
}

/** What a saddle so much further out takes off at a fret, in cents. */
export function saddleCents(scaleMm: Millimetres, mm: Millimetres, fret: number): Cents {
  return ((-CENTS_PER_E * mm) / scaleMm) * octaveShare(fret);
}

/** How much of what moves the octave a fret takes part in: 0 open, 1 at fret 12. */
export function octaveShare(fret: number): number {
  return 2 ** (fret / LAST_FRET) - 1;
}
