import { expect } from 'chai';
import { capoBetween, capoWays } from './capo.ts';
import { findTuning, TUNINGS, targetsOf } from './index.ts';

const between = (from: string, to: string) => capoBetween(findTuning(from)!, findTuning(to)!);

describe('a tuning with a capo that sounds another one', () => {
  // Common practice, no source: open D with a capo at the second fret is open E, open G at the second open A.
  const WAYS: readonly (readonly [string, string, number | null])[] = [
    ['guitar-open-d', 'guitar-open-e', 2],
    ['guitar-open-g', 'guitar-open-a', 2],
    ['guitar-whole-step-down', 'guitar-standard', 2],
    ['guitar-half-step-down', 'guitar-standard', 1],
    ['ukulele-standard', 'ukulele-d', 2],
    ['banjo-open-g', 'banjo-open-a', 2],
    // The other way round a string would have to be let down.
    ['guitar-open-e', 'guitar-open-d', null],
    ['guitar-standard', 'guitar-open-d', null],
    ['guitar-standard', 'guitar-standard', null],
    ['ukulele-low-g', 'ukulele-d', null],
    ['banjo-tenor', 'ukulele-standard', null],
  ];
  for (const [from, to, fret] of WAYS)
    it(`${from} to ${to}: ${fret ?? 'none'}`, () => expect(between(from, to)).to.equal(fret));

  it('sounds every string of it, of all pairs of the catalogue', () => {
    let found = 0;
    for (const to of TUNINGS)
      for (const { tuning, fret } of capoWays(to)) {
        found++;
        const wanted = targetsOf(to, 440).map(({ hz }) => hz);
        targetsOf(tuning, 440, fret).forEach(({ hz }, i) => {
          expect(hz).to.be.closeTo(wanted[i]!, 1e-9);
        });
      }
    expect(found).to.be.at.least(8);
  });

  it('keeps to one way of setting the strings', () => {
    const openD = findTuning('guitar-open-d')!;
    const pure = { ...openD, temper: { kind: 'pure', root: 2, share: 1 } } as const;
    expect(capoBetween(pure, findTuning('guitar-open-e')!)).to.equal(null);
  });
});
