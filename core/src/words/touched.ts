import type { Node } from '../listen/index.ts';
import type { Sentence } from './sentence.ts';

/** How far a node lies above the open string, and where a finger finds it; only halves are also a fretted note. */
const NODES: Readonly<Record<Node, { readonly up: string; readonly where: string }>> = {
  2: { up: 'an octave up', where: 'a harmonic or a note at fret 12' },
  3: { up: 'an octave and a fifth up', where: 'a harmonic at fret 7, or a note at fret 19' },
  4: { up: 'two octaves up', where: 'a harmonic at fret 5, or a note at fret 24' },
};

/** A string that did not sound open: no spectrum tells a harmonic from the note fretted there. */
export function touchedInWords({ course, node }: { course: number; node: Node }): Sentence {
  const { up, where } = NODES[node];
  return {
    say: `String ${course}, ${up}. Pluck it open.`,
    more: `That was ${where}: it is not counted. If the string really stands there, press its number first.`,
  };
}
