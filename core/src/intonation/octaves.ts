import { nth } from '../maths/index.ts';
import { type Instrument, startFret } from '../strings/index.ts';
import { type BridgeEnd, bridgeEnds, type OctaveTest } from './bridge.ts';
import { type FretSheet, OCTAVE_FRET } from './map.ts';

/** The twelfth fret is sounded so often, as the open string is: one reading tells nothing of its error. */
export const OCTAVE_FRETS: readonly number[] = [OCTAVE_FRET, OCTAVE_FRET, OCTAVE_FRET];

/** True for a check of the octaves alone: it asks where the bridge or the saddles stand, and nothing else. */
export function isBridgeCheck({ frets }: FretSheet): boolean {
  return frets.every((fret) => fret === OCTAVE_FRET);
}

/** The outer strings that run the whole neck, the highest number first. */
export function outerCourses(instrument: Instrument): number[] {
  const long = instrument.courses
    .map(({ number }) => number)
    .filter((course) => startFret(instrument, course) === 0);
  return [Math.max(...long), Math.min(...long)];
}

/** One end of the bridge, or one saddle of its own, with the string above it. */
export type EndUnder = BridgeEnd & { readonly course: number };

/**
 * How both ends of a bridge that can be moved are to be moved, from the octaves of the outer strings as they were
 * read, the highest string first; null before both were.
 */
export function bridgeEndsOf(instrument: Instrument, check: FretSheet): EndUnder[] | null {
  return endsUnder(instrument, check, outerCourses(instrument));
}

/** How the saddle of each string is to be moved, where each has its own; null before the octaves of all were read. */
export function saddlesOf(instrument: Instrument, check: FretSheet): EndUnder[] | null {
  return endsUnder(instrument, check, check.courses);
}

function endsUnder(
  instrument: Instrument,
  check: FretSheet,
  courses: readonly number[],
): EndUnder[] | null {
  const tests = courses.map((course) => octaveTestOf(check, course));
  if (tests.some(({ open, fretted }) => open.length === 0 || fretted.length === 0)) return null;
  return bridgeEnds(instrument.scaleMm, tests).map((end, i) => ({
    ...end,
    course: nth(courses, i),
  }));
}

function octaveTestOf(check: FretSheet, course: number): OctaveTest {
  const own = check.readings.filter((r) => r.course === course && !r.struckOut);
  const open = own.filter(({ place }) => place.kind === 'open').map(({ cents }) => cents);
  const fretted = own.flatMap(({ place, cents }) =>
    place.kind === 'fret' && place.fret === OCTAVE_FRET && place.pressure === 'normal'
      ? cents - 100 * OCTAVE_FRET
      : [],
  );
  return { open, fretted };
}
