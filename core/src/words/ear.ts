import type { EarVerdict } from '../coach/index.ts';
import { fixed } from '../writing.ts';
import type { Sentence } from './sentence.ts';

/** What a player is told while the figures are hidden. */
export function byEarInWords(course: number): Sentence {
  return {
    say: `By ear: bring string ${course} to its note.`,
    more: 'D sounds the note. Space shows how near you came.',
  };
}

const MOVEMENTS: Readonly<Record<EarVerdict['movement'], string>> = {
  up: 'The last movement was upward, as it should be.',
  down: 'The last movement was downward: go below, then come up once.',
  none: 'It was not moved.',
};

/** How near the ear came. */
export function earVerdictInWords({ off, agrees, movement }: EarVerdict): Sentence {
  const left = `Your ear left it ${fixed(Math.abs(off), 1)} cents ${off < 0 ? 'low' : 'high'}.`;
  return { say: agrees ? 'Ear and display agree.' : left, more: MOVEMENTS[movement] };
}
