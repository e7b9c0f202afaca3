import type { Cents } from '../units.ts';

/** No chord is held higher. */
const HIGHEST_FRET = 24;

/** A chord, or any set of notes played together: the fret of each course, course 1 first; null is not played. */
export interface Shape {
  readonly name: string;
  readonly frets: readonly (number | null)[];
}

/** How far a string's fretted note is out, at a fret; course 1 first. */
export type FretErrors = readonly ((fret: number) => Cents)[];

export type Way = 'least squares' | 'minimax';

/**
 * How far each open string is best detuned so that the notes that are really played come
 * out best: the weighed mean of its errors taken away, or the middle of the greatest and
 * the least. Strings of which nothing is played stay.
 */
export function compromiseOf(shapes: readonly Shape[], errors: FretErrors, way: Way): Cents[] {
  return errors.map((errorAt, i) => {
    const played = shapes.flatMap(({ frets }) => {
      const fret = frets[i];
      return fret === null || fret === undefined ? [] : [fret === 0 ? 0 : errorAt(fret)];
    });
    if (played.length === 0) return 0;
    return way === 'minimax'
      ? -(Math.max(...played) + Math.min(...played)) / 2
      : -played.reduce((sum, value) => sum + value, 0) / played.length;
  });
}

/** One chord before and after. */
export interface ShapeOutcome {
  readonly name: string;
  /** Each string's error, course 1 first; null where it is not played. */
  readonly before: readonly (Cents | null)[];
  readonly after: readonly (Cents | null)[];
  /** The pair of its notes that is furthest from its equal-tempered interval. */
  readonly worstBefore: Cents;
  readonly worstAfter: Cents;
}

export function outcomeOf(
  shape: Shape,
  errors: FretErrors,
  offsets: readonly Cents[],
): ShapeOutcome {
  const before = shape.frets.map((fret, i) =>
    fret === null ? null : fret === 0 ? 0 : (errors[i]?.(fret) ?? 0),
  );
  const after = before.map((cents, i) => (cents === null ? null : cents + (offsets[i] ?? 0)));
  return {
    name: shape.name,
    before,
    after,
    worstBefore: spread(before),
    worstAfter: spread(after),
  };
}

function spread(cents: readonly (Cents | null)[]): Cents {
  const played = cents.filter((value) => value !== null);
  return played.length === 0 ? 0 : Math.max(...played) - Math.min(...played);
}

/**
 * Reads a chord as it is written: one fret a string from the highest number down, x where
 * it is not played. @example parseShape('x32010', 6) // => frets of course 1 first: [0, 1, 0, 2, 3, null]
 */
export function parseShape(text: string, courses: number): Shape | null {
  const signs = /[\s,-]/.test(text.trim()) ? text.trim().split(/[\s,-]+/) : [...text.trim()];
  if (signs.length !== courses) return null;
  const frets = signs.map((sign) =>
    /^[xX]$/.test(sign) ? null : /^\d{1,2}$/.test(sign) ? Number(sign) : Number.NaN,
  );
  if (frets.some((fret) => Number.isNaN(fret) || (fret ?? 0) > HIGHEST_FRET)) return null;
  return { name: text.trim(), frets: frets.reverse() };
}
