import type { Cents } from '../units.ts';
import {
  type FretPlace,
  type FretReading,
  type FretSheet,
  OPEN_READINGS,
  semitonesOf,
  sequenceOf,
} from './map.ts';

/** What is to be sounded next. */
export interface FretAsked {
  readonly course: number;
  readonly place: FretPlace;
}

/** One place as text, the same for the same place. */
export function placeKey(place: FretPlace): string {
  if (place.kind !== 'fret') return place.kind;
  return `${place.fret} ${place.pressure}${place.capo ? ' capo' : ''}`;
}

/** The first place of a list that was not read so often as it is asked for, and not skipped; null when all were. */
export function nextAsked(check: FretSheet, skipped: ReadonlySet<string>): FretAsked | null {
  for (const course of check.courses) {
    const wanted = new Map<string, number>();
    for (const place of placesOf(check)) {
      const key = placeKey(place);
      wanted.set(key, (wanted.get(key) ?? 0) + 1);
      if (skipped.has(`${course} ${key}`)) continue;
      if (readingsAt(check, course, place).length < wanted.get(key)!) return { course, place };
    }
  }
  return null;
}

function placesOf({ frets, pressures }: FretSheet): FretPlace[] {
  return sequenceOf(frets, pressures);
}

function readingsAt(check: FretSheet, course: number, place: FretPlace): FretReading[] {
  const key = placeKey(place);
  return check.readings.filter(
    (r) => r.course === course && !r.struckOut && placeKey(r.place) === key,
  );
}

/** Where the open string lay at a moment, in cents from its note, its drift taken along; null before it was read. */
export function openOf(
  check: FretSheet,
  course: number,
  at = Number.POSITIVE_INFINITY,
): Cents | null {
  const open = readingsAt(check, course, { kind: 'open' });
  const first = open.slice(0, OPEN_READINGS);
  const last = open.at(-1);
  if (!last) return null;
  const mean = first.reduce((sum, r) => sum + r.cents, 0) / first.length;
  if (open.length <= OPEN_READINGS) return mean;
  const from = first.reduce((sum, r) => sum + r.at, 0) / first.length;
  const share = Math.max(0, Math.min(1, (at - from) / (last.at - from)));
  return mean + share * (last.cents - mean);
}

/** How far a reading is off its place, against the string's own open pitch. */
export function errorOf(check: FretSheet, reading: FretReading): Cents | null {
  const open = openOf(check, reading.course, reading.at);
  return open === null ? null : reading.cents - open - 100 * semitonesOf(reading.place);
}

/** How much of the check is done, 0 to 1. */
export function shareDone(check: FretSheet): number {
  const all = placesOf(check).map(placeKey);
  const wanted = check.courses.length * all.length;
  let done = 0;
  for (const course of check.courses)
    for (const key of new Set(all)) {
      const asked = all.filter((other) => other === key).length;
      const read = check.readings.filter(
        (r) => r.course === course && !r.struckOut && placeKey(r.place) === key,
      );
      done += Math.min(read.length, asked);
    }
  return wanted === 0 ? 1 : done / wanted;
}
