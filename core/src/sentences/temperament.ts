import type { NeckCost } from '../fretboard/index.ts';
import { message, noteValue, type Sentence } from '../message.ts';

/** What straight frets cost in a temperament. */
export function neckCostInWords({ places, near, within, worst }: NeckCost): Sentence {
  const { course, fret, midi, cents } = worst;
  const size = Math.abs(cents);
  if (size <= within)
    return {
      say: message('tunings.neckNear', { cents: within }),
      more: message('tunings.neckNear.more'),
    };
  return {
    say: message('tunings.neckCost', { near, places, cents: within }),
    more: [
      message('tunings.neckCost.more', {
        fret,
        side: cents > 0 ? 'sharp' : 'flat',
        string: course,
        note: noteValue(midi),
        cents: size,
      }),
      message('tunings.straightFrets'),
    ],
  };
}
