import type { Cents } from '../units.ts';
import { fixed } from '../writing.ts';
import { distanceInWords } from './figures.ts';
import { capital, type Sentence } from './sentence.ts';

/** What a strum showed of the strings. */
export interface StrumFacts {
  readonly right: readonly number[];
  /** Those that are off, in the order in which they are tuned, by so much against where they belong. */
  readonly off: readonly { readonly course: number; readonly cents: Cents }[];
  /** Those that did not come through. */
  readonly alone: readonly number[];
  /** Another tuning that it sounds like, or the two that it may be. */
  readonly like: readonly string[];
}

/** Which strings are off, and with which one to begin. */
export function strumInWords({ right, off, alone, like }: StrumFacts): Sentence {
  if (like.length > 0)
    return {
      say: `That sounds like ${like.join(' or ')}.`,
      more: 'Choose that tuning from the menu above, or retune. Nothing was put on record.',
    };
  const [first] = off;
  const unheard = alone.length > 0 ? `Pluck ${stringsInWords(alone)} alone.` : '';
  if (right.length === 0 && !first)
    return { say: 'No string came through.', more: 'Strum once more, slowly, and let it ring.' };
  if (!first)
    return {
      say: alone.length > 0 ? 'What came through is right.' : 'All strings are right.',
      more: unheard || 'Strum once more: two that agree settle it.',
    };
  const are = off.length === 1 ? 'is' : 'are';
  const rest = right.length > 0 ? '; the rest is right' : '';
  const begin = `Begin with string ${first.course}: ${distanceInWords(Math.abs(first.cents))} ${first.cents < 0 ? 'low' : 'high'}.`;
  const courses = off.map(({ course }) => course);
  const all = right.length === 0 && alone.length === 0 && off.length > 1;
  return {
    say: all ? 'All strings are off.' : `${capital(stringsInWords(courses))} ${are} off${rest}.`,
    more: unheard || begin,
  };
}

/** @example stringsInWords([2, 5]) // => 'strings 2 and 5' */
function stringsInWords(courses: readonly number[]): string {
  const sorted = [...courses].sort((a, b) => a - b);
  const last = sorted.at(-1);
  if (sorted.length < 2) return `string ${last}`;
  return `strings ${sorted.slice(0, -1).join(', ')} and ${last}`;
}

/** What was strummed before anything was known: the tuning, and how far all of it is off. */
export function strummedInWords(tunings: readonly string[], cents: Cents): Sentence {
  const size = Math.abs(cents);
  const off =
    size < IN_PLACE ? '' : `, ${fixed(size)} cents ${cents < 0 ? 'low' : 'high'} on the whole`;
  return {
    say: `That sounds like ${tunings.join(' or ')}${tunings.length === 1 ? off : ''}.`,
    more: tunings.length === 1 ? 'Which of these is it?' : 'Which of these is it? Both fit.',
  };
}

/** Nearer than this an instrument is in its place on the whole. */
const IN_PLACE: Cents = 5;
