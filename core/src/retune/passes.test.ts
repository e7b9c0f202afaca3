import { expect } from 'chai';
import fc from 'fast-check';
import { passesNeeded } from './index.ts';

describe('passes needed', () => {
  it('strings that do not move each other need one pass and a look', () => {
    expect(passesNeeded([-30, 12, 5], 0, 2)).to.equal(2);
    expect(passesNeeded([1, -1, 0], 0.05, 2)).to.equal(1);
  });

  // By hand: string a up by 100 drops b by 5; b is put right by 5 and drops a by 0.25: nothing left to do.
  it('two strings at a twentieth: one pass and a look', () => {
    expect(passesNeeded([-100, 0], 0.05, 2)).to.equal(2);
    // At a fifth: b drops 20, a then 4; the second pass raises a by 4 and drops b by 0.8; the third looks.
    expect(passesNeeded([-100, 0], 0.2, 2)).to.equal(3);
  });

  it('a looser bridge never needs fewer', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -200, max: 200, noNaN: true }), { minLength: 2, maxLength: 6 }),
        (cents) => {
          const firm = passesNeeded(cents, 0, 2);
          expect(firm).to.be.at.most(2);
          expect(passesNeeded(cents, 0.12, 2)).to.be.at.least(firm);
        },
      ),
      { seed: 3 },
    );
  });
});
