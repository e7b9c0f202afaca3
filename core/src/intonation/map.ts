import type { Cents, EpochMs } from '../units.ts';
import type { Ordered } from './part.ts';

/** At this fret a string sounds its octave; touched over it, it sounds the octave whatever the frets. */
export const OCTAVE_FRET = 12;

/** How hard the finger holds the string: a light touch, as one plays, and as hard as it goes. */
export type Pressure = 'soft' | 'normal' | 'hard';

export const PRESSURES: readonly Pressure[] = ['soft', 'normal', 'hard'];

/** What of a string was sounded. */
export type FretPlace =
  | { readonly kind: 'open' }
  /** Touched over the twelfth fret: twice the open pitch, wherever the frets are. */
  | { readonly kind: 'harmonic' }
  | {
      readonly kind: 'fret';
      /** Counted from the nut, whether a capo is on or not. */
      readonly fret: number;
      readonly pressure: Pressure;
      /** Under a capo on fret 1, which takes the nut out of it; fret 1 is the string open behind it. */
      readonly capo?: true;
    };

/** One reading of a fret check. */
export interface FretReading {
  readonly course: number;
  /** Which string of a course of several; the first, or the only one, where it is missing. */
  readonly member?: number;
  readonly place: FretPlace;
  /** From the pitch that the open string should sound, taken on f0. */
  readonly cents: Cents;
  readonly errorCents: Cents;
  readonly at: EpochMs;
  /** The teacher does not trust it. */
  readonly struckOut?: true;
  /** What the teacher noticed: a buzz, a doubt. */
  readonly note?: string;
}

/** What a check asks for, and what was read of it. */
export interface FretSheet {
  /** Each place follows from what was read before it, until it is decided; the whole neck is in question. */
  readonly led?: true;
  /** A note is wrong beyond so many cents; the usual 5 where it is missing. */
  readonly limit?: Cents;
  /** What a repairer was to tuned: about ten plucks show whether it was done. */
  readonly proves?: Ordered;
  /** Strings, frets and pressures that are asked for. */
  readonly courses: readonly number[];
  readonly frets: readonly number[];
  readonly pressures: readonly Pressure[];
  readonly readings: readonly FretReading[];
}

/** Semitones that a place lies above the open string. */
export function semitonesOf(place: FretPlace): number {
  return place.kind === 'open' ? 0 : place.kind === 'harmonic' ? OCTAVE_FRET : place.fret;
}

/** All up to the octave: every one is heard before an instrument is cleared. */
export const TWELVE_FRETS: readonly number[] = Array.from({ length: 12 }, (_, i) => i + 1);
/** Frets of the neck that were heard: the string open behind a capo is none. */
export function fretsHeard(readings: readonly FretReading[]): ReadonlySet<number> {
  return new Set(
    readings.flatMap(({ place, struckOut }) =>
      place.kind !== 'fret' || struckOut || (place.capo && place.fret === 1) ? [] : [place.fret],
    ),
  );
}

/** Strings that were heard open: without that nothing is known of their frets. */
export function heardOpen(readings: readonly FretReading[]): ReadonlySet<number> {
  return new Set(
    readings.flatMap(({ course, place, struckOut }) =>
      place.kind === 'fret' || struckOut ? [] : [course],
    ),
  );
}

/** As far as this from the nut a slot that is too high is heard, by its fret. */
const NEAR_NUT = 2;

/** Strings that were heard near the nut: what their slots do shows nowhere else. */
export function heardNearNut(readings: readonly FretReading[]): ReadonlySet<number> {
  return new Set(
    readings.flatMap(({ course, place, struckOut }) =>
      place.kind === 'fret' && !struckOut && !place.capo && place.fret <= NEAR_NUT ? [course] : [],
    ),
  );
}

/** The shortest set that tells anything, most telling first. */
export const USEFUL_FRETS: readonly number[] = [12, 1, 2, 3, 5, 7, 9];
/** The first fifteen, up and down the neck by turns, so that a drift does not look like a cause. */
export const FIFTEEN_FRETS: readonly number[] = [12, 1, 8, 4, 14, 2, 10, 6, 13, 3, 9, 5, 15, 7, 11];
/** The error of the open string is in every figure: it is read so often, and again at the end to see whether it drifted. */
export const OPEN_READINGS = 4;

/** The places of one string in the order in which they are asked for. */
export function sequenceOf(frets: readonly number[], pressures: readonly Pressure[]): FretPlace[] {
  const fretted = pressures.flatMap((pressure) =>
    frets.map((fret): FretPlace => ({ kind: 'fret', fret, pressure })),
  );
  return [
    ...Array.from({ length: OPEN_READINGS }, (): FretPlace => ({ kind: 'open' })),
    { kind: 'harmonic' },
    ...fretted,
    { kind: 'open' },
  ];
}

/** A fret is heard as another one from here on, in cents. */
const OWN = 50;

/** Which fret a pitch is at, when another one was asked for; null while it is within its own. */
export function otherFret(place: FretPlace, cents: Cents): number | null {
  const asked = semitonesOf(place);
  const heard = Math.round(cents / 100);
  return Math.abs(cents - 100 * asked) <= OWN ? null : heard;
}
