import { expect } from 'chai';
import { seededRandom } from '../maths/index.ts';
import { message } from '../message.ts';
import { centsBetween } from '../music/index.ts';
import {
  type BeatingInput,
  beatingTalk,
  centsOfBeat,
  type MatchingInput,
  matchingTalk,
  NO_BEAT,
  NO_MATCH,
  NOT_RESTORED,
  NOT_TOUCHED,
  NOTHING_SUNG,
  pairsOf,
  type RestoringInput,
  rateOf,
  restoringAsked,
  restoringTalk,
  type SingingInput,
  singingTalk,
  TOUCHES,
  type TouchingInput,
  tonesOf,
  touchingTalk,
  touchOf,
} from './index.ts';
import type { Next } from './machine.ts';

/** Runs a machine over inputs; what came of the last one, and all effects. */
function talking<State, Input, Effect, World>(
  machine: (state: State, input: Input, world: World) => Next<State, Effect>,
  start: State,
) {
  let state = start;
  const effects: Effect[] = [];
  return {
    effects,
    send(input: Input, world: World): State {
      const next = machine(state, input, world);
      state = next.state;
      effects.push(...next.effects);
      return state;
    },
    get state() {
      return state;
    },
  };
}

/** A guitar's open strings, course 1 first. */
const GUITAR = [329.63, 246.94, 196, 146.83, 110, 82.41].map((hz, i) => ({ course: i + 1, hz }));
const reading = (hz: number) => ({ kind: 'reading', hz }) as never;

describe('matching two strings', () => {
  const world = (clock: number) => ({
    strings: GUITAR,
    questions: null,
    now: 5,
    clock,
    random: seededRandom(clock + 1),
  });

  it('pairs of a guitar are the fifth frets, the fourth for its third string: common practice, no source', () => {
    const held = pairsOf(GUITAR).filter(({ cell }) => cell === 'fretted');
    expect(held.map(({ reference, own }) => [reference, own])).to.deep.equal([
      [
        message('ear.stringAtFret', { string: 2, fret: 5 }),
        message('ear.stringOpen', { string: 1 }),
      ],
      [
        message('ear.stringAtFret', { string: 3, fret: 4 }),
        message('ear.stringOpen', { string: 2 }),
      ],
      [
        message('ear.stringAtFret', { string: 4, fret: 5 }),
        message('ear.stringOpen', { string: 3 }),
      ],
      [
        message('ear.stringAtFret', { string: 5, fret: 5 }),
        message('ear.stringOpen', { string: 4 }),
      ],
      [
        message('ear.stringAtFret', { string: 6, fret: 5 }),
        message('ear.stringOpen', { string: 5 }),
      ],
    ]);
    // No harmonics where a third lies between: string 3 and 2.
    expect(pairsOf(GUITAR).filter(({ cell }) => cell === 'harmonics')).to.have.length(4);
  });

  it('a banjo’s short string is held against, whichever lies lower', () => {
    const banjo = [293.66, 246.94, 196, 146.83, 392].map((hz, i) => ({ course: i + 1, hz }));
    const held = pairsOf(banjo).filter(({ cell }) => cell === 'fretted');
    expect(held.map(({ reference }) => reference)).to.deep.equal([
      message('ear.stringAtFret', { string: 2, fret: 3 }),
      message('ear.stringAtFret', { string: 3, fret: 4 }),
      message('ear.stringAtFret', { string: 4, fret: 5 }),
    ]);
  });

  it('each turn sounds both, the way is kept, and what is left is measured from where they agree', () => {
    const match = talking<
      typeof NO_MATCH,
      MatchingInput,
      { type: string },
      ReturnType<typeof world>
    >(matchingTalk, NO_MATCH);
    match.send({ type: 'ask' }, world(100));
    const from = match.state.off;
    expect(Math.abs(from)).to.be.within(15, 45);
    match.send({ type: 'turn', way: 1, bold: true }, world(1100));
    match.send({ type: 'turn', way: -1, bold: false }, world(2100));
    const { off } = match.state;
    expect(off - from).to.be.within(9.6 - 3.5, 22.4 - 1.5);
    match.send({ type: 'done' }, world(3000));
    expect(match.effects.map(({ type }) => type)).to.deep.equal([
      'sound',
      'sound',
      'sound',
      'keep',
    ]);
    const trial = match.state.trials[0];
    expect(trial).to.deep.include({ asked: from, off, tookMs: 2900 });
    expect(trial?.path).to.deep.equal([0, from, 1000, match.state.path[3], 2000, off]);
    // Kinds take turns.
    const first = match.state.pair?.cell;
    match.send({ type: 'ask' }, world(4000));
    expect(match.state.pair?.cell).to.not.equal(first);
  });
});

