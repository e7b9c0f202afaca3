import type { Reference } from '../retune/index.ts';

/**
 * What to do for a comparison, said to the player whose string it serves.
 * @example 'String 4 at fret 4 sounds the same.'
 */
export function referenceInWords(reference: Reference): string {
  const { held, open, octaves, course } = reference;
  const mine = held.course !== course;
  const apart = octaveWords(octaves);
  if (held.fret === 0) {
    // The other string is so many octaves from this one.
    const other = mine ? -octaves : octaves;
    return `Open string ${course} sounds ${octaveWords(other)}.${allowance(reference)}`;
  }
  const sentence = mine
    ? `This one at fret ${held.fret} sounds ${sameAs(octaves)} open string ${open}.`
    : `String ${held.course} at fret ${held.fret} sounds ${apart}.`;
  return `${sentence}${allowance(reference)}`;
}

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

/** Where the two do not agree when both are right, by how much. */
function allowance({ offsetCents }: Reference): string {
  const off = Math.abs(offsetCents);
  if (off < 1) return '';
  const way = offsetCents > 0 ? 'lower' : 'higher';
  return ` This one belongs ${off.toFixed(0)} ${off.toFixed(0) === '1' ? 'cent' : 'cents'} ${way} than that.`;
}
