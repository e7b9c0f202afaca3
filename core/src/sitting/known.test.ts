import { expect } from 'chai';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import { cameFrom, pitchesBefore, stringsNow } from './known.ts';

const TARGETS = targetsOf(findTuning('guitar-standard')!, 440);
const SIXTH = TARGETS[5]!;
const lastAt = (cents: number) => new Map([[6, shiftHz(SIXTH.hz, cents)]]);

describe('what is known of the strings', () => {
  it('a string last heard more than 60 cents off comes from another tuning', () => {
    expect(cameFrom(SIXTH, lastAt(-60.1), 0)).to.be.closeTo(-60.1, 1e-9);
    expect(cameFrom(SIXTH, lastAt(60.1), 0)).to.be.closeTo(60.1, 1e-9);
    expect(cameFrom(SIXTH, lastAt(-59.9), 0)).to.equal(null);
    expect(cameFrom(SIXTH, new Map(), 0)).to.equal(null);
  });

  it('a string that was never heard stands where the tuning it is kept in has it', () => {
    const openD = targetsOf(findTuning('guitar-open-d')!, 440);
    const before = pitchesBefore(new Map([[5, 108]]), TARGETS);
    expect(before.get(5)).to.equal(108);
    // From E2 to D2, two semitones.
    expect(cameFrom(openD[5]!, before, 0)).to.be.closeTo(200, 1e-9);
    expect(stringsNow(openD, [], before, 0)[5]?.lastHz).to.be.closeTo(82.407, 0.001);
  });

  it('what was heard open sounds higher with a capo on', () => {
    const [, , , , , raised] = targetsOf(findTuning('guitar-standard')!, 440, 2);
    // Open it stood at its note; with the capo it still does.
    expect(cameFrom(raised!, lastAt(0), 2)).to.equal(null);
    expect(cameFrom(raised!, lastAt(-200), 2)).to.be.closeTo(-200, 1e-9);
  });

  it('of a string that was heard in this sitting the reading counts, of others where they came from', () => {
    const readings = [{ course: 5, hz: 109, inharmonicity: 5e-5, at: 1000 }];
    const known = stringsNow(TARGETS, readings, new Map([...lastAt(-200), [5, 98]]), 0);
    expect(known[4]).to.deep.include({ lastHz: 109, lastAt: 1000 });
    expect(known[4]?.fresh).to.equal(undefined);
    expect(known[5]?.fresh).to.equal(true);
    expect(known[5]?.lastHz).to.be.closeTo(shiftHz(SIXTH.hz, -200), 1e-9);
    expect(known[0]).to.deep.equal({ target: TARGETS[0] });
  });
});
