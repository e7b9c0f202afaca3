import { expect } from 'chai';
import fc from 'fast-check';
import { nextStep, type Outlook, soundedTogether } from '../coach/index.ts';
import type { Refusal } from '../listen/index.ts';
import { list, message, noteValue } from '../message.ts';
import { findTuning, type Target, targetsOf } from '../music/index.ts';
import { refusalInWords, stepInWords } from '../sentences/index.ts';
import type { BenchEvent } from './events.ts';
import { ledger } from './ledger.ts';
import {
  allInTune,
  type BenchState,
  benchAfter,
  currentPass,
  isClosed,
  nextCourse,
  passDone,
  replay,
  startBench,
  stringOf,
} from './replay.ts';

const GOAL = { order: [6, 5, 4, 3, 2, 1], tolerance: 2 };
const STRINGS = targetsOf(findTuning('guitar-standard')!, 440).map((target) => ({
  target,
  tighten: 'awayFromYou' as const,
}));

const read = (course: number, cents: number, moving = false): BenchEvent => {
  const hz = (STRINGS[course - 1]?.target.hz ?? 100) * 2 ** (cents / 1200);
  return { type: 'reading', reading: { course, cents, errorCents: 0.3, moving, hz } };
};
const after = (...events: BenchEvent[]): BenchState => replay(GOAL, events);
const standing = (state: BenchState, course: number) =>
  stringOf(currentPass(state), course)?.standing;
const says = (state: BenchState, outlook?: Outlook) =>
  stepInWords(nextStep(state, STRINGS, 440, outlook));
const refused = (refusal: Refusal, targets: readonly Target[] = []) =>
  refusalInWords(refusal, soundedTogether(refusal, targets));

