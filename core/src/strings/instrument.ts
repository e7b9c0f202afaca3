import type { InstrumentKind } from '../music/index.ts';
import type { KgPerMetre, Millimetres } from '../units.ts';
import type { PegFigure } from './pegFigure.ts';
import { type PegKind, type PegLayout, type PegPlace, pegPlace, USUAL_RATIO } from './pegs.ts';
import type { PegGeometry } from './tension.ts';

/** One string as it is strung: what its physics needs. */
export interface StringSpec {
  readonly material: 'steel' | 'nylon' | 'fluorocarbon' | 'gut';
  /** Plain strings carry their load with the whole diameter, wound ones with the core alone. */
  readonly wound: boolean;
  readonly diameterMm: Millimetres;
  readonly coreMm: Millimetres;
  readonly unitWeight: KgPerMetre;
}

/**
 * Which way the button is turned to tighten: as the player holds the instrument where it
 * points sideways, as one faces it where it points backwards.
 */
export type TightenDirection = 'away from you' | 'towards you' | 'clockwise' | 'counter-clockwise';

/** The winder of one string. */
export interface Peg extends PegGeometry {
  readonly kind: PegKind;
  readonly tighten: TightenDirection;
  /** `assumed` until a peg test has shown the direction. */
  readonly known: 'assumed' | 'tested';
  /** How far a turn takes the string, as measured. */
  readonly measured?: PegFigure;
}

/** One to three strings that are fretted together, each with its peg. */
export interface Course {
  readonly number: number;
  readonly strings: readonly { readonly spec: StringSpec; readonly peg: Peg }[];
}

/** How the bridge is held: it decides how much one string moves the others. */
export type Bridge = 'fixed' | 'loose' | 'floating';

/** An instrument of the shelf. */
export interface Instrument {
  readonly id: string;
  readonly name: string;
  readonly kind: InstrumentKind;
  readonly scaleMm: Millimetres;
  readonly frets: number;
  /** Course 1, nearest the floor, first. */
  readonly courses: readonly Course[];
  readonly layout: PegLayout;
  readonly bridge: Bridge;
  /** Drawn the other way round; no figure changes. */
  readonly leftHanded?: true;
  /** Fret at which a capo sits now. */
  readonly capo?: number;
  /** The tuning that it is to be in now. */
  readonly tuningId: string;
  /** The tuning that it is kept in, while it is retuned to another one. */
  readonly homeTuningId?: string;
  /** Taken off the shelf; its history stays. */
  readonly archived?: true;
  readonly note: string;
}

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
