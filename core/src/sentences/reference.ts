import { type Message, message } from '../message.ts';
import type { Comparison } from '../state/index.ts';

/**
 * What to do for a comparison, said to the player whose string it serves.
 * @example ‘String 4 at fret 4 sounds the same.’
 */
export function referenceInWords(reference: Comparison): Message {
  const { held, open, octaves, course, good } = reference;
  const mine = held.course !== course;
  if (held.fret === 0) {
    // The other string is so many octaves from this one.
    return message('common.compareOpen', {
      good,
      string: course,
      interval: intervalInWords(mine ? -octaves : octaves),
    });
  }
  return mine
    ? message('common.compareMine', {
        good,
        fret: held.fret,
        interval: relationInWords(octaves),
        open,
      })
    : message('common.compareOther', {
        good,
        string: held.course,
        fret: held.fret,
        interval: intervalInWords(octaves),
      });
}

/** The same in little room, as no sentence of its own. @example ‘String 4 at fret 4 sounds the same’ */
export function referenceInShort({ held, open, octaves, course, good }: Comparison): Message {
  const mine = held.course !== course;
  if (held.fret === 0)
    return message('common.againstOpen', {
      good,
      string: course,
      interval: intervalInWords(mine ? -octaves : octaves),
    });
  return mine
    ? message('common.againstMine', {
        good,
        fret: held.fret,
        interval: relationInWords(octaves),
        open,
      })
    : message('common.againstOther', {
        good,
        string: held.course,
        fret: held.fret,
        interval: intervalInWords(octaves),
      });
}

/** Said where no string serves. */
export const BY_TONE: Message = message('common.compareTone');

const distanceOf = (octaves: number) =>
  octaves === 0
    ? 'same'
    : (`${octaves > 0 ? 'up' : 'down'}${Math.abs(octaves) === 1 ? 'One' : 'Two'}` as const);

function intervalInWords(octaves: number): Message {
  return message('common.interval', { distance: distanceOf(octaves) });
}

/** How far the pitch of one string lies from another. @example ‘an octave above’ */
export function relationInWords(octaves: number): Message {
  return message('common.relation', { distance: distanceOf(octaves) });
}
