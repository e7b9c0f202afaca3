import { list, message, type Value } from '@rosefinch/core/message';
import { inCourseInShort, inCourseInWords } from '@rosefinch/core/sentences';
import { type Instrument, inCourse } from '@rosefinch/core/strings';
import type { WireLine } from './WireList.tsx';

/** How the line of a string of a pair is marked and called; nothing of its own where strings stand singly. */
export function ofPair(
  instrument: Instrument,
  course: number,
  name: Value,
): Pick<WireLine, 'small' | 'label'> {
  const place = inCourse(instrument, course);
  if (!place) return {};
  return {
    small: list([course, inCourseInShort(place)], 'points'),
    label: message('common.stringOfPair', { string: course, place: inCourseInWords(place), name }),
  };
}
