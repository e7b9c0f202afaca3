import { expect } from 'chai';
import fc from 'fast-check';
import { findTuning, hzToMidi, shiftHz, targetsOf } from '../music/index.ts';
import { replay } from '../sitting/index.ts';
import { type CoachString, nextStep } from './index.ts';

const A4 = 440;
const TARGETS = targetsOf(findTuning('guitar-standard')!, A4);
const ORDER = TARGETS.map(({ course }) => course);
const STRINGS = TARGETS.map((target): CoachString => ({ target, tighten: 'awayFromYou' }));

/** What is to be done of a string that reads so, and is to be brought to its aim. */
function stepAt(course: number, cents: number, aim: number) {
  const hz = shiftHz(TARGETS[course - 1]!.hz, cents);
  const reading = { course, cents, errorCents: 0.3, moving: false, hz, aim };
  const state = replay({ order: ORDER, tolerance: 2 }, [{ type: 'reading', reading }]);
  return { hz, step: nextStep(state, STRINGS, A4) };
}

const far = fc.double({ min: -600, max: 300, noNaN: true });
const aims = fc.double({ min: -160, max: 160, noNaN: true });

describe('the next step with an aim', () => {
  it('never leads away from the aim, and always names a note to stop at', () => {
    fc.assert(
      fc.property(fc.constantFrom(...ORDER), far, aims, (course, cents, aim) => {
        const { hz, step } = stepAt(course, cents, aim);
        const off = cents - aim;
        if (step.step === 'turn') expect(step.low).to.equal(off < 0);
        if (step.step !== 'far off') return;
        expect(step.low).to.equal(off < 0);
        expect(step.semitones).to.be.closeTo(Math.abs(off) / 100, 1e-9);
        const here = hzToMidi(hz, A4);
        const end = TARGETS[course - 1]!.midi + aim / 100;
        const last = step.notes.at(-1)!.midi;
        expect(Math.abs(last - end)).to.be.at.most(0.5 + 1e-9);
        // The note to stop at may be the one it is nearest to already.
        for (const { midi } of step.notes)
          if (midi !== last) expect(Math.sign(midi - here)).to.equal(off < 0 ? 1 : -1);
      }),
      { seed: 43, numRuns: 3000 },
    );
  });

  it('is the same step for a string that is as far from its own note', () => {
    fc.assert(
      fc.property(fc.constantFrom(...ORDER), far, aims, (course, cents, aim) => {
        const { step } = stepAt(course, cents, aim);
        const { step: plain } = stepAt(course, cents - aim, 0);
        expect(step.step).to.equal(plain.step);
      }),
      { seed: 44, numRuns: 1000 },
    );
  });
});
