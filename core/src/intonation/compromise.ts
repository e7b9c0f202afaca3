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

/** What a compromise brings, and whether it is worth offering. */
export interface Compromise {
  readonly offsets: readonly Cents[];
  readonly outcomes: readonly ShapeOutcome[];
  /** What the widest pair of all chords, and the mean of their widest, come nearer by. */
  readonly worstGain: Cents;
  readonly meanGain: Cents;
  /** How sure that is: one standard error. */
  readonly errorCents: Cents;
  /** It gains what can be heard, and no chord loses by it. */
  readonly offered: boolean;
}

/** A compromise gains so much at least, beyond its error; and no chord may lose more. */
const LEAST_GAIN: Cents = 1;
const MOST_LOSS: Cents = 1;

/**
 * The best detuning of the open strings for chords, with what it brings.
 * @param likely errors as they may truly be, each with its weight
 */
export function compromiseFor(
  shapes: readonly Shape[],
  errors: FretErrors,
  way: Way,
  likely: readonly { readonly errors: FretErrors; readonly weight: number }[],
): Compromise {
  const offsets = compromiseOf(shapes, errors, way);
  const outcomesOf = (own: FretErrors) => shapes.map((shape) => outcomeOf(shape, own, offsets));
  const outcomes = outcomesOf(errors);
  const spreads = likely.map((one) => ({ ...gainsOf(outcomesOf(one.errors)), weight: one.weight }));
  const { worst, mean } = gainsOf(outcomes);
  const errorCents = Math.max(
    deviationOf(spreads.map((one) => [one.worst, one.weight])),
    deviationOf(spreads.map((one) => [one.mean, one.weight])),
  );
  const gains = Math.max(worst, mean) - errorCents >= LEAST_GAIN;
  const loses = outcomes.some(
    ({ worstBefore, worstAfter }) => worstAfter - worstBefore > MOST_LOSS,
  );
  const offered = gains && !loses;
  return { offsets, outcomes, worstGain: worst, meanGain: mean, errorCents, offered };
}

function gainsOf(outcomes: readonly ShapeOutcome[]): { worst: Cents; mean: Cents } {
  if (outcomes.length === 0) return { worst: 0, mean: 0 };
  const before = outcomes.map(({ worstBefore }) => worstBefore);
  const after = outcomes.map(({ worstAfter }) => worstAfter);
  const sum = (values: readonly number[]) => values.reduce((all, value) => all + value, 0);
  return {
    worst: Math.max(...before) - Math.max(...after),
    mean: (sum(before) - sum(after)) / outcomes.length,
  };
}

function deviationOf(values: readonly (readonly [value: number, weight: number])[]): number {
  const all = values.reduce((sum, [, weight]) => sum + weight, 0);
  if (all === 0) return 0;
  const mean = values.reduce((sum, [value, weight]) => sum + value * weight, 0) / all;
  return Math.sqrt(
    values.reduce((sum, [value, weight]) => sum + weight * (value - mean) ** 2, 0) / all,
  );
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
