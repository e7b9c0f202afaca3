import type { FretErrors } from './compromise.ts';
import { errorsAt, expectedError } from './explain.ts';
import type { Judgement } from './verdict.ts';

/** Instruments that a compromise is tried on. */
const TRIED = 40;

/** How far fretted notes are off, and how they may be; null before they can be told of every string. */
export function errorsOf(
  { explanations, draws, unknowns }: Judgement,
  courses: number,
): {
  readonly errors: FretErrors;
  readonly likely: readonly { readonly errors: FretErrors; readonly weight: number }[];
} | null {
  if (!explanations || unknowns.neck.strings.length < courses) return null;
  const byCourse = (errorAt: (course: number, fret: number) => number): FretErrors =>
    Array.from({ length: courses }, (_, i) => (fret: number) => errorAt(i + 1, fret));
  const step = Math.max(1, Math.floor(draws.length / TRIED));
  const tried = draws.filter((_, i) => i % step === 0);
  return {
    errors: byCourse((course, fret) =>
      expectedError(explanations, { course, fret, pressure: 'normal' }),
    ),
    likely: tried.map((draw) => ({
      weight: draw.weight,
      errors: byCourse(
        (course, fret) => errorsAt(unknowns, [draw], { course, fret, pressure: 'normal' })[0] ?? 0,
      ),
    })),
  };
}
