import { type Message, message, type NoteValue } from '../message.ts';
import type { InCourse } from '../music/index.ts';
import { type Instrument, inCourse } from '../strings/index.ts';

/** Which string of a pair it is. @example ‘higher of course 4’ */
export function inCourseInWords({ course, member, beside }: InCourse): Message {
  return message('common.ofCourse', { which: whichOf(member, beside), course });
}

/** The same in little room. @example ‘4 high’ */
export function inCourseInShort({ course, member, beside }: InCourse): Message {
  return message('common.ofCourseShort', { which: whichOf(member, beside), course });
}

function whichOf(member: number, beside: InCourse['beside']) {
  if (beside === 'higher' || beside === 'lower') return beside;
  return member === 1 ? 'first' : 'second';
}

/** A string by its number, and where it belongs on an instrument in pairs. @example ‘string 8, higher of course 4’ */
export function stringInWords(
  instrument: Pick<Instrument, 'kind' | 'courses'>,
  string: number,
): Message {
  const place = inCourse(instrument, string);
  return place
    ? message('common.stringOfCourse', { string, place: inCourseInWords(place) })
    : message('common.string', { string });
}

/** A string by its number and its note. @example ‘string 4, D3’ */
export function stringAndNote(string: number, note: NoteValue): Message {
  return message('common.stringAndNote', { string, note });
}

/** The same as a label of its own. @example ‘String 8, higher of course 4’ */
export function stringTitle(
  instrument: Pick<Instrument, 'kind' | 'courses'>,
  string: number,
): Message {
  const place = inCourse(instrument, string);
  return place
    ? message('common.stringOfCourseTitle', { string, place: inCourseInWords(place) })
    : message('common.stringTitle', { string });
}
