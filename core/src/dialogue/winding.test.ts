import { expect } from 'chai';
import type { WoundPitch } from '../listen/index.ts';
import { list, message } from '../message.ts';
import { findTuning, targetsOf } from '../music/index.ts';
import { sayingInWords } from '../sentences/index.ts';
import { benchAfter, startBench } from '../sitting/index.ts';
import { expectedCoupling, findModel, steelGuitar } from '../strings/index.ts';
import { benchTalk, startBenchTalk } from './bench.ts';
import { NOTHING_ASKED, plainWorld, pluckOf, readingAt } from './benchFixture.ts';
import { benchSaying } from './benchSaying.ts';
import type { BenchEffect, BenchInput, BenchTalk } from './benchTypes.ts';
import {
  leaveWinding,
  startWinding,
  stringToWind,
  windFirst,
  windingTask,
  woundTo,
} from './winding.ts';

const TUNING = findTuning('guitar-standard')!;
const TARGETS = targetsOf(TUNING, 440);
const GUITAR = { instrument: steelGuitar('g', 'G'), targets: TARGETS };

const heard = (course: number, cents: number, at: number, rate = 0): WoundPitch => ({
  course,
  at,
  hz: TARGETS[course - 1]!.hz * 2 ** (cents / 1200),
  cents,
  errorCents: 5,
  rate,
});

const taskAt = (course: number, cents: number, rate = 0) =>
  windingTask(woundTo(startWinding([course]), heard(course, cents, 1, rate)), GUITAR);

describe('winding a string up from slack', () => {
  it('counts the semitones that are to go', () => {
    expect(windingTask(startWinding([5]), GUITAR)).to.deep.equal({ kind: 'pluck', course: 5 });
    expect(taskAt(5, -930)).to.deep.equal({ kind: 'go on', course: 5, semitones: 9 });
    expect(taskAt(5, -260, 90)).to.deep.equal({ kind: 'go on', course: 5, semitones: 3 });
  });

  it('says stop before the hand has gone too far, the sooner the faster it winds', () => {
    expect(taskAt(5, -200, 400).kind).to.equal('stop');
    expect(taskAt(5, -250, 400).kind).to.equal('go on');
    expect(taskAt(5, -300, 600).kind).to.equal('go on');
    expect(taskAt(5, -270, 600).kind).to.equal('stop');
    // One that rests between its neighbours is near enough, whatever is left.
    expect(taskAt(5, -180, 0).kind).to.equal('stop');
    expect(taskAt(5, -180, 90).kind).to.equal('go on');
  });

  it('lets one that went too far down again', () => {
    expect(taskAt(5, 130)).to.deep.equal({ kind: 'above', course: 5, semitones: 2 });
    expect(taskAt(5, 59).kind).to.equal('stop');
  });

  it('goes to the next string once this one stands near its note for more than half a second', () => {
    const first = woundTo(startWinding([6, 5]), heard(6, -110, 1));
    const soon = woundTo(first, heard(6, -112, 1.5));
    expect(soon.toCome).to.deep.equal([6, 5]);
    const moved = woundTo(first, heard(6, -60, 1.7));
    expect(moved.toCome, 'it was still moved').to.deep.equal([6, 5]);
    const over = woundTo(soon, heard(6, -115, 1.65));
    expect(over).to.deep.equal({ ...startWinding([5]), up: [6] });
    expect(woundTo(over, heard(6, -115, 1.7)), 'late of the string before').to.equal(over);
    expect(woundTo(startWinding([]), heard(6, 0, 1)).up).to.deep.equal([]);
  });

  it('takes any string in hand, and leaves any', () => {
    const round = { ...startWinding([4, 3]), up: [6], left: [5] };
    expect(windFirst(round, 6)).to.deep.equal({ ...startWinding([6, 4, 3]), left: [5] });
    expect(windFirst(round, 5)).to.deep.equal({ ...startWinding([5, 4, 3]), up: [6] });
    const over = leaveWinding(leaveWinding(round));
    expect(windingTask(over, GUITAR)).to.deep.equal({ kind: 'over', left: [5, 4, 3] });
  });

  it('stops two semitones before a string breaks, and never winds one to a note that near', () => {
    // A tenor banjo: its first string breaks two and a half semitones above A4.
    const instrument = findModel('banjo-tenor')!.build('t', 'T');
    const own = targetsOf(findTuning(instrument.tuningId)!, 440);
    const at = (cents: number, targets = own) =>
      windingTask(woundTo(startWinding([1]), heard(1, cents, 1, 200)), { instrument, targets });
    expect(at(-400).kind).to.equal('go on');
    const sharp = own.map((t) => ({ ...t, hz: t.hz * 2 ** (40 / 1200) }));
    expect(at(-20, sharp).kind).to.equal('near breaking');
    const high = own.map((t) => ({ ...t, hz: t.hz * 2 ** (1 / 12) }));
    expect(at(-1200, high)).to.deep.equal({ kind: 'too high', course: 1 });
  });

  it('tells the ear what the string is like, from its gauge until it was read', () => {
    const gauge = stringToWind(startWinding([1]), GUITAR, [])!;
    expect(gauge.targetHz).to.equal(TARGETS[0]!.hz);
    expect(gauge.inharmonicity).to.be.within(1e-5, 3e-5);
    const strings = [{ target: TARGETS[0]!, inharmonicity: 2.2e-5 }];
    const read = stringToWind(startWinding([1]), GUITAR, strings)!;
    expect(read.inharmonicity).to.equal(2.2e-5);
    expect(read.sigmaB).to.be.below(gauge.sigmaB);
    expect(stringToWind(startWinding([]), GUITAR, [])).to.equal(null);
  });
});