describe('the bench', () => {
  it('does not send a string round for ever that stays at the very edge of its tolerance', () => {
    // Read to 0.3: two readings that differ by less than 0.85 show no move, and 2.6 is the edge.
    const atRest = after(read(6, -1.9), read(6, -2.1));
    expect(standing(atRest, 6)).to.equal('left alone');
    expect(standing(after(read(6, -1.9), read(6, -2.8)), 6)).to.equal('low');
    expect(standing(after(read(6, -2.1)), 6)).to.equal('low');
    expect(standing(after(read(6, -1), read(6, -2.1)), 6)).to.equal('low');
    // An unsure reading widens the edge by a cent at most: taken by hand at 5 it is not right a pass later.
    const unsure = (cents: number): BenchEvent => ({
      type: 'reading',
      reading: { course: 6, cents, errorCents: 3, moving: false, hz: 82 },
    });
    const taken = after(unsure(5), { type: 'accept' }, { type: 'next pass' }, unsure(5));
    expect(standing(taken, 6)).to.equal('high');
    expect(standing(after(unsure(1.9), unsure(2.9)), 6)).to.equal('left alone');
    expect(standing(after(unsure(1.9), unsure(3.1)), 6)).to.equal('high');
    // In the pass after it as well, and for as long as it stays there.
    const next = after(read(6, 1.9), read(6, 2.1), { type: 'next pass' }, read(6, 2.3));
    expect(standing(next, 6)).to.equal('left alone');
    const brought = after(read(6, -5), read(6, -1.9), read(6, -2.2));
    expect(standing(brought, 6)).to.equal('done');
  });

  it('begins with the thickest string', () => {
    expect(nextCourse(startBench(GOAL), null)).to.equal(6);
    expect(says(startBench(GOAL)).say).to.deep.equal(
      message('bench.pluck', {
        string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
      }),
    );
  });

  it('says low and high by place and word', () => {
    expect(standing(after(read(6, -23)), 6)).to.equal('low');
    expect(standing(after(read(6, 14)), 6)).to.equal('high');
    expect(says(after(read(6, -23))).say).to.deep.equal(
      message('bench.turn', {
        side: 'low',
        way: message('common.direction', { way: 'away' }),
        turn: message('common.turnLittle'),
      }),
    );
    expect(says(after(read(6, 14))).say).to.deep.equal(
      message('bench.turn', {
        side: 'high',
        way: message('common.direction', { way: 'towards' }),
        turn: message('common.turnLittle'),
      }),
    );
  });

  it('closes a string when two plucks agree', () => {
    const once = after(read(6, -23), read(6, 0.8));
    expect(standing(once, 6)).to.equal('at rest');
    expect(says(once).say).to.deep.equal(message('bench.onceMore'));
    const twice = benchAfter(once, read(6, 0.4));
    expect(standing(twice, 6)).to.equal('done');
    expect(nextCourse(twice, 6)).to.equal(5);
    expect(says(twice).say).to.deep.equal(
      message('bench.goOn', {
        done: 'tuned',
        next: message('common.stringAndNote', { string: 5, note: noteValue(45) }),
      }),
    );
  });

  it('goes on to the string that a plan asks for, and says so', () => {
    const state = after(read(6, -23), read(6, 0.8), read(6, 0.4));
    expect(benchAfter(state, { type: 'accept', next: 3 }).active).to.equal(3);
    expect(benchAfter(state, { type: 'accept' }).active).to.equal(5);
    expect(says(state, { planned: 3 }).say).to.deep.equal(
      message('bench.goOn', {
        done: 'tuned',
        next: message('common.stringAndNote', { string: 3, note: noteValue(55) }),
      }),
    );
    expect(says(startBench(GOAL), { planned: 3 }).say).to.deep.equal(
      message('bench.pluck', {
        string: message('common.stringAndNote', { string: 3, note: noteValue(55) }),
      }),
    );
  });

  it('leaves a string alone that was found right', () => {
    expect(standing(after(read(4, 0.8), read(4, 0.6)), 4)).to.equal('left alone');
  });

  it('does not close on a pitch that still moves', () => {
    expect(standing(after(read(6, 0.8), read(6, 0.5, true)), 6)).to.equal('at rest');
    expect(says(after(read(6, 0.5, true))).say).to.deep.equal(message('bench.stillMoved'));
  });

  it('tells an overshoot and an approach from above', () => {
    expect(says(after(read(6, -10), read(6, 8))).say).to.deep.equal(message('bench.tooFar'));
    expect(says(after(read(6, 9), read(6, 1))).more).to.deep.equal(message('bench.cameDown'));
  });

  it('names the notes on the way of a far-off string', () => {
    const far = says(after(read(3, -310)));
    expect(far.say).to.deep.equal(
      message('bench.farOffNoTurn', {
        side: 'low',
        way: message('common.direction', { way: 'away' }),
      }),
    );
    expect(far.more).to.deep.equal(
      message('bench.farOffPath.more', {
        semitones: 3,
        notes: list([noteValue(53), noteValue(54), noteValue(55)]),
      }),
    );
  });

  it('goes round again, and ends when nothing had to move', () => {
    const first = GOAL.order.flatMap((c) => [read(c, -20), read(c, 0.5), read(c, 0.2)]);
    const pass1 = after(...first);
    expect(passDone(pass1)).to.equal(true);
    expect(says(pass1).say).to.deep.equal(message('bench.roundAgain'));
    const second = GOAL.order.map((c) => read(c, c === 6 ? -1.1 : 0.3));
    const pass2 = second.reduce(benchAfter, benchAfter(pass1, { type: 'next pass' }));
    expect(allInTune(pass2)).to.equal(true);
    expect(says(pass2).say).to.deep.equal(message('bench.inTune'));
    const row = ledger(pass2)[0]!;
    expect(row.passes[0]).to.deep.equal({ found: -20, left: 0.2 });
    expect(row.moved).to.be.closeTo(-1.3, 1e-9);
  });

  it('wants a correction when a string moved since the last pass', () => {
    const first = GOAL.order.flatMap((c) => [read(c, -20), read(c, 0.5), read(c, 0.2)]);
    const moved = after(...first, { type: 'next pass' }, read(6, -4));
    expect(standing(moved, 6)).to.equal('low');
    expect(passDone(moved)).to.equal(false);
  });

  it('accepts a string as it is and goes on', () => {
    const accepted = after(read(6, -3), { type: 'accept' });
    expect(standing(accepted, 6)).to.equal('done');
    expect(accepted.active).to.equal(5);
  });

  it('keeps the chosen string in hand while another one is read', () => {
    const state = replay(GOAL, [{ type: 'choose', course: 5 }, read(6, -12)]);
    expect(state.active).to.equal(5);
    expect(stringOf(currentPass(state), 6)!.readings).to.have.length(1);
    expect(after(read(6, -12)).active).to.equal(6);
  });

  it('does not begin a pass before anything was read', () => {
    expect(after({ type: 'next pass' }).passes.length).to.equal(1);
  });

  it('has a way on for every refusal', () => {
    expect(refused({ kind: 'too quiet', levelDbfs: -70 }).say).to.deep.equal(
      message('advice.tooQuiet'),
    );
    const both = { kind: 'more than one string', hz: [110.4, 146] } as const;
    const targets = STRINGS.map(({ target }) => target);
    expect(refused(both, targets).say).to.deep.equal(
      message('advice.twoStringsNamed', { strings: list([5, 4], 'and') }),
    );
    expect(refused({ kind: 'hum only', mainsHz: 50 }).say).to.deep.equal(
      message('advice.humOnly', { hz: 50 }),
    );
    expect(refused({ kind: 'more than one string', hz: [110, 146] }).say).to.deep.equal(
      message('advice.twoStrings'),
    );
    for (const reason of ['too short', 'no pitch', 'unsteady', 'weak', 'no pluck'] as const)
      expect(refused({ kind: 'not sure', reason }).more).to.not.equal('');
  });
});

