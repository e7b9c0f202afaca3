import { type Instrument, inCourse } from '@rosefinch/core/strings';
import { capital, inCourseInShort, stringInWords } from '@rosefinch/core/words';
import type { WireLine } from './WireList.tsx';

/** How the line of a string of a pair is marked and called; nothing of its own where strings stand singly. */
export function ofPair(
  instrument: Instrument,
  course: number,
  name: string,
): Pick<WireLine, 'small' | 'label'> {
  const place = inCourse(instrument, course);
  if (!place) return {};
  return {
    small: `${course} · ${inCourseInShort(place)}`,
    label: `${capital(stringInWords(instrument, course))}, ${name}`,
  };
}