describe('beats', () => {
  const world = (clock: number) => ({ questions: null, now: 5, clock, random: seededRandom(8) });
  const beating = () =>
    talking<typeof NO_BEAT, BeatingInput, { type: string }, ReturnType<typeof world>>(
      beatingTalk,
      NO_BEAT,
    );

  it('two beats a second at 440 Hz are 7.85 cents: 442 against 440', () => {
    expect(centsOfBeat(440, 2)).to.be.closeTo(centsBetween(440, 442), 1e-9);
    expect(centsOfBeat(440, 2)).to.be.closeTo(7.85, 0.01);
    expect(rateOf([0, 500, 1000])).to.equal(null);
    // One tap that came late does not spoil the rate.
    expect(rateOf([0, 500, 1000, 1700, 2000, 2500])).to.equal(2);
  });

  it('taps tell the rate, and the count is held against what sounded', () => {
    const beat = beating();
    beat.send({ type: 'ask' }, world(0));
    beat.send({ type: 'tap' }, world(10));
    expect(beat.state.taps, 'nothing sounds yet').to.be.empty;
    beat.send({ type: 'sounds' }, world(100));
    const { hz, from } = beat.state.beat ?? { hz: 1, from: 0 };
    const rate = Math.abs(hz * (2 ** (from / 1200) - 1));
    beat.send({ type: 'done' }, world(200));
    expect(beat.state.phase, 'nothing was counted').to.equal('sounding');
    for (let i = 0; i < 6; i++) beat.send({ type: 'tap' }, world(500 + (1000 * i) / rate));
    beat.send({ type: 'done' }, world(9000));
    expect(beat.state.trials[0]?.off).to.be.closeTo(0, 0.2);
  });

  it('what slows down stands still at one moment, and the call is measured from there', () => {
    const beat = beating();
    beat.send({ type: 'ask' }, world(0));
    beat.send({ type: 'sounds' }, world(0));
    for (let i = 0; i < 4; i++) beat.send({ type: 'tap' }, world(300 * i));
    beat.send({ type: 'done' }, world(2000));
    beat.send({ type: 'ask' }, world(2000));
    expect(beat.state.beat?.cell).to.equal('stop');
    beat.send({ type: 'sounds' }, world(3000));
    const { from, to } = beat.state.beat ?? { from: 1, to: 0 };
    const still = (12_000 * from) / (from - to);
    beat.send({ type: 'done' }, world(3000 + still));
    expect(beat.state.trials[1]?.off).to.be.closeTo(0, 1e-6);
  });
});

describe('singing', () => {
  const world = { strings: GUITAR, questions: 1, now: 9, clock: 0, random: seededRandom(2) };
  const sung = () =>
    talking<typeof NOTHING_SUNG, SingingInput, { type: string }, typeof world>(
      singingTalk,
      NOTHING_SUNG,
    );

  it('a note that was held is the answer as soon as the voice is silent; a short one is none', () => {
    const song = sung();
    song.send({ type: 'ask' }, world);
    const hz = (song.state.note?.hz ?? 1) * 2 ** (-30 / 1200);
    const hear = (from: number, frames: number, heard: number | null) => {
      for (let i = 0; i < frames; i++)
        song.send({ type: 'heard', frame: { at: from + i * 0.02, hz: heard } }, world);
    };
    hear(0, 10, hz);
    hear(0.2, 30, null);
    expect(song.state.phase).to.equal('singing');
    hear(1, 80, hz);
    expect(song.state.sung?.cents).to.be.closeTo(-30, 1);
    hear(2.6, 30, null);
    expect(song.state.phase).to.equal('told');
    expect(song.state.trials[0]?.off).to.be.closeTo(-30, 1);
    song.send({ type: 'ask' }, world);
    expect(song.state.phase).to.equal('over');
  });

  it('every second one is a string that is out, and is measured from where it truly lies', () => {
    const song = sung();
    const endless = { ...world, questions: 1000 };
    const hear = (cents: number) => {
      const hz = (song.state.note?.hz ?? 1) * 2 ** (cents / 1200);
      for (let i = 0; i < 110; i++)
        song.send({ type: 'heard', frame: { at: i * 0.02, hz: i < 80 ? hz : null } }, endless);
    };
    song.send({ type: 'ask' }, endless);
    expect(song.state.note?.out).to.equal(0);
    hear(0);
    song.send({ type: 'ask' }, endless);
    const out = song.state.note?.out ?? 0;
    expect(Math.abs(out)).to.be.within(20, 60);
    hear(out + 7);
    expect(song.state.trials[1]?.asked).to.equal(out);
    expect(song.state.trials[1]?.off).to.be.closeTo(7, 1);
  });
});

