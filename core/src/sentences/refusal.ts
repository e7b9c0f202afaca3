import type { Refusal } from '../listen/index.ts';
import { list, message, type Sentence } from '../message.ts';

const REASONS = {
  'too short': 'short',
  'no pitch': 'noise',
  'no pluck': 'steady',
  weak: 'weak',
} as const satisfies Record<
  Exclude<Extract<Refusal, { kind: 'not sure' }>['reason'], 'unsteady'>,
  string
>;

/**
 * What to say when a pluck gave no reading.
 * @param together the two strings that sounded at once, where they are known
 */
export function refusalInWords(
  refusal: Refusal,
  together: readonly [number, number] | null = null,
): Sentence {
  switch (refusal.kind) {
    case 'too quiet':
      return {
        say: message('advice.tooQuiet'),
        more: message('advice.tooQuiet.more'),
      };
    case 'more than one string':
      return {
        say: together
          ? message('advice.twoStringsNamed', { strings: list(together, 'and') })
          : message('advice.twoStrings'),
        more: message('advice.twoStrings.more'),
      };
    case 'interrupted':
      return {
        say: message('advice.interrupted'),
        more: message('advice.interrupted.more'),
      };
    case 'turned':
      return { say: message('advice.turned'), more: message('advice.turned.more') };
    case 'hum only':
      return {
        say: message('advice.humOnly', { hz: refusal.mainsHz }),
        more: message('advice.humOnly.more'),
      };
    case 'not sure':
      if (refusal.reason === 'unsteady')
        return {
          say: message('advice.unsteady'),
          more: message('advice.unsteady.more'),
        };
      return {
        say: message('advice.notSure'),
        more: message('advice.notSure.more', { reason: REASONS[refusal.reason] }),
      };
  }
}

/** A pluck that several strings near each other could have been. */
export function tooCloseInWords(courses: readonly number[]): Sentence {
  return {
    say: message('advice.tooClose', { strings: list(courses, 'or') }),
    more: message('advice.tooClose.more'),
  };
}
