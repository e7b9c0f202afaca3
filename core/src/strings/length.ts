import type { Millimetres } from '../units.ts';
import type { Instrument } from './types.ts';

/** Fret of the neck at which a course begins: that of the short string of a five-string banjo is 5, or what is said of it. */
export function startFret(instrument: Instrument, course: number): number {
  const { kind, courses, shortFrom = 5 } = instrument;
  return kind === 'banjo' && courses.length === 5 && course === 5 ? shortFrom : 0;
}

/** Sounding length of a course without a capo. */
export function soundingLength(instrument: Instrument, course: number): Millimetres {
  return instrument.scaleMm * 2 ** (-startFret(instrument, course) / 12);
}

/** The instrument as it sounds with its capo on: the same strings, shorter. A short string is held by a spike. */
export function withCapo(instrument: Instrument): Instrument {
  return { ...instrument, scaleMm: instrument.scaleMm * 2 ** (-(instrument.capo ?? 0) / 12) };
}
