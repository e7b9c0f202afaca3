import { expect } from 'chai';
import { likeness, type Ringing } from './likeness.ts';

/** A plain pluck: at once at its loudest, fading, the high partials first, then steady. */
const PLUCK: Ringing = {
  attackDb: -0.3,
  dbPerSecond: -13,
  tilt: -8,
  spread: 0.4,
  rest: 0.04,
  falls: 4,
  errorCents: 0.5,
};

describe('string or voice', () => {
  it('a plain pluck is as much a string as can be', () => {
    expect(likeness(PLUCK)).to.be.closeTo(6, 0.1);
  });

  /** What differs from the pluck, and whether it still is a string. */
  const CASES: readonly (readonly [string, Partial<Ringing>, boolean])[] = [
    [
      'behind a device that levels',
      { attackDb: -8, dbPerSecond: -3, tilt: -6, spread: 0.3, rest: 0.03 },
      true,
    ],
    ['plucked hard: far, but evenly down', { spread: 6, rest: 0.3, falls: 30 }, true],
    ['a vowel with its wandering pitch', { spread: 9, rest: 2, tilt: 1, dbPerSecond: -4 }, false],
    [
      'a sung note that is held, as even as can be',
      { attackDb: -1.2, dbPerSecond: 0, tilt: 0, spread: 0.1, rest: 0.1 },
      false,
    ],
    [
      'a note that slides up to its pitch',
      { attackDb: -4, dbPerSecond: -3, tilt: -4, spread: 3, rest: 1, falls: -30 },
      false,
    ],
  ];
  for (const [name, differs, isString] of CASES)
    it(`${name}: ${isString ? 'a string' : 'none'}`, () => {
      expect(likeness({ ...PLUCK, ...differs }) > 0.5).to.equal(isString);
    });

  it('no single value decides alone but a pitch that wanders', () => {
    for (const one of [{ attackDb: -20 }, { dbPerSecond: 5 }, { tilt: 20 }, { errorCents: 9 }])
      expect(likeness({ ...PLUCK, ...one })).to.be.above(0);
    expect(likeness({ ...PLUCK, spread: 40, rest: 20, falls: 300 })).to.be.below(0);
  });
});
