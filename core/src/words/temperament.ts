import type { NeckCost } from '../fretboard/index.ts';
import { noteName } from '../music/index.ts';
import { fixed } from '../writing.ts';
import type { Sentence } from './sentence.ts';

/** What straight frets cost in a temperament. */
export function neckCostInWords({ places, near, within, worst }: NeckCost): Sentence {
  const { course, fret, midi, cents } = worst;
  const size = Math.abs(cents);
  if (size <= within)
    return {
      say: `Every note lies within ${within} cents of it.`,
      more: 'Straight frets can play it.',
    };
  const where = fret === 0 ? `Open string ${course}` : `String ${course} at fret ${fret}`;
  return {
    say: `${near} of ${places} notes lie within ${within} cents of it.`,
    more: `${where}, ${noteName(midi)}, is furthest: ${fixed(size, 1)} cents ${cents > 0 ? 'sharp' : 'flat'}. A straight fret is the same for every string.`,
  };
}
