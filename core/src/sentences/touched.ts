import type { Node } from '../listen/index.ts';
import { message, type Sentence } from '../message.ts';

/** A string that did not sound open: no spectrum tells a harmonic from the note fretted there; only halves are also a fretted note. */
export function touchedInWords({ course, node }: { course: number; node: Node }): Sentence {
  return {
    say: message('advice.touched', { string: course, node }),
    more: message('advice.touched.more', { node }),
  };
}
