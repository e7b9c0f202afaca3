import type { Cents } from '../units.ts';

/** Each of some kinds as a part of its own. */
type Each<K extends string, More = unknown> = K extends string
  ? { readonly kind: K } & More
  : never;

/**
 * What may be at fault on a neck, or explain a reading that is no one’s fault: the whole of it; one string’s slot, or a
 * string false in itself, which no reading tells from its own saddle point; a fret, counted from the nut.
 */
export type Part =
  | Each<'saddle' | 'slant' | 'nut' | 'slots' | 'action' | 'hand'>
  | Each<'slot' | 'string', { readonly course: number }>
  | Each<'fret', { readonly fret: number }>;

/** A part that a repairer was to tuned, by what it did to one note. */
export interface Ordered {
  readonly part: Part;
  readonly cents: Cents;
  readonly at: { readonly course: number; readonly fret: number };
}

/** True of the same part. */
export function samePart(a: Part, b: Part): boolean {
  return partKey(a) === partKey(b);
}

/** A part as text, the same for the same part. */
export function partKey(part: Part): string {
  if (part.kind === 'fret') return `fret ${part.fret}`;
  if (part.kind === 'slot' || part.kind === 'string') return `${part.kind} ${part.course}`;
  return part.kind;
}
