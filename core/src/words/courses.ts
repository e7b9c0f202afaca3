import type { InCourse } from '../music/index.ts';

const BESIDE: Readonly<Record<NonNullable<InCourse['beside']>, readonly [string, string]>> = {
  higher: ['the higher string', 'high'],
  lower: ['the lower string', 'low'],
  same: ['', ''],
};
const BY_PLACE = ['the first string', 'the second string'] as const;

/** Which string of a pair it is. @example inCourseInWords(place) // => 'the higher string of course 4' */
export function inCourseInWords({ course, member, beside }: InCourse): string {
  const which = (beside && BESIDE[beside][0]) || BY_PLACE[member - 1] || '';
  return `${which} of course ${course}`;
}

/** The same in no room. @example inCourseInShort(place) // => '4 high' */
export function inCourseInShort({ course, member, beside }: InCourse): string {
  const short = beside ? BESIDE[beside][1] : '';
  return `${course} ${short || (member === 1 ? 'first' : 'second')}`;
}