describe('the bench while strings are wound up', () => {
  let state = startBench({ order: [6, 5, 4, 3, 2, 1], tolerance: 2 });
  const coupling = expectedCoupling({ tensions: [72, 69, 74, 82, 86, 78], bridge: 'fixed' });
  const world = () => plainWorld({ ...GUITAR, state, heard: [], tuning: TUNING, coupling });
  const after = (inputs: readonly BenchInput[], start: BenchTalk = startBenchTalk()) => {
    const effects: BenchEffect[] = [];
    let talk = start;
    for (const input of inputs) {
      const next = benchTalk(talk, input, world());
      talk = next.state;
      effects.push(...next.effects);
    }
    return { talk, effects, says: sayingInWords(benchSaying(talk, world())).say };
  };
  const asked = NOTHING_ASKED;
  const wound = (pitch: WoundPitch): BenchInput => ({
    type: 'heard',
    heard: { type: 'wound', pitch },
    asked,
  });

  it('follows one string after the other and says where each is', () => {
    const begun = after([{ type: 'wind' }]);
    expect(begun.says).to.deep.equal(message('advice.wind', { string: 6 }));
    const on = after([wound(heard(6, -900, 1))], begun.talk);
    expect(on.says).to.deep.equal(message('advice.windToGo', { string: 6, semitones: 9 }));
    const near = after([wound(heard(6, -90, 2)), wound(heard(6, -90, 2.7))], on.talk);
    expect(near.says).to.deep.equal(message('advice.wind', { string: 5 }));
    const followed = near.effects.flatMap((e) =>
      e.do === 'follow winding' ? [e.string?.course] : [],
    );
    expect(followed).to.deep.equal([5]);
    const aloud = near.effects.flatMap((e) =>
      e.do === 'say' ? [sayingInWords(e.saying).say] : [],
    );
    expect(aloud).to.deep.equal([message('advice.windStop', { string: 6 })]);
  });

  it('begins a sitting of its own where strings were read before they were put on', () => {
    const before = plainWorld({
      ...GUITAR,
      state,
      heard: [{ course: 6, cents: 0, errorCents: 0.3, moving: false, hz: 82.4, at: 0 }],
      tuning: TUNING,
      coupling,
    });
    const { effects } = benchTalk(startBenchTalk(), { type: 'wind' }, before);
    expect(effects.map((e) => e.do)).to.deep.equal(['start afresh', 'follow winding']);
  });

  it('winds the chosen string alone, hears no pluck as a reading, and ends by W, Escape or Space', () => {
    state = benchAfter(state, { type: 'choose', course: 3 });
    const begun = after([{ type: 'wind' }]);
    expect(begun.says).to.deep.equal(message('advice.wind', { string: 3 }));
    const pluck = { ...pluckOf(TARGETS, 3, 0), outcome: readingAt(TARGETS[2]!.hz) };
    const heardOn = after([{ type: 'heard', heard: pluck, asked }], begun.talk);
    expect(heardOn.effects).to.deep.equal([]);
    const stops = [{ do: 'follow winding', string: null }];
    expect(after([{ type: 'wind' }], begun.talk).effects).to.deep.equal(stops);
    expect(after([{ type: 'choose', course: null }], begun.talk).effects).to.deep.equal(stops);
    const left = after([{ type: 'accept' }], begun.talk);
    expect(left.says).to.deep.equal(message('advice.windLeft', { strings: list([3]) }));
    expect(after([{ type: 'accept' }], left.talk).effects).to.deep.equal(stops);
    // What leads elsewhere ends it first.
    const other = after([{ type: 'compare' }], begun.talk);
    expect(other.effects[0]).to.deep.equal(stops[0]);
    expect(other.talk.led.kind).not.to.equal('winding');
    state = startBench({ order: [6, 5, 4, 3, 2, 1], tolerance: 2 });
  });

  it('forgets what is said late of a string that nobody winds any more', () => {
    expect(after([wound(heard(6, -900, 1))]).effects).to.deep.equal([]);
  });
});
