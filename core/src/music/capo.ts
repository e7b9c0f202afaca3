import { TUNINGS } from './catalogue.ts';
import type { Tuning } from './tunings.ts';

/** No capo is put higher than this: the body is in the way. */
const HIGHEST_CAPO = 7;

/** A tuning and the fret of a capo that together sound another one. */
export interface CapoWay {
  readonly tuning: Tuning;
  readonly fret: number;
}

/**
 * The fret at which a capo makes one tuning sound another; null where none does. Both must set their
 * strings against equal temperament in the same way.
 * @example capoBetween(openD, openE) // => 2
 */
export function capoBetween(from: Tuning, to: Tuning): number | null {
  if (from.kind !== to.kind || from.courses.length !== to.courses.length) return null;
  if (JSON.stringify(from.temper ?? null) !== JSON.stringify(to.temper ?? null)) return null;
  const up = from.courses.map(([midi = 0], i) => (to.courses[i]?.[0] ?? 0) - midi);
  const [fret = 0] = up;
  return fret > 0 && fret <= HIGHEST_CAPO && up.every((steps) => steps === fret) ? fret : null;
}

/** Every other way to a tuning's notes: from a lower one, with a capo; the lowest fret first. */
export function capoWays(to: Tuning, tunings: readonly Tuning[] = TUNINGS): CapoWay[] {
  return tunings
    .flatMap((tuning) => {
      const fret = capoBetween(tuning, to);
      return fret === null ? [] : { tuning, fret };
    })
    .sort((a, b) => a.fret - b.fret);
}
