import type { CrossCheck } from '../fretboard/index.ts';
import type { BeatOutcome } from '../listen/index.ts';
import { message, type Sentence } from '../message.ts';
import type { Cents } from '../units.ts';

/** Nearer than this two strings differ by their own partials, and the ear calls it agreement. */
const AGREE: Cents = 5;

/** What to sound for a comparison. */
export function pairInWords({ held, open }: CrossCheck): Sentence {
  return {
    say: message('advice.pair', { fret: held.fret, held: held.course, open }),
    more: message('advice.pair.more'),
  };
}

/** What the beat of a comparison says. */
export function beatInWords(outcome: BeatOutcome): Sentence {
  switch (outcome.kind) {
    case 'not heard':
      return {
        say: message('advice.beatNotHeard'),
        more: message('advice.beatNotHeard.more'),
      };
    case 'no beat':
      return {
        say: message('advice.noBeat'),
        more: message('advice.noBeat.more', { cents: Math.max(1, outcome.within) }),
      };
    case 'beat': {
      if (outcome.cents < AGREE)
        return {
          say: message('advice.slowBeat'),
          more: message('advice.slowBeat.more', { beats: outcome.hz, cents: AGREE }),
        };
      return {
        say: message('advice.beat', { beats: outcome.hz, cents: outcome.cents }),
        more: message('advice.beat.more'),
      };
    }
  }
}
