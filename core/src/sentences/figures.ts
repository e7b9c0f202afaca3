import { type Message, message, signed } from '../message.ts';
import type { Cents, Seconds } from '../units.ts';

/** From here on a distance is given in semitones, in cents. */
const IN_SEMITONES: Cents = 150;
/** From here on it is called about a semitone, in cents. */
const NEARLY_SEMITONE: Cents = 50;
/** What is as close as this to a semitone is one, in cents. */
const EXACT: Cents = 10;

/** How far two pitches are apart, as a player would say it. @example distanceInWords(-205) // ‘2 semitones’ */
export function distanceInWords(cents: Cents): Message {
  const size = Math.abs(cents);
  if (size >= IN_SEMITONES || Math.abs(size - 100) < EXACT)
    return message('common.semitones', { semitones: Math.round(size / 100) });
  if (size >= NEARLY_SEMITONE) return message('common.aboutASemitone');
  return message('common.cents', { cents: size });
}

/** A number of semitones with its way. @example semitonesShort(-2) // ‘↓2’ */
export function semitonesShort(semitones: number): string {
  return `${semitones < 0 ? '↓' : '↑'}${Math.abs(semitones)}`;
}

const UNITS = [
  ['day', 86_400],
  ['hour', 3600],
  ['minute', 60],
] as const;
/** Up to this many of a unit, halves are given too. */
const HALVES_TO = 3;

const SHORT_MINUTES = 0.75;

/** Minutes of work, no finer than they can be foreseen. @example minutesInShort(0.3) // ‘20 s’ */
export function minutesInShort(minutes: number): Message {
  return minutes < SHORT_MINUTES
    ? message('common.secondsShort', { seconds: 10 * Math.max(1, Math.round(6 * minutes)) })
    : message('common.minutesShort', { minutes: Math.round(minutes) });
}

/** A length of time, no finer than it matters: a count of one unit, or under a minute. */
function spanOf(seconds: Seconds) {
  for (const [unit, size] of UNITS) {
    const count = seconds / size;
    if (count < 1) continue;
    const fine = unit !== 'minute' && count < HALVES_TO;
    return { unit, count: fine ? Math.round(2 * count) / 2 : Math.round(count) };
  }
  return { unit: 'less', count: 0 } as const;
}

/** A length of time for a table. @example shortDuration(5400) // ‘1.5 h’ */
export function shortDuration(seconds: Seconds): Message {
  const { unit, count } = spanOf(seconds);
  return message('common.durationShort', { unit, count });
}

/** A length of time in a sentence. @example durationInWords(5400) // ‘1.5 hours’ @example durationInWords(40) // ‘under a minute’ */
export function durationInWords(seconds: Seconds): Message {
  const { unit, count } = spanOf(seconds);
  return message('common.duration', { unit, count });
}

/** True if two lengths of time read the same. */
export function toldAlike(one: Seconds, other: Seconds): boolean {
  const [a, b] = [spanOf(one), spanOf(other)];
  return a.unit === b.unit && a.count === b.count;
}

/** Where a deviation lies. */
export type Side = 'inTune' | 'low' | 'high';

/** @example sideOf(-3, 2) // => 'low' */
export function sideOf(cents: Cents, tolerance: Cents): Side {
  if (Math.abs(cents) <= tolerance) return 'inTune';
  return cents < 0 ? 'low' : 'high';
}

/** Where a deviation stands, in the teacher's word and the learner's. */
export function deviationInWords(cents: Cents, tolerance: Cents): Message {
  return message('common.deviation', { side: sideOf(cents, tolerance) });
}

/** @example centsInWords(-2.5) // ‘−2.5 cents’ */
export function centsInWords(cents: Cents): Message {
  return message('parts.signedCents', { cents: signed(cents) });
}
