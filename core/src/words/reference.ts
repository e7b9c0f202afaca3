import type { Comparison } from '../state/index.ts';

/**
 * What to do for a comparison, said to the player whose string it serves.
 * @example 'String 4 at fret 4 sounds the same.'
 */
export function referenceInWords(reference: Comparison): string {
  const { held, open, octaves, course, good } = reference;
  const about = good === 'about' ? 'about ' : '';
  const mine = held.course !== course;
  if (held.fret === 0) {
    // The other string is so many octaves from this one.
    const other = mine ? -octaves : octaves;
    return `Open string ${course} sounds ${about}${octaveWords(other)}.`;
  }
  return mine
    ? `This one at fret ${held.fret} sounds ${about}${sameAs(octaves)} open string ${open}.`
    : `String ${held.course} at fret ${held.fret} sounds ${about}${octaveWords(octaves)}.`;
}

/** Said where no string serves. */
export const BY_TONE = 'No string to compare with: hear the note.';

function octaveWords(octaves: number): string {
  if (octaves === 0) return 'the same';
  const many = Math.abs(octaves) === 1 ? 'an octave' : 'two octaves';
  return `${many} ${octaves > 0 ? 'higher' : 'lower'}`;
}

function sameAs(octaves: number): string {
  if (octaves === 0) return 'like';
  const many = Math.abs(octaves) === 1 ? 'an octave' : 'two octaves';
  return `${many} ${octaves > 0 ? 'above' : 'below'}`;
}
