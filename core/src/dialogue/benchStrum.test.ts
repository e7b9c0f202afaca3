import { expect } from 'chai';
import type { StrumString } from '../listen/index.ts';
import { list, message, type Text } from '../message.ts';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import { sayingInWords } from '../sentences/index.ts';
import { type BenchState, benchAfter, passDone, startBench } from '../sitting/index.ts';
import { expectedCoupling, steelGuitar } from '../strings/index.ts';
import { benchTalk, startBenchTalk } from './bench.ts';
import { NOTHING_ASKED, plainWorld } from './benchFixture.ts';
import { benchSaying } from './benchSaying.ts';
import type { BenchEffect, BenchInput, BenchTalk } from './benchTypes.ts';

const TUNING = findTuning('guitar-standard')!;
const TARGETS = targetsOf(TUNING, 440);

const strum = (
  cents: readonly (number | null)[],
  errorCents = 0.7,
  like: readonly string[] = [],
): BenchInput => ({
  type: 'heard',
  heard: {
    type: 'strum',
    asked: 0,
    start: 1,
    like: like.map((name) => ({ id: name, name, hz: [], value: 100, cents: 0 })),
    strings: cents.map(
      (off, i): StrumString => ({
        course: i + 1,
        hz: shiftHz(TARGETS[i]!.hz, off ?? 0),
        cents: off ?? 0,
        errorCents,
        inharmonicity: 5e-5,
        sure: off !== null,
        margin: 50,
        own: 4,
        outliers: 0,
        agree: 0,
      }),
    ),
  },
  asked: NOTHING_ASKED,
});

class Bench {
  talk: BenchTalk = startBenchTalk();
  state: BenchState = startBench({ order: [6, 5, 4, 3, 2, 1], tolerance: 2 });
  effects: BenchEffect[] = [];

  get world() {
    return plainWorld({
      state: this.state,
      heard: [],
      tuning: TUNING,
      targets: TARGETS,
      coupling: expectedCoupling({ tensions: [72, 69, 74, 82, 86, 78], bridge: 'fixed' }),
      instrument: steelGuitar('g', 'G'),
    });
  }

  send(input: BenchInput): Text {
    const next = benchTalk(this.talk, input, this.world);
    this.talk = next.state;
    this.effects = [...next.effects];
    for (const effect of next.effects)
      if (effect.do === 'record') this.state = benchAfter(this.state, effect.event);
    return sayingInWords(benchSaying(this.talk, this.world)).say;
  }
}

describe('a strum at the bench', () => {
  it('is asked for, and no longer', () => {
    const bench = new Bench();
    expect(bench.send({ type: 'strum' })).to.deep.equal(message('bench.strumAll', { strings: 6 }));
    expect(bench.effects).to.deep.equal([{ do: 'expect strum', expected: true }]);
    bench.send({ type: 'strum' });
    expect(bench.effects).to.deep.equal([{ do: 'expect strum', expected: false }]);
  });

  it('is waited for by the ear as long as it is said, whatever is done instead', () => {
    const ends = { do: 'expect strum', expected: false };
    for (const input of [
      { type: 'choose', course: 3 },
      { type: 'by ear' },
      { type: 'wind' },
      strum([9, 9, 9, 9, 9, 9]),
    ] satisfies BenchInput[]) {
      const bench = new Bench();
      bench.send({ type: 'strum' });
      bench.send(input);
      const asked = bench.talk.notice?.kind === 'strum asked';
      expect(
        bench.effects.some((e) => e.do === 'expect strum'),
        input.type,
      ).to.equal(!asked);
      if (!asked) expect(bench.effects[0]).to.deep.equal(ends);
    }
  });

  it('is put on record string by string; the first that is off is in hand', () => {
    const bench = new Bench();
    expect(bench.send(strum([0.5, -9, 1, 0, 12, -0.4]))).to.deep.equal(
      message('advice.someOff', { count: 2, strings: list([2, 5], 'and') }),
    );
    expect(bench.effects.map((e) => e.do)).to.deep.equal(Array(6).fill('record'));
    expect(bench.state.active).to.equal(5);
  });

  it('closes strings only with a second one that agrees, as its error allows', () => {
    const right = [0.5, 0.2, 1, 0, -1, -0.4];
    const bench = new Bench();
    expect(bench.send(strum(right))).to.deep.equal(message('advice.allRight'));
    expect(passDone(bench.state)).to.equal(false);
    expect(bench.send(strum(right))).to.deep.equal(message('bench.inTune'));
    expect(passDone(bench.state)).to.equal(true);
    const unsure = new Bench();
    unsure.send(strum(right, 1.2));
    unsure.send(strum(right, 1.2));
    expect(passDone(unsure.state), 'twice its error is beyond the tolerance').to.equal(false);
  });

  it('asks for what did not come through, and tells nothing of it', () => {
    const bench = new Bench();
    expect(bench.send(strum([0.5, null, 1, null, 12, -0.4]))).to.deep.equal(
      message('advice.someOff', { count: 1, strings: list([5], 'and') }),
    );
    expect(sayingInWords(benchSaying(bench.talk, bench.world)).more).to.deep.equal(
      message('advice.pluckAlone', { count: 2, strings: list([2, 4], 'and') }),
    );
    expect(bench.effects.length).to.equal(4);
  });

  it('says which tuning it sounds like instead, and keeps nothing of it', () => {
    const bench = new Bench();
    const other = strum([0.5, null, null, null, 12, null], 0.7, ['Open G', 'Open G minor']);
    expect(bench.send(other)).to.deep.equal(
      message('advice.soundsLike', { tunings: list(['Open G', 'Open G minor'], 'or') }),
    );
    expect(bench.effects).to.deep.equal([]);
    // Its own tuning, badly heard, is none.
    const own = strum([0.5, null, null, null, 12, null], 0.7, [TUNING.id]);
    expect(bench.send(own)).to.deep.equal(
      message('advice.someOff', { count: 1, strings: list([5], 'and') }),
    );
  });

  it('begins the next pass where the last one had to turn something', () => {
    const bench = new Bench();
    bench.send(strum([9, 9, 9, 9, 9, 9]));
    const right = [0.5, 0.2, 1, 0, -1, -0.4];
    bench.send(strum(right));
    bench.send(strum(right));
    expect(passDone(bench.state)).to.equal(true);
    bench.send(strum(right));
    expect(bench.effects[0]).to.deep.equal({ do: 'record', event: { type: 'next pass' } });
  });

  it('is nothing to a bench that waits for a reference', () => {
    const bench = new Bench();
    bench.send({ type: 'reference' });
    bench.send(strum([0, 0, 0, 0, 0, 0]));
    expect(bench.effects).to.deep.equal([]);
    expect(bench.talk.notice?.kind).to.equal('refused');
    expect(bench.talk.led.kind).to.equal('reference');
  });
});
