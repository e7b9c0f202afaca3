import type { InCourse } from '../music/index.ts';
import { type Instrument, inCourse } from '../strings/index.ts';

const BESIDE: Readonly<Record<NonNullable<InCourse['beside']>, readonly [string, string]>> = {
  higher: ['higher', 'high'],
  lower: ['lower', 'low'],
  same: ['', ''],
};
const BY_PLACE = ['first', 'second'] as const;

/** Which string of a pair it is. @example inCourseInWords(place) // => 'higher of course 4' */
export function inCourseInWords({ course, member, beside }: InCourse): string {
  const which = (beside && BESIDE[beside][0]) || BY_PLACE[member - 1] || '';
  return `${which} of course ${course}`;
}

/** The same in no room. @example inCourseInShort(place) // => '4 high' */
export function inCourseInShort({ course, member, beside }: InCourse): string {
  const short = beside ? BESIDE[beside][1] : '';
  return `${course} ${short || (member === 1 ? 'first' : 'second')}`;
}

/** A string by its number, and where it belongs on an instrument in pairs. @example stringInWords(twelve, 8) // => 'string 8, higher of course 4' */
export function stringInWords(
  instrument: Pick<Instrument, 'kind' | 'courses'>,
  string: number,
): string {
  const place = inCourse(instrument, string);
  return place ? `string ${string}, ${inCourseInWords(place)}` : `string ${string}`;
}
