import { expect } from 'chai';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import { expectedCoupling, steelGuitar } from '../strings/index.ts';
import { wayTo } from './way.ts';

const HOME = findTuning('guitar-standard')!;
const OPEN_D = findTuning('guitar-open-d')!;
const from = {
  instrument: steelGuitar('g', 'G'),
  home: HOME,
  order: 'thickest first',
  coupling: expectedCoupling({ tensions: [72, 69, 74, 82, 86, 78], bridge: 'fixed' }),
  a4: 440,
  tolerance: 2,
} as const;
const at = (cents: (course: number) => number) =>
  new Map(targetsOf(OPEN_D, 440).map(({ course, hz }) => [course, shiftHz(hz, cents(course))]));

describe('the way that is left to a tuning', () => {
  it('begins from the home tuning where nothing was heard yet', () => {
    const way = wayTo({ ...from, target: OPEN_D, heard: new Map() });
    expect(way?.toGo).to.deep.equal([6, 3, 2, 1]);
    expect([...(way?.references.keys() ?? [])]).to.have.members([6, 3, 2, 1]);
  });

  it('is over once no string is further off than 60 cents', () => {
    expect(wayTo({ ...from, target: OPEN_D, heard: at((c) => (c === 6 ? 59 : 0)) })).to.equal(null);
    const way = wayTo({ ...from, target: OPEN_D, heard: at((c) => (c === 6 ? 61 : 0)) });
    expect(way?.toGo).to.deep.equal([6]);
  });

  it('names strings further off than 15 cents; nearer ones are for the passes', () => {
    const heard = at((c) => ({ 6: 200, 3: 16, 2: -14 })[c] ?? 0);
    expect(wayTo({ ...from, target: OPEN_D, heard })?.toGo).to.deep.equal([6, 3]);
  });

  it('there is none where the instrument is at home', () => {
    expect(wayTo({ ...from, target: HOME, heard: new Map() })).to.equal(null);
  });
});
