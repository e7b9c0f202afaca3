import type { InstrumentKind } from '../music/index.ts';
import type { KgPerMetre, Millimetres } from '../units.ts';
import type { PegGeometry } from './tension.ts';

/** What turns the post: a worm gear, a planetary gear, or the hand itself. */
export type PegKind = 'geared' | 'planetary' | 'direct';

/** Where the pegs stand, the rows as the player looks down: upper + lower, or all in one line. */
export type PegLayout =
  | '3+3'
  | '4+3'
  | '4+4'
  | '6+6'
  | '3+2'
  | '2+2'
  | '2+2+side'
  | 'inLine'
  | 'inLineReversed';

/** A peg's place as the player looks down on the instrument. */
export interface PegPlace {
  readonly row: 'upper' | 'lower' | 'side';
  /** 1 is the peg nearest the nut. */
  readonly fromNut: number;
}

/** What was measured of a peg, against what physics alone would say. */
export interface PegFigure {
  /** How much further a turn takes the string than physics has it. */
  readonly factor: number;
  /** Standard error of that, as a share of it. */
  readonly error: number;
  /** Turns that it was learned from. */
  readonly turns: number;
  /** Play before it takes hold after a change of direction, that of the slot with it; not there while no turn told of it. */
  readonly play?: PegPlay;
  /** What the hand does on it when it turns as little as it can; not there while none was seen. */
  readonly least?: SmallestStep;
}

/** The smallest turns that a hand made. */
export interface SmallestStep {
  /** Turns of the button, in the middle. */
  readonly turns: number;
  /** Standard error of that, as a share. */
  readonly error: number;
  /** How many of them. */
  readonly steps: number;
}

/** How far a button turns after a change of direction before its string follows. */
export interface PegPlay {
  /** Turns of the button. */
  readonly turns: number;
  /** Standard error of that, in turns. */
  readonly error: number;
  /** How far its error goes with that of the factor, −1 to 1; missing is 0. */
  readonly together?: number;
}

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
export type TightenDirection = 'awayFromYou' | 'towardsYou' | 'clockwise' | 'counterClockwise';

/** The winder of one string. */
export interface Peg extends PegGeometry {
  readonly kind: PegKind;
  readonly tighten: TightenDirection;
  /** `assumed` until a peg test has shown the direction. */
  readonly known: 'assumed' | 'tested';
  /** How far a turn takes the string, as measured. */
  readonly measured?: PegFigure;
}

/**
 * A string with its peg, by its number from the floor. Strings of a pair have numbers of their own,
 * so that each is read alone; `pairingOf` says which belong together.
 */
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
  /** None where it is fretless. */
  readonly frets: number;
  /** Fret at which the short string of a banjo begins, where it is not the fifth. */
  readonly shortFrom?: number;
  /** String 1, nearest the floor, first. */
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
  /** What it belongs to, in the teacher's own words: a class, a lender, an owner. */
  readonly groups?: readonly string[];
  readonly note: string;
}
