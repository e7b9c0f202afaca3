import type { Cents, Midi } from '../units.ts';
import { pureOffsets } from './chords.ts';

/** How the open strings of a tuning are set against equal temperament. */
export type Temper =
  | { readonly kind: 'equal' }
  /** Pure above a root (pitch class, 0 being C); `share` 0 leaves it equal, 1 makes it pure. */
  | { readonly kind: 'pure'; readonly root: number; readonly share: number }
  /** Cents of each course, course 1 first. */
  | { readonly kind: 'own'; readonly offsets: readonly Cents[] };

/** Deviation of each open string from equal temperament in cents, course 1 first. */
export function offsetsOf(notes: readonly Midi[], temper: Temper = { kind: 'equal' }): Cents[] {
  switch (temper.kind) {
    case 'equal':
      return notes.map(() => 0);
    case 'pure':
      return pureOffsets(notes, temper.root, temper.share);
    case 'own':
      return notes.map((_, i) => temper.offsets[i] ?? 0);
  }
}
