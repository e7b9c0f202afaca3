import { expect } from 'chai';
import fc from 'fast-check';
import { type BenchState, replay, type StringReading, startBench } from '../sitting/index.ts';
import { aimFor } from '../strings/index.ts';
import { aimOf, KNOWN_ENOUGH, passesToCome, whyMoved } from './ahead.ts';
import { hearPluck } from './hear.ts';
import { GUESSED as guess, KNOWN as known } from './neckFixture.ts';
import { stateOf } from './strings.ts';

const GOAL = { order: [3, 2, 1], tolerance: 2 };
const NOTHING = [null, null, null];
const stood = (cents: readonly number[]) =>
  stateOf({ readings: [], before: cents, coupling: known });
const reading = (course: number, cents: number, aim = 0): StringReading => ({
  course,
  cents,
  errorCents: 0.3,
  moving: false,
  hz: 200 * 2 ** (cents / 1200),
  ...(aim !== 0 && { aim }),
});

describe('the aim on the bench', () => {
  const heard = [reading(1, -40), reading(2, -40), reading(3, -40)];
  const state = replay(
    GOAL,
    heard.map((r) => ({ type: 'reading' as const, reading: r })),
  );
  const now = stateOf({ readings: heard, before: NOTHING, coupling: known });

  it('lies above the target of the first string by what the others will take, 0 for the last', () => {
    // Strings 2 and 1 come up by about 44 and 42: a twentieth of that is 4.3.
    expect(aimOf(state, 3, now, known)).to.be.within(3.8, 4.8);
    const last = { ...state, passes: [onlyOpen(state, 1)] };
    expect(aimOf(last, 1, now, known)).to.equal(0);
  });

  it('is off while the coupling is a guess, and with all strings near', () => {
    expect(aimOf(state, 3, now, guess)).to.equal(0);
    expect(aimOf(state, 3, stood([-9, -8, -10]), known)).to.equal(0);
  });

  // Laws of any aim, whatever the strings and however well the coupling is known.
  it('never leads away from the exact aim, and asks for no turn within what is not known', () => {
    const cents = fc.double({ min: -80, max: 80, noNaN: true });
    fc.assert(
      fc.property(
        fc.tuple(cents, cents, cents),
        fc.double({ min: 0.01, max: KNOWN_ENOUGH, noNaN: true }),
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        (stands, error, tolerance) => {
          const coupling = { ...known, error };
          const state = startBench({ ...GOAL, tolerance });
          const now = stateOf({ readings: [], before: stands, coupling });
          const exact = aimFor(stands, [3, 2, 1], coupling);
          const aim = aimOf(state, 3, now, coupling);
          if (Math.abs(exact) < 1) {
            expect(aim).to.equal(0);
            return;
          }
          const own = stands[2];
          const open = Math.max(0, 2 * error * Math.abs(exact) - tolerance);
          expect(aim).to.be.within(Math.min(own, exact), Math.max(own, exact));
          expect(Math.abs(aim - exact)).to.be.at.most(open + 1e-9);
          if (Math.abs(own - exact) <= open) expect(aim).to.equal(own);
        },
      ),
      { seed: 38, numRuns: 500 },
    );
  });

  it('rises for a string that the others will take down, and falls for one that they will lift', () => {
    fc.assert(
      fc.property(fc.double({ min: 25, max: 80, noNaN: true }), (far) => {
        const aim = (cents: number) =>
          aimOf(startBench(GOAL), 3, stood([cents, cents, 0]), { ...known, error: 0.01 });
        expect(aim(-far)).to.be.above(0);
        expect(aim(far)).to.be.below(0);
      }),
      { seed: 38, numRuns: 100 },
    );
  });

  it('is what counts as at rest', () => {
    const at = (cents: number, aim: number) =>
      replay(GOAL, [
        { type: 'reading', reading: reading(3, cents, aim) },
        { type: 'reading', reading: reading(3, cents, aim) },
      ]).passes[0]!.strings[0]!.standing;
    expect(at(4.4, 4.5)).to.equal('left alone');
    expect(at(0, 4.5)).to.equal('low');
    expect(at(8, 4.5)).to.equal('high');
  });

  it('goes with the pluck that it was worked out for', () => {
    const strings = [1, 2, 3].map((course) => ({ target: { course, midi: 55, hz: 200 } }));
    const outcome = {
      kind: 'reading',
      hz: 200 * 2 ** (-40 / 1200),
      clarity: 0.9,
      errorCents: 0.3,
      spreadCents: 0.2,
      f0Hz: 195,
      firstPartialHz: 195,
      periodHz: 195,
      inharmonicity: 1e-5,
      moving: false,
      windowFrom: 0.2,
      windowLength: 0.6,
      levelDbfs: -20,
      partials: [],
    } as const;
    const before: BenchState = { ...startBench(GOAL), chosen: 3 };
    const hearing = {
      state: before,
      intended: 3,
      strings,
      heard: heard.slice(0, 2),
      coupling: known,
    };
    const put = hearPluck(outcome, hearing);
    expect('aim' in put && put.aim).to.be.within(3.8, 4.8);
    expect('aim' in hearPluck(outcome, { ...hearing, coupling: null })).to.equal(false);
    expect(hearPluck(outcome, { ...hearing, intended: null, heard: [] })).to.include({
      kind: 'doubt',
    });
  });

  it('fewer passes are to come the firmer the neck', () => {
    expect(
      passesToCome(state, now, { ...known, matrix: known.matrix.map((row) => row.map(() => 0)) }),
    ).to.equal(2);
    expect(passesToCome(state, now, known)).to.be.at.least(3);
  });
});

/** The present pass with every string settled but one. */
function onlyOpen(state: BenchState, course: number) {
  const [pass] = state.passes;
  return {
    ...pass!,
    strings: pass!.strings.map((s) =>
      s.course === course ? s : { ...s, standing: 'done' as const },
    ),
  };
}

describe('why a string moved', () => {
  it('names the string whose turn explains it', () => {
    const readings = [reading(3, 0), reading(2, -60), reading(2, 0), reading(3, -3.1)];
    expect(whyMoved(readings, 3, known)).to.deep.equal({ course: 2, cents: 60 });
  });

  it('names none where the turns do not explain it', () => {
    const readings = [reading(3, 0), reading(2, -5), reading(2, 0), reading(3, -9)];
    expect(whyMoved(readings, 3, known)).to.equal(null);
    expect(whyMoved([reading(3, 0)], 3, known)).to.equal(null);
  });
});
