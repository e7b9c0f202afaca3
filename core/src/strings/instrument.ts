import type { KgPerMetre, Millimetres } from '../units.ts';
import { pegPlace, USUAL_RATIO } from './pegs.ts';
import type { Instrument, Peg, PegKind, PegPlace, StringSpec, TightenDirection } from './types.ts';

/**
 * Usual steel strings of a six-string guitar, course 1 first; unit weights and
 * cores from memory, chosen so that tensions come out between 70 and 130 N.
 */
const STEEL_SET: readonly StringSpec[] = [
  plain(0.254, 3.978e-4),
  plain(0.33, 6.714e-4),
  plain(0.432, 1.1506e-3),
  wound(0.66, 0.36, 2.26e-3),
  wound(0.91, 0.4, 4.23e-3),
  wound(1.17, 0.43, 6.84e-3),
];

function plain(diameterMm: Millimetres, unitWeight: KgPerMetre): StringSpec {
  return { material: 'steel', wound: false, diameterMm, coreMm: diameterMm, unitWeight };
}

function wound(diameterMm: Millimetres, coreMm: Millimetres, unitWeight: KgPerMetre): StringSpec {
  return { material: 'steel', wound: true, diameterMm, coreMm, unitWeight };
}

/**
 * A usual peg. Sideways buttons of the upper row are turned away from the player to
 * tighten, the others towards; backward ones, as the string winds on at the inner side
 * of the post, clockwise in the upper row and the other way in the lower.
 */
export function usualPeg(kind: PegKind, { row }: PegPlace): Peg {
  return {
    kind,
    postMm: 6,
    ratio: USUAL_RATIO[kind],
    tighten: usualDirection(kind, row),
    known: 'assumed',
  };
}

/** A six-string guitar with steel strings in standard tuning. */
export function steelGuitar(id: string, name: string, note = ''): Instrument {
  return {
    id,
    name,
    kind: 'guitar',
    scaleMm: 648,
    frets: 20,
    courses: STEEL_SET.map((spec, index) => ({
      number: index + 1,
      strings: [{ spec, peg: usualPeg('geared', pegPlace('3+3', index + 1, STEEL_SET.length)) }],
    })),
    layout: '3+3',
    bridge: 'fixed',
    tuningId: 'guitar-standard',
    note,
  };
}

function usualDirection(kind: PegKind, row: PegPlace['row']): TightenDirection {
  if (kind === 'geared') return row === 'upper' ? 'away from you' : 'towards you';
  return row === 'upper' ? 'clockwise' : 'counter-clockwise';
}
