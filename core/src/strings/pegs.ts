import type { InstrumentKind } from '../music/index.ts';
import type { Hz, Millimetres } from '../units.ts';
import { soundingLength } from './length.ts';
import { MATERIALS } from './strength.ts';
import { tensionOf, tensionPerTurn } from './tension.ts';
import type { Instrument, PegKind, PegLayout, PegPlace } from './types.ts';

/** Turns of the button for one of the post that are usual: common practice, no source. */
export const USUAL_RATIO: Readonly<Record<PegKind, number>> = {
  geared: 15,
  planetary: 4,
  direct: 1,
};

/** Pegs in two rows, by how many there are. */
const ROWS: Readonly<Record<number, PegLayout>> = {
  4: '2+2',
  5: '3+2',
  6: '3+3',
  7: '4+3',
  8: '4+4',
  12: '6+6',
};

/** The layouts that so many pegs can have, the usual one first. */
export function layoutsFor(kind: InstrumentKind, courses: number): PegLayout[] {
  if (kind === 'banjo' && courses === 5) return ['2+2+side'];
  const rows = ROWS[courses];
  return [...(rows ? [rows] : []), 'inLine', 'inLineReversed'];
}

/** Where the peg of a course stands. Strings do not cross, so the outer ones' pegs are nearest the nut. */
export function pegPlace(layout: PegLayout, course: number, courses: number): PegPlace {
  if (layout === 'inLine') return { row: 'upper', fromNut: courses - course + 1 };
  if (layout === 'inLineReversed') return { row: 'lower', fromNut: course };
  const side = layout === '2+2+side';
  if (side && course === courses) return { row: 'side', fromNut: 1 };
  const onHead = side ? courses - 1 : courses;
  const lower = Math.floor(onHead / 2);
  return course <= lower
    ? { row: 'lower', fromNut: course }
    : { row: 'upper', fromNut: onHead - course + 1 };
}

/** From peg to anchor a string is about this much longer than its scale. */
const BEYOND_SCALE: Millimetres = 110;
/**
 * Body, neck, bridge and tailpiece give way with the string, so that hands need so many
 * times the turn of the string alone: common practice, no source.
 */
const GIVE: Readonly<Record<InstrumentKind, number>> = {
  guitar: 1.2,
  ukulele: 1.2,
  banjo: 1.7,
  bass: 1.2,
};

/**
 * Turns of the button that should bring a course from one pitch to another, positive
 * tightening: ΔT = E A ΔL / L. A guess from physics; null for a course that is not there.
 */
export function expectedTurns(
  instrument: Instrument,
  course: number,
  fromHz: Hz,
  toHz: Hz,
): number | null {
  const string = instrument.courses[course - 1]?.strings[0];
  if (!string) return null;
  const { spec, peg } = string;
  const length = soundingLength(instrument, course);
  const change =
    tensionOf(spec.unitWeight, length, toHz) - tensionOf(spec.unitWeight, length, fromHz);
  const { modulus } = MATERIALS[spec.material];
  const stretch = { coreMm: spec.coreMm, modulus, totalMm: length + BEYOND_SCALE };
  return change / tensionPerTurn(peg, stretch, GIVE[instrument.kind]);
}
