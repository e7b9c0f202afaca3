import type { CrossCheck } from '../fretboard/index.ts';
import type { BeatOutcome } from '../listen/index.ts';
import type { Cents } from '../units.ts';
import { fixed } from '../writing.ts';
import type { Sentence } from './sentence.ts';

/** Nearer than this two strings differ by their own partials, and the ear calls it agreement. */
const AGREE: Cents = 5;

/** What to sound for a comparison. */
export function pairInWords({ held, open }: CrossCheck): Sentence {
  const one =
    held.fret === 0 ? `open string ${held.course}` : `string ${held.course} at fret ${held.fret}`;
  return {
    say: `Sound ${one} and open string ${open} together.`,
    more: 'Let both ring for three seconds.',
  };
}

/** What the beat of a comparison says. */
export function beatInWords(outcome: BeatOutcome): Sentence {
  switch (outcome.kind) {
    case 'not heard':
      return {
        say: 'That was not clear. Sound both again.',
        more: 'Pluck both alike, and let them ring.',
      };
    case 'no beat':
      return {
        say: 'No beat: they agree.',
        more: `Closer than ${fixed(Math.max(1, outcome.within))} cents.`,
      };
    case 'beat': {
      if (outcome.cents < AGREE)
        return {
          say: 'They agree, as near as two strings can.',
          more: `A slow beat of ${fixed(outcome.hz, 1)} a second: closer than ${AGREE} cents.`,
        };
      return {
        say: `They beat ${fixed(outcome.hz, 1)} times a second: about ${fixed(outcome.cents)} cents apart.`,
        more: 'Which one is higher a beat does not tell: read each alone.',
      };
    }
  }
}
