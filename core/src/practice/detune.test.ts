import { expect } from 'chai';
import { centsBetween, findTuning, targetsOf } from '../music/index.ts';
import { practiceDetune } from './detune.ts';

const HOME = findTuning('guitar-standard')!;
const OPEN_D = findTuning('guitar-open-d')!;
const now = { a4: 440, capo: 0, last: new Map<number, number>() };

describe('where practice strings start', () => {
  it('is a little off, each by its own', () => {
    const detune = practiceDetune(HOME, targetsOf(HOME, 440), now);
    expect(detune).to.deep.equal([-31, -12, -38, 11, -9.5, -23]);
  });

  it('is where the home tuning has them, a little off, on the way to another one', () => {
    const detune = practiceDetune(HOME, targetsOf(OPEN_D, 440), now);
    // Strings 4 and 5 stay; the sixth is D2 from E2, 200 cents down.
    expect(detune[3]).to.equal(11);
    expect(detune[5]).to.be.closeTo(200 - 23, 1e-6);
    expect(detune[2]).to.be.closeTo(100 - 38, 1e-6);
  });

  it('is where they were heard last, where that is of another tuning', () => {
    const targets = targetsOf(OPEN_D, 440);
    const last = new Map([[6, 82.4]]);
    const [, , , , , sixth] = practiceDetune(HOME, targets, { ...now, last });
    expect(sixth).to.be.closeTo(centsBetween(targets[5]!.hz, 82.4), 1e-6);
    // Near its note it starts as it always does.
    const near = new Map([[6, targets[5]!.hz]]);
    expect(practiceDetune(HOME, targets, { ...now, last: near })[5]).to.equal(-23);
  });

  it('goes up with a capo', () => {
    const targets = targetsOf(HOME, 440, 2);
    expect(practiceDetune(HOME, targets, { ...now, capo: 2 })[0]).to.equal(-31);
  });

  it('needs no home', () => {
    expect(practiceDetune(undefined, targetsOf(HOME, 440), now)[0]).to.equal(-31);
  });
});
