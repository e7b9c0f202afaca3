import { fretPlace } from '../fretboard/index.ts';
import type { Cents, Millimetres } from '../units.ts';
import { saddleCents } from './neck.ts';
import type { Part } from './part.ts';
import { CENTS_PER_E } from './saddle.ts';
import type { Unknowns } from './unknowns.ts';

/** No height is wrong by more than this, in mm. */
const MOST_MM = 5;
const HALVINGS = 24;

/**
 * What a part is out of its place or height by, in mm, where it moves the note of a string at a fret by so many cents.
 * Positive: a saddle or bridge too far out, a nut too far from the first fret, a slot or an action too high, a fret too
 * near the bridge. Null of a string that is false in itself.
 */
export function mmOf(
  unknowns: Unknowns,
  part: Part,
  at: { readonly course: number; readonly fret: number },
  cents: Cents,
): Millimetres | null {
  const s = unknowns.neck.strings.find(({ course }) => course === at.course);
  if (!s) return null;
  switch (part.kind) {
    case 'saddle':
    case 'slant':
      return cents / saddleCents(s.scaleMm, 1, at.fret);
    case 'nut':
      return (cents * s.scaleMm) / CENTS_PER_E;
    case 'fret':
      return (cents * s.scaleMm * (1 - fretPlace(1, at.fret))) / CENTS_PER_E;
    case 'slots':
    case 'slot':
      return heightOf((mm) => unknowns.slotCents(s, mm, at.fret), cents);
    case 'action':
      return heightOf((mm) => unknowns.actionCents(s, mm, at.fret), cents);
    case 'hand':
    case 'string':
      return null;
  }
}

/** The height at which a rising curve comes to so many cents. */
function heightOf(centsAt: (mm: Millimetres) => Cents, cents: Cents): Millimetres {
  let [low, high] = [-1, MOST_MM];
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (low + high) / 2;
    if (centsAt(middle) < cents) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