const events: fc.Arbitrary<BenchEvent> = fc.oneof(
  fc
    .tuple(
      fc.integer({ min: 0, max: 8 }),
      fc.double({ min: -2000, max: 2000, noNaN: true }),
      fc.boolean(),
    )
    .map(([course, cents, moving]) => read(course, cents, moving)),
  fc.constant<BenchEvent>({ type: 'accept' }),
  fc.constant<BenchEvent>({ type: 'next pass' }),
  fc
    .option(fc.integer({ min: 0, max: 8 }))
    .map((course): BenchEvent => ({ type: 'choose', course })),
);

describe('the bench under random events', () => {
  it('stays lawful and loses no reading', () => {
    fc.assert(
      fc.property(fc.array(events, { maxLength: 120 }), (sequence) => {
        const state = after(...sequence);
        const kept = state.passes.flatMap((p) => p.strings.flatMap((s) => s.readings)).length;
        const given = sequence.filter(
          (e) => e.type === 'reading' && GOAL.order.includes(e.reading.course),
        ).length;
        expect(kept).to.equal(given);
        for (const value of [state.active, state.chosen])
          if (value !== null) expect(GOAL.order).to.include(value);
        for (const entry of currentPass(state).strings)
          if (entry.readings.length === 0) expect(isClosed(entry)).to.equal(false);
        expect(says(state).say).to.not.equal('');
      }),
      { seed: 2, numRuns: 1000 },
    );
  });
});

describe('any events whatever', () => {
  const course = fc.integer({ min: -1, max: 8 });
  const event: fc.Arbitrary<BenchEvent> = fc.oneof(
    fc
      .record({
        course,
        cents: fc.double({ min: -300, max: 300, noNaN: true }),
        moving: fc.boolean(),
      })
      .map(({ course, cents, moving }) => ({
        type: 'reading' as const,
        reading: { course, cents, errorCents: 0.4, moving, hz: 100 },
      })),
    course.map((c) => ({ type: 'choose' as const, course: c < 0 ? null : c })),
    fc.constant({ type: 'accept' as const }),
    fc.integer({ min: 1, max: 6 }).map((next) => ({ type: 'accept' as const, next })),
    fc.constant({ type: 'next pass' as const }),
    course.map((c) => ({
      type: 'peg test' as const,
      course: c,
      turns: -0.1,
      beforeHz: 100,
      afterHz: 98,
    })),
  );

  it('leave a lawful bench, and no reading is lost', () => {
    fc.assert(
      fc.property(fc.array(event, { maxLength: 14 }), (events) => {
        const state = replay(GOAL, events);
        const kept = state.passes.flatMap((pass) => pass.strings.flatMap((s) => s.readings));
        const own = events.filter(
          (e) => e.type === 'reading' && GOAL.order.includes(e.reading.course),
        );
        expect(kept.length).to.equal(own.length);
        expect(state.passes.map(({ number }) => number)).to.deep.equal(
          state.passes.map((_, i) => i + 1),
        );
        for (const { strings } of state.passes)
          expect(strings.map((s) => s.course)).to.deep.equal([...GOAL.order]);
        for (const one of [state.active, state.chosen])
          if (one !== null) expect(GOAL.order).to.include(one);
        const next = nextCourse(state, state.active);
        expect(next === null).to.equal(passDone(state));
        expect(says(state).say).to.not.equal('');
      }),
      { seed: 21, numRuns: 40_000 },
    );
  });
});
