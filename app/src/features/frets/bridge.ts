import type { BridgeMove } from '@rosefinch/core/intonation';
import { bridgeMove } from '@rosefinch/core/intonation';
import type { FretCheck } from '@rosefinch/core/records';
import { type Instrument, startFret } from '@rosefinch/core/strings';
import { errorOf } from './sequence.ts';

/** The outer strings that run the whole neck, the highest number first. */
export function outerCourses(instrument: Instrument): number[] {
  const long = instrument.courses
    .map(({ number }) => number)
    .filter((course) => startFret(instrument, course) === 0);
  return [Math.max(...long), Math.min(...long)];
}

/** How the loose bridge is to be moved, from the octaves of the outer strings as they were read; null before both were. */
export function bridgeMoveOf(instrument: Instrument, check: FretCheck): BridgeMove | null {
  const [last, first] = outerCourses(instrument).map((course) => octaveOf(check, course));
  if (last === null || last === undefined || first === null || first === undefined) return null;
  return bridgeMove(instrument.scaleMm, first, last);
}

/** Cents by which the twelfth fret of a string is sharp, at normal pressure. */
function octaveOf(check: FretCheck, wanted: number): number | null {
  const errors = check.readings.flatMap((reading) => {
    const { course, place, struckOut } = reading;
    if (course !== wanted || struckOut || place.kind !== 'fret') return [];
    return place.fret === 12 && place.pressure === 'normal' ? (errorOf(check, reading) ?? []) : [];
  });
  if (errors.length === 0) return null;
  return errors.reduce((sum, value) => sum + value, 0) / errors.length;
}

/** Less than this is no move, in mm. */
export const RIGHT_MM = 0.4;
