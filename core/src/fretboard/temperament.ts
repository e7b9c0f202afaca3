import { nth } from '../maths/index.ts';
import { pureOffsets, type Scale, scaleOffsets } from '../music/index.ts';
import type { Cents, Midi } from '../units.ts';
import { type NeckCourse, soundAt } from './checks.ts';

/** A temperament as a player means it: how far it sets a note off equal, in cents. */
export type Temperament = (midi: Midi) => Cents;

export const EQUAL: Temperament = () => 0;

/** Pure above a pitch class, 0 being C. */
export function pureIn(root: number): Temperament {
  return (midi) => nth(pureOffsets([midi], root, 1), 0);
}

/** A scale with its first note on a pitch class. @throws FormatError, asked for a note that is none of its steps */
export function byScale(scale: Scale, root: number): Temperament {
  return (midi) => nth(scaleOffsets(scale, [midi], root), 0);
}

/** What one place of the neck sounds, against what a temperament wants there. */
export interface TemperedPlace {
  readonly course: number;
  readonly fret: number;
  readonly midi: Midi;
  /** Positive sharp. */
  readonly cents: Cents;
}

/**
 * A temperament laid on a neck of straight frets: a fret stands a semitone above the open string
 * whatever the temperament wants, so that a fretted note is off by what the open string is set off,
 * less what the temperament wants of the note itself.
 * @param open how far each open string is set off equal, string 1 first
 */
export function temperedNeck(
  neck: readonly NeckCourse[],
  open: readonly Cents[],
  wanted: Temperament,
  highestFret: number,
): TemperedPlace[] {
  return neck.flatMap((course) =>
    Array.from({ length: highestFret + 1 }, (_, fret) => fret).flatMap((fret) => {
      const midi = soundAt(course, fret);
      if (midi === null) return [];
      const cents = (open[course.course - 1] ?? 0) - wanted(midi);
      return [{ course: course.course, fret, midi, cents }];
    }),
  );
}

/** Open strings that leave the worst place of each as near as it can be: the middle between its extremes. */
export function fairestOpen(
  neck: readonly NeckCourse[],
  wanted: Temperament,
  highestFret: number,
): Cents[] {
  const places = temperedNeck(neck, [], wanted, highestFret);
  return neck.map(({ course }) => {
    const wants = places.filter((one) => one.course === course).map(({ cents }) => -cents);
    return (Math.min(...wants) + Math.max(...wants)) / 2;
  });
}

/** What it comes to. */
export interface NeckCost {
  readonly places: number;
  /** … of them so near that hardly anybody hears it. */
  readonly near: number;
  readonly within: Cents;
  readonly worst: TemperedPlace;
}

/** Nearer than this hardly anybody hears it: from memory, see docs/ear.md. */
const HEARD: Cents = 5;

/** @returns null for a neck without a place */
export function costOf(places: readonly TemperedPlace[]): NeckCost | null {
  const [first] = places;
  if (!first) return null;
  return {
    places: places.length,
    near: places.filter(({ cents }) => Math.abs(cents) <= HEARD).length,
    within: HEARD,
    worst: places.reduce((a, b) => (Math.abs(b.cents) > Math.abs(a.cents) ? b : a), first),
  };
}
