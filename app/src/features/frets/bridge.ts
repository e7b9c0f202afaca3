import { type BridgeEnd, bridgeEnds, type OctaveTest } from '@rosefinch/core/intonation';
import type { FretCheck } from '@rosefinch/core/records';
import { type Instrument, startFret } from '@rosefinch/core/strings';

/** The twelfth fret is sounded so often, as the open string is: one reading tells nothing of its error. */
export const OCTAVE_FRETS: readonly number[] = [12, 12, 12];

/** True for a check of the octaves alone: it asks where the bridge stands, and nothing else. */
export function isBridgeCheck({ frets }: FretCheck): boolean {
  return frets.every((fret) => fret === 12);
}

/** The outer strings that run the whole neck, the highest number first. */
export function outerCourses(instrument: Instrument): number[] {
  const long = instrument.courses
    .map(({ number }) => number)
    .filter((course) => startFret(instrument, course) === 0);
  return [Math.max(...long), Math.min(...long)];
}

/** One end of the bridge with the string above it. */
export type EndUnder = BridgeEnd & { readonly course: number };

/**
 * How both ends of a loose bridge are to be moved, from the octaves of the outer strings as
 * they were read, the highest string first; null before both were.
 */
export function bridgeEndsOf(instrument: Instrument, check: FretCheck): EndUnder[] | null {
  const courses = outerCourses(instrument);
  const tests = courses.map((course) => octaveTestOf(check, course));
  if (tests.some(({ open, fretted }) => open.length === 0 || fretted.length === 0)) return null;
  return bridgeEnds(instrument.scaleMm, tests).map((end, i) => ({ ...end, course: courses[i]! }));
}

function octaveTestOf(check: FretCheck, course: number): OctaveTest {
  const own = check.readings.filter((r) => r.course === course && !r.struckOut);
  const open = own.filter(({ place }) => place.kind === 'open').map(({ cents }) => cents);
  const fretted = own.flatMap(({ place, cents }) =>
    place.kind === 'fret' && place.fret === 12 && place.pressure === 'normal' ? cents - 1200 : [],
  );
  return { open, fretted };
}

/** What is to be done with the bridge, in one sentence. */
export function bridgeInWords(ends: readonly EndUnder[]): string {
  if (ends.every(({ right }) => right)) return 'The bridge stands right. Mark its place.';
  return ends
    .map(endInWords)
    .join('; ')
    .concat('.')
    .replace(/^./, (c) => c.toUpperCase());
}

/** @example endInWords(end) // => 'the end under string 4 moves 3.4 ± 0.3 mm away from the nut' */
function endInWords({ course, mm, errorMm, right }: EndUnder): string {
  const end = `the end under string ${course}`;
  if (right) return `${end} stays`;
  const way = mm > 0 ? 'away from the nut' : 'towards the nut';
  return `${end} moves ${Math.abs(mm).toFixed(1)} ± ${errorMm.toFixed(1)} mm ${way}`;
}