describe('a whole instrument', () => {
  const strings = [...GUITAR].reverse();
  const world = (clock: number) => ({ strings, oneTone: 6, now: 50, clock });
  const restoring = () =>
    talking<typeof NOT_RESTORED, RestoringInput, { type: string }, ReturnType<typeof world>>(
      restoringTalk,
      NOT_RESTORED,
    );
  const play = (
    one: ReturnType<typeof restoring>,
    cents: (course: number) => number,
    clock: number,
  ) => {
    for (const { course, hz } of strings)
      one.send(
        {
          type: 'heard',
          outcome: reading(hz * 2 ** (cents(course) / 1200)),
          asked: course,
          course,
        },
        world(clock),
      );
  };

  it('is put out far enough, tuned in silence, and drawn once every string was read', () => {
    const one = restoring();
    one.send({ type: 'aid', aid: 'oneTone' }, world(0));
    one.send({ type: 'go' }, world(0));
    expect(restoringAsked(one.state, strings)).to.equal(6);
    one.send(
      { type: 'heard', outcome: reading(82.41 * 2 ** (5 / 1200)), asked: 6, course: 6 },
      world(0),
    );
    expect(one.state.notice).to.equal('too near');
    one.send({ type: 'heard', outcome: reading(164), asked: 6, course: 6 }, world(0));
    expect(one.state.notice).to.equal('too far');
    play(one, () => -30, 10_000);
    expect(one.state.phase).to.equal('tuning');
    const before = one.state;
    one.send({ type: 'heard', outcome: reading(82), asked: null, course: 6 }, world(20_000));
    expect(one.state, 'nothing is said while it is tuned').to.equal(before);
    one.send({ type: 'tone', course: 1 }, world(20_000));
    one.send({ type: 'tone', course: 6 }, world(20_000));
    expect(one.effects, 'one tone alone').to.deep.equal([{ type: 'sound', hz: 82.41 }]);
    one.send({ type: 'go' }, world(130_000));
    play(one, (course) => course, 140_000);
    expect(one.state.phase).to.equal('told');
    expect(one.state.left.map(Math.round)).to.deep.equal([6, 5, 4, 3, 2, 1]);
    expect(one.state.tookMs).to.equal(120_000);
    expect(one.effects.at(-1)?.type).to.equal('keep');
  });

  it('what rang before the question is no answer', () => {
    const one = restoring();
    one.send({ type: 'go' }, world(0));
    one.send({ type: 'heard', outcome: reading(80), asked: null, course: 6 }, world(0));
    expect(one.state.out).to.be.empty;
  });

  it('by the display each pluck is shown while it is tuned, and by no other help', () => {
    for (const aid of ['display', 'allTones'] as const) {
      const one = restoring();
      one.send({ type: 'aid', aid }, world(0));
      one.send({ type: 'go' }, world(0));
      play(one, () => 40, 0);
      const outcome = reading(110 * 2 ** (12 / 1200));
      one.send({ type: 'heard', outcome, asked: null, course: 5 }, world(1));
      const seen = one.state.seen && { ...one.state.seen, cents: Math.round(one.state.seen.cents) };
      expect(seen).to.deep.equal(aid === 'display' ? { course: 5, cents: 12 } : null);
      // A string that is not known shows nothing.
      const { state } = one;
      one.send({ type: 'heard', outcome, asked: null, course: null }, world(2));
      expect(one.state).to.equal(state);
    }
  });

  it('from memory no tone is given', () => {
    expect(tonesOf('memory', { strings, oneTone: 6 })).to.be.empty;
    expect(tonesOf('allTones', { strings, oneTone: 6 })).to.have.length(6);
  });
});

describe('touch', () => {
  const world = { cell: 'string 3 at fret 3', hz: 233, now: 4 };

  it('ten touches tell their scatter, and how far they lie above the lightest', () => {
    const touch = talking<typeof NOT_TOUCHED, TouchingInput, { type: string }, typeof world>(
      touchingTalk,
      NOT_TOUCHED,
    );
    touch.send({ type: 'go' }, world);
    const hold = (cents: number, asked: string | null = world.cell) =>
      touch.send({ type: 'heard', outcome: reading(233 * 2 ** (cents / 1200)), asked }, world);
    hold(300);
    expect(touch.state.notice).to.equal('another note');
    hold(4, 'string 2 at fret 3');
    for (let i = 0; i < TOUCHES; i++) hold(i % 2 ? 8 : 4);
    expect(touch.state.phase).to.equal('told');
    const { mean, scatter, aboveLightest } = touchOf(touch.state.held);
    expect([mean, aboveLightest].map(Math.round)).to.deep.equal([6, 2]);
    // Standard deviation of ten that lie 2 either side: 2 · √(10/9).
    expect(scatter).to.be.closeTo(2 * Math.sqrt(10 / 9), 1e-6);
    expect(touch.effects.map(({ type }) => type)).to.deep.equal(['keep']);
  });
});
