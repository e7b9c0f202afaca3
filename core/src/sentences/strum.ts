import { list, type Message, message, type Sentence, type Value } from '../message.ts';
import type { Cents } from '../units.ts';
import { distanceInWords } from './figures.ts';

/** What a strum showed of the strings. */
export interface StrumFacts {
  readonly right: readonly number[];
  /** Those that are off, in the order in which they are tuned, by so much against where they belong. */
  readonly off: readonly { readonly course: number; readonly cents: Cents }[];
  /** Those that did not come through. */
  readonly alone: readonly number[];
  /** Another tuning that it sounds like, or the two that it may be. */
  readonly like: readonly Value[];
}

/** Which strings are off, and with which one to begin. */
export function strumInWords({ right, off, alone, like }: StrumFacts): Sentence {
  if (like.length > 0)
    return {
      say: message('advice.soundsLike', { tunings: list(like, 'or') }),
      more: message('advice.soundsLike.more'),
    };
  const [first] = off;
  const unheard = alone.length > 0 ? message('advice.pluckAlone', inOrder(alone)) : null;
  if (right.length === 0 && !first)
    return { say: message('advice.noString'), more: message('advice.noString.more') };
  if (!first)
    return {
      say: alone.length > 0 ? message('advice.heardAreRight') : message('advice.allRight'),
      more: unheard ?? message('advice.allRight.more'),
    };
  const all = right.length === 0 && alone.length === 0 && off.length > 1;
  return {
    say: all
      ? message('advice.allOff')
      : offInWords(
          off.map(({ course }) => course),
          right.length > 0,
        ),
    more:
      unheard ??
      message('advice.beginWith', {
        side: first.cents < 0 ? 'low' : 'high',
        string: first.course,
        distance: distanceInWords(first.cents),
      }),
  };
}

function offInWords(courses: readonly number[], restRight: boolean): Message {
  return restRight
    ? message('advice.someOff', inOrder(courses))
    : message('advice.stringsOff', inOrder(courses));
}

function inOrder(courses: readonly number[]) {
  return {
    count: courses.length,
    strings: list(
      [...courses].sort((a, b) => a - b),
      'and',
    ),
  };
}

/** What was strummed before anything was known: the tuning, and how far all of it is off. */
export function strummedInWords(tunings: readonly Value[], cents: Cents): Sentence {
  const [only] = tunings;
  if (tunings.length !== 1 || only === undefined)
    return {
      say: message('advice.soundsLike', { tunings: list(tunings, 'or') }),
      more: message('advice.whichOfThese.more'),
    };
  const size = Math.abs(cents);
  return {
    say:
      size < IN_PLACE
        ? message('advice.soundsLike', { tunings: only })
        : message('advice.soundsLikeOff', {
            side: cents < 0 ? 'low' : 'high',
            tuning: only,
            cents: size,
          }),
    more: message('advice.whichOne.more'),
  };
}

/** Nearer than this an instrument is in its place on the whole. */
const IN_PLACE: Cents = 5;
