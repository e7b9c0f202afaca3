import type { Refusal } from '../listen/index.ts';
import type { Sentence } from './sentence.ts';

const REASONS = {
  'too short': 'Let it ring a little longer.',
  'no pitch': 'That was noise, or no string I could name.',
  'no pluck': 'That sounded like a voice or a steady tone, no pluck.',
  weak: 'Other sounds were as loud as the string.',
} as const satisfies Record<
  Exclude<Extract<Refusal, { kind: 'not sure' }>['reason'], 'unsteady'>,
  string
>;
const MOVES: Sentence = {
  say: 'It moves: hold it still, and pluck again.',
  more: 'A bend, a shake or a peg that is turned is read once it stands.',
};

/**
 * What to say when a pluck gave no reading.
 * @param together the two strings that sounded at once, where they are told
 */
export function refusalInWords(
  refusal: Refusal,
  together: readonly [number, number] | null = null,
): Sentence {
  switch (refusal.kind) {
    case 'too quiet':
      return {
        say: 'Too quiet. Pluck a little harder.',
        more: 'Or bring it nearer to the microphone.',
      };
    case 'more than one string':
      return {
        say: `${together ? `Strings ${together.join(' and ')}` : 'Two strings'} at once. Mute the others.`,
        more: 'Rest your palm on the strings that should be still.',
      };
    case 'interrupted':
      return {
        say: 'The sound broke off for a moment. Pluck again.',
        more: 'The computer was busy; that pluck was not counted.',
      };
    case 'hum only':
      return {
        say: `Only mains hum at ${refusal.mainsHz} Hz. Pluck again.`,
        more: 'Turn the instrument, or move away from lamps and power supplies.',
      };
    case 'not sure':
      if (refusal.reason === 'unsteady') return MOVES;
      return { say: 'Not sure. Pluck again.', more: REASONS[refusal.reason] };
  }
}

/** A pluck that several strings near each other could have been. */
export function tooCloseInWords(courses: readonly number[]): Sentence {
  return {
    say: `String ${courses.join(' or ')}? Choose it by its number, then pluck again.`,
    more: 'They lie too close together to be told apart.',
  };
}
