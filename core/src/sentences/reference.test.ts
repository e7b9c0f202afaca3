import { expect } from 'chai';
import { type Message, message } from '../message.ts';
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
const CASES: readonly (readonly [change: Partial<Comparison>, says: Message])[] = [
  [
    {},
    message('common.compareOther', {
      good: 'exact',
      string: 3,
      fret: 4,
      interval: message('common.interval', { distance: 'same' }),
    }),
  ],
  [
    { octaves: 1 },
    message('common.compareOther', {
      good: 'exact',
      string: 3,
      fret: 4,
      interval: message('common.interval', { distance: 'upOne' }),
    }),
  ],
  [
    { octaves: -1 },
    message('common.compareOther', {
      good: 'exact',
      string: 3,
      fret: 4,
      interval: message('common.interval', { distance: 'downOne' }),
    }),
  ],
  [
    { octaves: 2 },
    message('common.compareOther', {
      good: 'exact',
      string: 3,
      fret: 4,
      interval: message('common.interval', { distance: 'upTwo' }),
    }),
  ],
  [
    { held: { course: 2, fret: 5 }, open: 1, course: 1 },
    message('common.compareMine', {
      good: 'exact',
      fret: 5,
      interval: message('common.relation', { distance: 'same' }),
      open: 1,
    }),
  ],
  [
    { held: { course: 2, fret: 5 }, open: 1, course: 1, octaves: -1 },
    message('common.compareMine', {
      good: 'exact',
      fret: 5,
      interval: message('common.relation', { distance: 'downOne' }),
      open: 1,
    }),
  ],
  [
    { held: { course: 2, fret: 5 }, open: 1, course: 1, octaves: 2 },
    message('common.compareMine', {
      good: 'exact',
      fret: 5,
      interval: message('common.relation', { distance: 'upTwo' }),
      open: 1,
    }),
  ],
  // Only close enough to come near: the sentence says so and never asks for a difference to be heard.
  [
    { good: 'about' },
    message('common.compareOther', {
      good: 'about',
      string: 3,
      fret: 4,
      interval: message('common.interval', { distance: 'same' }),
    }),
  ],
  [
    { good: 'about', octaves: -1 },
    message('common.compareOther', {
      good: 'about',
      string: 3,
      fret: 4,
      interval: message('common.interval', { distance: 'downOne' }),
    }),
  ],
  [
    { good: 'about', held: { course: 2, fret: 5 }, open: 1, course: 1 },
    message('common.compareMine', {
      good: 'about',
      fret: 5,
      interval: message('common.relation', { distance: 'same' }),
      open: 1,
    }),
  ],
];

describe('comparisons in words', () => {
  for (const [change, says] of CASES)
    it(JSON.stringify(change), () => {
      expect(referenceInWords(reference(change))).to.deep.equal(says);
    });

  it('of open strings it names the other one, as far from this one as it is', () => {
    const mine = reference({ held: { course: 2, fret: 0 }, open: 5, course: 5, octaves: 1 });
    expect(referenceInWords(mine)).to.deep.equal(
      message('common.compareOpen', {
        good: 'exact',
        string: 5,
        interval: message('common.interval', { distance: 'downOne' }),
      }),
    );
  });
});
