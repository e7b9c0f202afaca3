import { expect } from 'chai';
import type { Reference } from '../retune/index.ts';
import { referenceInWords } from './reference.ts';

const reference = (change: Partial<Reference>): Reference =>
  ({
    course: 3,
    held: { course: 3, fret: 4 },
    open: 2,
    octaves: 0,
    offsetCents: 0,
    ...change,
  }) as Reference;

/** String 2 is in hand; `course` is the one that it is compared with. */
const CASES: readonly (readonly [change: Partial<Reference>, says: string])[] = [
  [{}, 'String 3 at fret 4 sounds the same.'],
  [{ octaves: 1 }, 'String 3 at fret 4 sounds an octave higher.'],
  [{ octaves: -1 }, 'String 3 at fret 4 sounds an octave lower.'],
  [{ octaves: 2 }, 'String 3 at fret 4 sounds two octaves higher.'],
  [
    { held: { course: 2, fret: 5 }, open: 1, course: 1 },
    'This one at fret 5 sounds like open string 1.',
  ],
  [
    { held: { course: 2, fret: 5 }, open: 1, course: 1, octaves: -1 },
    'This one at fret 5 sounds an octave below open string 1.',
  ],
  [
    { held: { course: 2, fret: 5 }, open: 1, course: 1, octaves: 2 },
    'This one at fret 5 sounds two octaves above open string 1.',
  ],
  [{ offsetCents: 0.99 }, 'String 3 at fret 4 sounds the same.'],
  [
    { offsetCents: 1.2 },
    'String 3 at fret 4 sounds the same. This one belongs 1 cent lower than that.',
  ],
  [
    { offsetCents: -13.7 },
    'String 3 at fret 4 sounds the same. This one belongs 14 cents higher than that.',
  ],
];

describe('comparisons in words', () => {
  for (const [change, says] of CASES)
    it(says, () => {
      expect(referenceInWords(reference(change))).to.equal(says);
    });

  it('of open strings it names the other one, as far from this one as it is', () => {
    const mine = reference({ held: { course: 2, fret: 0 }, open: 5, course: 5, octaves: 1 });
    expect(referenceInWords(mine)).to.match(/^Open string 5 sounds an octave lower\.$/);
  });
});
