import { median, nth } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import type { FretReading } from './map.ts';

/** Neighbours on a neck lie on a smooth line as far as this, in frets. */
const NEAR_FRETS = 3;
/** So many places between neighbours are needed before a string is said to scatter. */
const FEWEST_PLACES = 5;
/** A finger leaves so much open however carefully it holds. Common practice, no source. */
const USUAL_FINGER: Cents = 1;
/** From the median of |x| to the standard deviation of a normal error. */
const NORMAL = 1.4826;
/** A string scatters by itself where it scatters so many times what the others do: frets and hands are theirs too. */
const MORE_THAN_OTHERS = 3.5;

/**
 * Strings whose fretted notes lie about without a pattern, while those beside them do not: worn or uneven ones.
 * Each note is held against the line between its neighbours on the same string; `cents` is the standard deviation
 * that reading and finger leave open. Frets and hand that scatter on every string name none.
 */
export function scatteringStrings(
  readings: readonly FretReading[],
): { readonly course: number; readonly cents: Cents }[] {
  const courses = [...new Set(readings.map(({ course }) => course))].map((course) => ({
    course,
    cents: scatterOf(readings.filter((one) => one.course === course)),
  }));
  return courses.flatMap(({ course, cents }) => {
    const others = courses.flatMap((one) =>
      one.course === course || one.cents === null ? [] : [one.cents],
    );
    if (cents === null || others.length < 2) return [];
    const own = Math.max(median(others), USUAL_FINGER);
    return cents > MORE_THAN_OTHERS * own
      ? [{ course, cents: Math.sqrt(cents ** 2 - own ** 2) }]
      : [];
  });
}

/** Standard deviation of a string's notes from the lines between their neighbours, cents; null where too few were heard. */
function scatterOf(readings: readonly FretReading[]): Cents | null {
  const byFret = new Map<number, Cents[]>();
  for (const { place, cents, struckOut } of readings)
    if (place.kind === 'fret' && place.pressure === 'normal' && !place.capo && !struckOut)
      byFret.set(place.fret, [...(byFret.get(place.fret) ?? []), cents - 100 * place.fret]);
  const notes = [...byFret]
    .map(([fret, all]) => ({ fret, cents: median(all) }))
    .sort((a, b) => a.fret - b.fret);
  const off = notes.slice(1, -1).flatMap((note, i) => {
    const [before, after] = [nth(notes, i), nth(notes, i + 2)];
    if (after.fret - before.fret > 2 * NEAR_FRETS) return [];
    const share = (note.fret - before.fret) / (after.fret - before.fret);
    const line = before.cents + share * (after.cents - before.cents);
    return [Math.abs(note.cents - line) / Math.hypot(1, share, 1 - share)];
  });
  return off.length < FEWEST_PLACES ? null : NORMAL * median(off);
}
