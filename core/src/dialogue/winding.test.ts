import { expect } from 'chai';
import type { WoundPitch } from '../listen/index.ts';
import { between, seededRandom } from '../maths/index.ts';
import { list, message } from '../message.ts';
import { centsBetween, findTuning, shiftHz, targetsOf } from '../music/index.ts';
import { sayingInWords } from '../sentences/index.ts';
import { benchAfter, startBench } from '../sitting/index.ts';
import { expectedCoupling, findModel, MODELS, steelGuitar } from '../strings/index.ts';
import { benchTalk, startBenchTalk } from './bench.ts';
import { NOTHING_ASKED, outcomeOf, plainWorld, pluckOf, readingAt } from './benchFixture.ts';
import { benchSaying } from './benchSaying.ts';
import type { BenchEffect, BenchInput, BenchTalk } from './benchTypes.ts';
import { windingRound } from './benchWinding.ts';
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
  windingTask(woundTo(startWinding([course]), heard(course, cents, 1, rate), TARGETS), GUITAR);

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
    const from = woundTo(startWinding([5]), heard(5, -100, 0.5), TARGETS);
    const above = woundTo(from, heard(5, 130, 1), TARGETS);
    expect(windingTask(above, GUITAR)).to.deep.equal({ kind: 'above', course: 5, semitones: 2 });
    expect(taskAt(5, 59).kind).to.equal('stop');
  });

  it('goes to the next string once this one stands near its note for more than half a second', () => {
    const first = woundTo(startWinding([6, 5]), heard(6, -110, 1), TARGETS);
    const soon = woundTo(first, heard(6, -112, 1.5), TARGETS);
    expect(soon.toCome).to.deep.equal([6, 5]);
    const moved = woundTo(first, heard(6, -60, 1.7), TARGETS);
    expect(moved.toCome, 'it was still moved').to.deep.equal([6, 5]);
    const over = woundTo(soon, heard(6, -115, 1.65), TARGETS);
    const leftAt = [heard(6, -115, 1.65).hz];
    expect(over).to.deep.equal({ ...startWinding([5]), up: [6], leftAt });
    expect(woundTo(over, heard(6, -115, 1.7), TARGETS), 'late of the string before').to.equal(over);
    expect(woundTo(startWinding([]), heard(6, 0, 1), TARGETS).up).to.deep.equal([]);
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
      windingTask(woundTo(startWinding([1]), heard(1, cents, 1, 200), TARGETS), {
        instrument,
        targets,
      });
    expect(at(-400).kind).to.equal('go on');
    const sharp = own.map((t) => ({ ...t, hz: t.hz * 2 ** (40 / 1200) }));
    expect(at(-20, sharp).kind).to.equal('near breaking');
    const high = own.map((t) => ({ ...t, hz: t.hz * 2 ** (1 / 12) }));
    expect(at(-1200, high)).to.deep.equal({ kind: 'too high', course: 1 });
  });

  it('never has a string loosened because another one, in tune or just wound, was plucked meanwhile', () => {
    // 2,000 windings, seed 39; the strings are found anywhere up to an octave down and left within a semitone.
    const random = seededRandom(39);
    const models = MODELS.map(({ build }) => build('x', 'X'));
    let plucks = 0;
    for (let n = 0; n < 2000; n++) {
      const instrument = models[n % models.length]!;
      const targets = targetsOf(findTuning(instrument.tuningId)!, 440);
      const world = { instrument, targets };
      const order = targets.map(({ course }) => course).sort(() => random() - 0.5);
      const toWind = order.slice(0, 2);
      const stands = new Map(order.map((course) => [course, between(random, -25, 25)]));
      let round = startWinding(toWind);
      const hear = (course: number, at: number) => {
        const hz = shiftHz(targets[course - 1]!.hz, stands.get(course)!);
        const inHand = targets[round.toCome[0]! - 1]!;
        const pitch = { course: inHand.course, at, hz, errorCents: 5, rate: 0 };
        round = woundTo(round, { ...pitch, cents: centsBetween(inHand.hz, hz) }, targets);
        return windingTask(round, world).kind;
      };
      let at = 0;
      for (const course of toWind) {
        for (
          let cents = between(random, -1200, -300);
          cents < -60;
          cents += between(random, 40, 240)
        ) {
          if (round.toCome[0] !== course) break;
          const before = round;
          const other = order[Math.floor(random() * order.length)]!;
          if (other !== course && !round.toCome.includes(other)) {
            plucks++;
            expect(hear(other, at), `${instrument.kind}, ${other} while ${course}`).not.to.equal(
              'above',
            );
            // The ear itself takes such a jump back once the string in hand sounds again.
            round = before;
          }
          stands.set(course, cents);
          at += 1;
          hear(course, at);
          at += 1;
          if (round.toCome[0] === course) hear(course, at);
        }
        if (round.toCome[0] === course) round = leaveWinding(round);
      }
    }
    expect(plucks).to.be.above(5000);
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
    const stops = [{ do: 'follow winding', string: null, inSession: false }];
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

  const plucked = (course: number, cents: number): BenchInput => ({
    type: 'heard',
    heard: pluckOf(TARGETS, course, cents),
    asked: { ...asked, chosen: course, inHand: course },
  });
  const listening = { do: 'follow winding', string: null, inSession: false } as const;

  it('follows a string that is read far below its note, and reads its plucks meanwhile', () => {
    const far = after([plucked(4, -520)]);
    expect(far.effects.map((e) => e.do)).to.deep.equal(['record', 'follow winding']);
    expect(far.says, 'what was read comes first').not.to.deep.equal(
      message('advice.wind', { string: 4 }),
    );
    const on = after([wound(heard(4, -310, 1))], far.talk);
    expect(on.says).to.deep.equal(message('advice.windToGo', { string: 4, semitones: 3 }));
    const refused = after(
      [{ type: 'heard', heard: outcomeOf({ kind: 'not sure', reason: 'unsteady' }), asked }],
      on.talk,
    );
    expect(refused.says, 'it moves: no reading is no fault').to.deep.equal(on.says);
    const read = after([plucked(4, -300)], on.talk);
    expect(read.effects.map((e) => e.do)).to.deep.equal(['record']);
    expect(read.says).to.deep.equal(on.says);
    const stopped = after([wound(heard(4, -60, 2)), wound(heard(4, -60, 2.7))], on.talk);
    expect(stopped.says).to.deep.equal(message('advice.windStop', { string: 4 }));
    expect(stopped.effects.map((e) => e.do)).to.deep.equal(['say', 'follow winding']);
    const near = after([plucked(4, -55)], stopped.talk);
    expect(near.talk.led).to.deep.equal({ kind: 'tuning' });
    expect(near.effects[0]).to.deep.equal(listening);
    expect(near.effects.some((e) => e.do === 'record')).to.equal(true);
  });

  it('leaves it as soon as another string is plucked, chosen or accepted', () => {
    const far = after([plucked(4, -520)]).talk;
    const other = after([plucked(2, -3)], far);
    expect(other.talk.led).to.deep.equal({ kind: 'tuning' });
    expect(other.effects).to.deep.include(listening);
    for (const input of [
      { type: 'choose', course: 1 },
      { type: 'accept' },
      { type: 'wind' },
    ] as const) {
      const next = after([input], far);
      expect(next.talk.led, input.type).to.deep.equal({ kind: 'tuning' });
      expect(next.effects[0]).to.deep.equal(listening);
    }
    // Another one that is far below as well is followed instead.
    const followed = after([plucked(5, -480)], far);
    expect(windingRound(followed.talk.led)?.toCome).to.deep.equal([5]);
  });

  it('forgets what is said late of a string that nobody winds any more', () => {
    expect(after([wound(heard(6, -900, 1))]).effects).to.deep.equal([]);
  });
});
