/**
 * Units as types. A plain number may be given where a unit is expected, but a
 * value that carries one unit cannot be handed to a parameter of another.
 */
declare const unit: unique symbol;
type Unit<Name extends string> = number & { readonly [unit]?: Name };

/** Frequency in hertz, above 0. */
export type Hz = Unit<'Hz'>;
/** Pitch distance; 1200 to the octave, positive upward. */
export type Cents = Unit<'Cents'>;
/** Time in seconds. */
export type Seconds = Unit<'Seconds'>;
/** Length in millimetres. */
export type Millimetres = Unit<'Millimetres'>;
/** Force in newtons. */
export type Newtons = Unit<'Newtons'>;
/** Mass per length in kilograms per metre. */
export type KgPerMetre = Unit<'KgPerMetre'>;
/** Level against digital full scale in decibels, at most 0 for a sine of full scale. */
export type Dbfs = Unit<'Dbfs'>;
/** Note number of the MIDI 1.0 tuning standard; 69 is A4, 60 is C4 (middle C). */
export type Midi = Unit<'Midi'>;
/** Milliseconds since 1970-01-01T00:00Z. */
export type EpochMs = Unit<'EpochMs'>;
/** Pitch distance in tempered semitones; 12 to the octave, positive upward. */
export type Semitones = Unit<'Semitones'>;
/** Milliseconds. */
export type Milliseconds = Unit<'Milliseconds'>;

/** Which of the two names of a black key is shown first. */
export type Accidental = 'sharp' | 'flat';

/** A day, in ms. */
export const DAY_MS = 86_400_000;
