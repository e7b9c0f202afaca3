import { findTuning, type Tuning } from '../music/index.ts';
import type { Hz, Newtons } from '../units.ts';
import { soundingLength } from './length.ts';
import { headroom } from './strength.ts';
import { tensionOf } from './tension.ts';
import type { Instrument } from './types.ts';

/** The tuning that an instrument is kept in, whatever it is retuned to now; undefined if it is unknown. */
export function homeTuning(
  instrument: Instrument,
  tunings?: readonly Tuning[],
): Tuning | undefined {
  return findTuning(instrument.homeTuningId ?? instrument.tuningId, tunings);
}

/** What the first string of a course carries at a pitch. */
export interface StringLoad {
  readonly tension: Newtons;
  /** Semitones from there up to where it breaks. */
  readonly headroom: number;
}

/** Load of a course at a pitch; null when the instrument has no such course. @throws RangeMisuse for a core that is no wire. */
export function stringLoad(instrument: Instrument, course: number, hz: Hz): StringLoad | null {
  const spec = instrument.courses[course - 1]?.strings[0]?.spec;
  if (!spec) return null;
  const length = soundingLength(instrument, course);
  return { tension: tensionOf(spec.unitWeight, length, hz), headroom: headroom(spec, length, hz) };
}
