import type { Tuning } from '../music/index.ts';
import { midiToHz, targetsOf } from '../music/index.ts';
import { type Instrument, type StringSpec, soundingLength, startFret } from '../strings/index.ts';
import type { Hz, Midi, Millimetres } from '../units.ts';

/** One string before a retune. */
export interface PlanString {
  readonly course: number;
  readonly spec: StringSpec;
  /** Sounding length. */
  readonly lengthMm: Millimetres;
  /** Fret of the neck at which it begins. */
  readonly startFret: number;
  /** What it sounds now, measured or taken from the tuning it is in. */
  readonly nowHz: Hz;
  readonly targetHz: Hz;
  /** The note of the target, for comparisons by fret. */
  readonly targetMidi: Midi;
  /** What it sounds in the instrument's standard tuning. */
  readonly standardHz: Hz;
}

/** What a retune goes from and to. */
export interface Retune {
  readonly instrument: Instrument;
  /** The tuning that the instrument is kept in: its usual load. */
  readonly home: Tuning;
  readonly target: Tuning;
  readonly a4: Hz;
  /** What a course sounds now: measured, or from the tuning it is in. */
  readonly nowHz: (course: number) => Hz;
}

/** The strings of a retune, course 1 first. */
export function planStrings({ instrument, home, target, a4, nowHz }: Retune): PlanString[] {
  return targetsOf(target, a4).flatMap(({ course, midi, hz }) => {
    const spec = instrument.courses[course - 1]?.strings[0]?.spec;
    const homeMidi = home.courses[course - 1]?.[0];
    if (!spec || homeMidi === undefined) return [];
    return [
      {
        course,
        spec,
        lengthMm: soundingLength(instrument, course),
        startFret: startFret(instrument, course),
        nowHz: nowHz(course),
        targetHz: hz,
        targetMidi: midi,
        standardHz: midiToHz(homeMidi, a4),
      },
    ];
  });
}
