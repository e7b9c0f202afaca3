import { expect } from 'chai';
import type { Comparison } from '../state/index.ts';
import { referenceInWords } from './reference.ts';

const reference = (change: Partial<Comparison>): Comparison =>
  ({
    course: 3,
    held: { course: 3, fret: 4 },
    open: 2,
    octaves: 0,
    offsetCents: 0,
    errorCents: 0.3,
    good: 'exact',
    ...change,
  }) as Comparison;

/** String 2 is in hand; `course` is the one that it is compared with. */
const CASES: readonly (readonly [change: Partial<Comparison>, says: string])[] = [
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
  // Good to come near by only: an ear is told so, and never asked to hear a difference.
  [{ good: 'about' }, 'String 3 at fret 4 sounds about the same.'],
  [{ good: 'about', octaves: -1 }, 'String 3 at fret 4 sounds about an octave lower.'],
  [
    { good: 'about', held: { course: 2, fret: 5 }, open: 1, course: 1 },
    'This one at fret 5 sounds about like open string 1.',
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
