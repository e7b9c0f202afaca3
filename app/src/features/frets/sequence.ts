import {
  type FretPlace,
  type FretReading,
  OPEN_READINGS,
  semitonesOf,
  sequenceOf,
} from '@rosefinch/core/intonation';
import type { FretCheck } from '@rosefinch/core/records';

/** What is to be sounded next. */
export interface Asked {
  readonly course: number;
  readonly place: FretPlace;
}

/** One place as text, the same for the same place. */
export function placeKey(place: FretPlace): string {
  return place.kind === 'fret' ? `${place.fret} ${place.pressure}` : place.kind;
}

/** The first place that was not read yet and not skipped; null when all were. */
export function nextAsked(check: FretCheck, skipped: ReadonlySet<string>): Asked | null {
  for (const course of check.courses)
    for (const place of placesOf(check)) {
      const key = placeKey(place);
      if (skipped.has(`${course} ${key}`)) continue;
      const wanted = place.kind === 'open' ? OPEN_READINGS : 1;
      if (readingsAt(check, course, place).length < wanted) return { course, place };
    }
  return null;
}

function placesOf({ frets, pressures }: FretCheck): FretPlace[] {
  return sequenceOf(frets, pressures);
}

function readingsAt(check: FretCheck, course: number, place: FretPlace): FretReading[] {
  const key = placeKey(place);
  return check.readings.filter(
    (r) => r.course === course && !r.struckOut && placeKey(r.place) === key,
  );
}

/** Where the open string lies, in cents from its note; null before it was read. */
export function openOf(check: FretCheck, course: number): number | null {
  const open = readingsAt(check, course, { kind: 'open' });
  return open.length === 0 ? null : open.reduce((sum, r) => sum + r.cents, 0) / open.length;
}

/** How far a reading is off its place, against the string's own open pitch. */
export function errorOf(check: FretCheck, reading: FretReading): number | null {
  const open = openOf(check, reading.course);
  return open === null ? null : reading.cents - open - 100 * semitonesOf(reading.place);
}

/** How much of the check is done, 0 to 1. */
export function shareDone(check: FretCheck): number {
  const all = placesOf(check);
  const wanted = check.courses.length * all.length;
  let done = 0;
  for (const course of check.courses)
    for (const place of new Map(all.map((p) => [placeKey(p), p])).values())
      done += Math.min(
        readingsAt(check, course, place).length,
        place.kind === 'open' ? OPEN_READINGS : 1,
      );
  return wanted === 0 ? 1 : done / wanted;
}
