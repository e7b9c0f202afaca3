import { expect } from 'chai';
import fc from 'fast-check';
import type { Presence } from '../listen/index.ts';
import { list, message, noteValue, type Text } from '../message.ts';
import { plainFigures } from '../messageFixture.ts';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import { directionInWords, sayingInWords } from '../sentences/index.ts';
import {
  benchAfter,
  currentPass,
  type StringReading,
  startBench,
  stringOf,
} from '../sitting/index.ts';
import { expectedCoupling, steelGuitar } from '../strings/index.ts';
import { askedAtBench, benchTalk, startBenchTalk } from './bench.ts';
import { NOTHING_ASKED, outcomeOf, plainWorld, pluckOf, readingAt } from './benchFixture.ts';
import { actAsked, benchFault, benchSaying } from './benchSaying.ts';
import type { BenchAsked, BenchEffect, BenchInput, BenchTalk, BenchWorld } from './benchTypes.ts';
import { courseInHand } from './inHand.ts';
import { turnAsked } from './turnAsked.ts';

const TUNING = findTuning('guitar-standard')!;
const TRIED = ['record reading', 'record peg test'] as const;
const TARGETS = targetsOf(TUNING, 440);
const COUPLING = expectedCoupling({ tensions: [72, 69, 74, 82, 86, 78], bridge: 'fixed' });
const NOT_SURE = { kind: 'not sure', reason: 'no pitch' } as const;

/** A bench whose log is what the conversation records; the world is what that log makes of it. */
class Bench {
  talk: BenchTalk = startBenchTalk();
  state = startBench({ order: [6, 5, 4, 3, 2, 1], tolerance: 2 });
  heard: StringReading[] = [];
  effects: BenchEffect[] = [];

  constructor(readonly change: Partial<BenchWorld> = {}) {}

  get world(): BenchWorld {
    return plainWorld({
      state: this.state,
      heard: this.heard,
      tuning: TUNING,
      targets: TARGETS,
      coupling: COUPLING,
      instrument: steelGuitar('g', 'G'),
      ...this.change,
    });
  }

  get asked(): BenchAsked {
    return askedAtBench(this.talk, this.state);
  }

  send(...inputs: readonly BenchInput[]): this {
    for (const input of inputs) {
      const { state, effects } = benchTalk(this.talk, input, this.world);
      this.talk = state;
      for (const effect of effects) this.perform(effect);
    }
    return this;
  }

  /** Plucks a string so far from its note, as an answer to what was asked when it was made. */
  pluck(course: number, cents: number, asked = this.asked): this {
    this.hear({ type: 'onset', at: 0, asked: 0 }, asked);
    return this.hear(pluckOf(TARGETS, course, cents), asked);
  }

  hear(heard: Extract<BenchInput, { type: 'heard' }>['heard'], asked = this.asked): this {
    return this.send({ type: 'heard', heard, asked });
  }

  get done(): string[] {
    return this.effects.map((effect) =>
      effect.do === 'record' ? `record ${effect.event.type}` : effect.do,
    );
  }

  get says(): Text {
    return plainFigures(sayingInWords(benchSaying(this.talk, this.world)).say);
  }

  private perform(effect: BenchEffect): void {
    this.effects.push(effect);
    if (effect.do !== 'record') return;
    this.state = benchAfter(this.state, effect.event);
    if (effect.event.type === 'reading') this.heard.push(effect.event.reading);
  }
}

const press = (type: Exclude<BenchInput['type'], 'heard' | 'choose' | 'take A4'>): BenchInput =>
  ({ type }) as BenchInput;
const choose = (course: number | null): BenchInput => ({ type: 'choose', course });

/** What is done, what is done in the world by it, and what the bench says then. */
const ROWS: readonly (readonly [
  name: string,
  play: (bench: Bench) => unknown,
  done: readonly string[],
  says: Text,
])[] = [
  [
    'nothing is listened to',
    (b) => Object.assign(b.change, { listening: false }),
    [],
    message('bench.source'),
  ],
  [
    'the first string is asked for',
    () => {},
    [],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
  [
    'a pluck',
    (b) => b.pluck(6, -20),
    ['record reading'],
    message('bench.turn', {
      side: 'low',
      way: message('common.direction', { way: 'away' }),
      turn: message('common.turnGuessed', { size: message('common.turnDegrees', { degrees: 15 }) }),
    }),
  ],
  ['a pluck that is no reading', (b) => b.hear(outcomeOf(NOT_SURE)), [], message('advice.notSure')],
  [
    'a decision answers what the pluck before showed',
    (b) => b.pluck(6, 98).pluck(6, 98).send(press('accept')),
    ['record reading', 'record reading', 'stop showing note', 'record accept'],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 5, note: noteValue(45) }),
    }),
  ],
  [
    'another string than the one chosen',
    (b) => b.send(choose(6)).pluck(5, 2),
    ['stop showing note', 'record choose', 'record reading'],
    message('advice.anotherString', { heard: 5 }),
  ],
  [
    'a pluck is judged by what was asked when it was made',
    (b) => {
      const before = b.asked;
      b.send(choose(6)).pluck(5, 1, before);
    },
    ['stop showing note', 'record choose', 'record reading'],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
  [
    'Space on a plan goes where the plan goes',
    planned,
    ['stop showing note', 'record accept'],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 3, note: noteValue(55) }),
    }),
  ],
  [
    'a pass',
    (b) => b.pluck(6, 0).send(press('next pass')),
    ['record reading', 'record next pass'],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
  [
    'hearing the target',
    (b) => b.send(press('sound target')),
    ['sound'],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
  // A reference is held against the instrument; it is no reading of it.
  [
    'a reference is heard and left',
    (b) =>
      b
        .send(press('reference'))
        .hear(outcomeOf(readingAt(442)))
        .send(press('reference')),
    [],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
  [
    'a reference that was not clear',
    (b) => b.send(press('reference')).hear(outcomeOf(NOT_SURE)),
    [],
    message('bench.referenceAgain'),
  ],
  [
    'a reference comes when nobody waits for it any more',
    (b) => {
      b.send(press('reference'));
      const asked = b.asked;
      b.send(press('reference')).hear(outcomeOf(readingAt(442)), asked);
    },
    [],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
  [
    'a string plucked just before the reference was asked for is a reading',
    (b) => {
      const { asked } = b;
      b.send(press('reference')).pluck(6, -20, asked);
    },
    ['record reading'],
    message('bench.reference'),
  ],
  [
    'the A4 of a reference is taken',
    (b) =>
      b
        .send(press('reference'))
        .hear(outcomeOf(readingAt(442)))
        .send({ type: 'take A4', a4: 442 }),
    ['save A4', 'stop showing note', 'start afresh'],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
  // Two strings at once.
  [
    'a comparison',
    (b) => b.send(press('compare')),
    ['expect pair'],
    message('advice.pair', { fret: 5, held: 6, open: 5 }),
  ],
  [
    'a comparison is heard',
    (b) => b.send(press('compare')).hear({ type: 'pair', beat: { kind: 'not heard' } }),
    ['expect pair'],
    message('advice.beatNotHeard'),
  ],
  [
    'a comparison is taken back, and comes late',
    (b) =>
      b
        .send(press('compare'), press('compare'))
        .hear({ type: 'pair', beat: { kind: 'not heard' } }),
    ['expect pair', 'expect pair'],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
  [
    'a pluck ends a comparison',
    (b) =>
      b
        .send(press('compare'))
        .hear({ type: 'pair', beat: { kind: 'not heard' } })
        .pluck(6, -20),
    ['expect pair', 'record reading'],
    message('bench.turn', {
      side: 'low',
      way: message('common.direction', { way: 'away' }),
      turn: message('common.turnGuessed', { size: message('common.turnDegrees', { degrees: 15 }) }),
    }),
  ],
  // By ear.
  ['by ear', (b) => b.send(press('by ear')), [], message('advice.byEar', { string: 6 })],
  [
    'by ear, compared',
    (b) => b.send(press('by ear')).pluck(6, 1).send(press('accept')),
    ['record reading'],
    message('advice.earAgrees'),
  ],
  [
    'by ear, compared and gone on',
    (b) => b.send(press('by ear')).pluck(6, 1).send(press('accept'), press('accept')),
    ['record reading', 'stop showing note', 'record accept'],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 5, note: noteValue(45) }),
    }),
  ],
  [
    'by ear, compared and plucked again',
    (b) => b.send(press('by ear')).pluck(6, 9).send(press('accept')).pluck(6, 8),
    ['record reading', 'record reading'],
    message('bench.turn', {
      side: 'high',
      way: message('common.direction', { way: 'towards' }),
      turn: message('common.turnGuessed', { size: message('common.turnDegrees', { degrees: 10 }) }),
    }),
  ],
  [
    'by ear, compared before it was plucked',
    (b) => b.send(press('by ear'), press('accept')),
    [],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
  [
    'a reference while tuning by ear, and back',
    (b) => b.send(press('by ear'), press('reference'), press('reference')),
    [],
    message('advice.byEar', { string: 6 }),
  ],
  // The pegs.
  [
    'the peg test begins',
    (b) => b.send(press('peg test')),
    ['stop showing note', 'record choose'],
    message('advice.pegPluck', { string: 6 }),
  ],
  [
    'a peg is tried',
    (b) => b.send(press('peg test')).pluck(6, 0).pluck(6, -30).pluck(6, -60).pluck(6, -34),
    [
      'stop showing note',
      'record choose',
      'record reading',
      ...TRIED,
      'save peg',
      ...TRIED,
      'save peg',
      ...TRIED,
      'save peg',
      'stop showing note',
      'record choose',
    ],
    message('advice.pegMeasured', { string: 6, cents: 250, percent: 12.41158, degrees: 7 }),
  ],
  [
    'in practice a peg is tried and not stored',
    (b) => {
      Object.assign(b.change, { practice: true });
      b.send(press('peg test')).pluck(6, 0).pluck(6, -30).pluck(6, -60).pluck(6, -34);
    },
    [
      'stop showing note',
      'record choose',
      'record reading',
      ...TRIED,
      ...TRIED,
      ...TRIED,
      'stop showing note',
      'record choose',
    ],
    message('advice.pegMeasured', { string: 6, cents: 250, percent: 12.41158, degrees: 7 }),
  ],
  [
    'a pluck made before its step was asked for moves no peg on',
    (b) => {
      b.send(press('peg test'));
      const { asked } = b;
      b.pluck(6, 0).pluck(6, -30, asked);
    },
    ['stop showing note', 'record choose', 'record reading', 'record reading'],
    message('advice.pegTurn', {
      turn: message('common.turn', {
        about: 'exactly',
        size: message('common.turnEighths', { eighths: 1 }),
      }),
      way: message('common.direction', { way: 'towards' }),
    }),
  ],
  [
    'another string than the one whose peg is tried',
    (b) => b.send(press('peg test')).pluck(5, 0),
    ['stop showing note', 'record choose', 'record reading'],
    message('advice.pegPluck', { string: 6 }),
  ],
  [
    'a peg is skipped',
    (b) => b.send(press('peg test'), press('accept')),
    ['stop showing note', 'record choose', 'stop showing note', 'record choose'],
    message('advice.pegPluck', { string: 5 }),
  ],
  [
    'the peg test ends',
    (b) => b.send(press('peg test'), press('peg test')),
    ['stop showing note', 'record choose', 'stop showing note', 'record choose'],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
  [
    'a reference in the middle of a peg test, and back',
    (b) =>
      b
        .send(press('peg test'), press('reference'))
        .hear(outcomeOf(readingAt(442)))
        .send(press('reference')),
    ['stop showing note', 'record choose'],
    message('advice.pegPluck', { string: 6 }),
  ],
  [
    'tuning by ear ends a peg test',
    (b) => b.send(press('peg test'), press('by ear')),
    ['stop showing note', 'record choose', 'stop showing note', 'record choose'],
    message('advice.byEar', { string: 6 }),
  ],
  [
    'starting afresh forgets the plucks',
    (b) => b.pluck(6, 98).pluck(6, 98).send(press('start afresh')),
    ['record reading', 'record reading', 'stop showing note', 'start afresh'],
    message('bench.farOff', {
      side: 'high',
      way: message('common.direction', { way: 'towards' }),
      turn: message('common.turnGuessed', {
        size: message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 2 }),
        }),
      }),
    }),
  ],
  [
    'another source takes the notice away',
    (b) => b.hear(outcomeOf(NOT_SURE)).send(press('listen')),
    [],
    message('bench.pluck', {
      string: message('common.stringAndNote', { string: 6, note: noteValue(40) }),
    }),
  ],
];

function planned(bench: Bench): void {
  Object.assign(bench.change, { planned: 3 });
  bench.send(press('accept'));
}

describe('the conversation at the bench', () => {
  for (const [name, play, done, says] of ROWS)
    it(name, () => {
      const bench = new Bench({});
      play(bench);
      expect(bench.done).to.deep.equal(done);
      expect(bench.says).to.deep.equal(plainFigures(says));
    });

  it('keeps a pluck in doubt until its string is named, and records it once', () => {
    // Between the second string and the first: B3 is 246.9, E4 329.6.
    const bench = new Bench({});
    bench.hear(outcomeOf(readingAt(shiftHz(TARGETS[1]!.hz, 250))));
    expect(bench.says).to.deep.equal(message('bench.whichString', { strings: list([2, 1], 'or') }));
    expect(bench.done).to.deep.equal(['record unattributed']);
    bench.send(choose(2), choose(2));
    expect(bench.done.slice(1)).to.deep.equal([
      'record attributed',
      'stop showing note',
      'record choose',
    ]);
    expect(stringOf(currentPass(bench.state), 2)?.readings).to.have.length(1);
    expect(bench.talk.plucks.at(-1)?.reading).to.include({ course: 2 });
  });

  it('no number answers no doubt: nothing is chosen any more', () => {
    const bench = new Bench({});
    bench.hear(outcomeOf(readingAt(shiftHz(TARGETS[1]!.hz, 250)))).send(choose(null));
    // Nothing was chosen that could be let go: nothing goes on record.
    expect(bench.done).to.deep.equal(['record unattributed', 'stop showing note']);
    bench.send(choose(6), choose(null));
    expect(bench.done.slice(2)).to.deep.equal([
      'stop showing note',
      'record choose',
      'stop showing note',
      'record choose',
    ]);
  });

  it('a number that answers no doubt chooses', () => {
    const bench = new Bench({});
    bench.hear(outcomeOf(readingAt(shiftHz(TARGETS[1]!.hz, 250)))).send(choose(6));
    expect(bench.done).to.deep.equal(['record unattributed', 'stop showing note', 'record choose']);
    expect(bench.heard).to.deep.equal([]);
  });

  it('the teacher has the last word on which string a pluck was', () => {
    const bench = new Bench({});
    bench.pluck(6, 0).pluck(5, -30);
    const hz = shiftHz(TARGETS[4]!.hz, -30);
    const readings = (course: number) => stringOf(currentPass(bench.state), course)?.readings ?? [];
    bench.send({ type: 'attribute', hz, course: 6 });
    expect([readings(5).length, readings(6).length]).to.deep.equal([0, 2]);
    expect(bench.talk.plucks.at(-1)?.reading).to.include({ course: 6 });
    bench.send({ type: 'attribute', hz, course: 5 });
    expect([readings(5).length, readings(6).length]).to.deep.equal([1, 1]);
    // No such pluck, no such string.
    bench.send({ type: 'attribute', hz: 1, course: 5 }, { type: 'attribute', hz, course: 9 });
    expect([readings(5).length, readings(6).length]).to.deep.equal([1, 1]);
  });

  it('asks which string it was where another one than the chosen one sounds, once', () => {
    const bench = new Bench({});
    for (const course of [4, 4, 5, 5]) bench.pluck(course, 0.5);
    bench.send(choose(4)).pluck(5, 0.5);
    expect(bench.says).to.deep.equal(message('bench.choseOther', { chosen: 4, other: 5 }));
    bench.send(choose(5));
    expect(stringOf(currentPass(bench.state), 5)?.readings).to.have.length(3);
    // Asked once, the sound counts for more the next time.
    bench.pluck(5, 0.4);
    expect(bench.says).to.deep.equal(message('advice.anotherString', { heard: 5 }));
    expect(stringOf(currentPass(bench.state), 5)?.readings).to.have.length(4);
  });

  it('says that all strings are flat until one is brought up, and never of one that is', () => {
    const bench = new Bench({});
    for (const course of [6, 5, 4]) bench.send(choose(course)).pluck(course, -310 - 10 * course);
    expect(bench.talk.flat).to.deep.equal({ semitones: 4, said: false });
    bench.pluck(4, -20);
    expect(bench.talk.flat).to.deep.equal({ semitones: 4, said: true });
    const one = new Bench({});
    one.pluck(6, 2).send(choose(5)).pluck(5, -340);
    expect(one.talk.flat).to.equal(null);
  });

  it('knows of a note what rang after its reading, and of no other', () => {
    const bench = new Bench({});
    const ring = (from: number) =>
      Array.from({ length: 60 }, (_, i) => from + 0.02 * i).forEach((sinceOnset) =>
        bench.hear({ type: 'track', point: { sinceOnset, hz: 83, clarity: 1 } as never }),
      );
    bench.pluck(6, 0);
    ring(0.1);
    bench.hear({ type: 'released', at: 2 });
    expect(bench.talk.plucks[0]?.ringing?.endHz).to.equal(83);
    // A note that was a reference leaves the pluck before it as it was.
    bench.send(press('reference')).hear(outcomeOf(readingAt(440)));
    ring(0.1);
    bench.hear({ type: 'onset', at: 4, asked: 0 });
    expect(bench.talk.plucks).to.have.length(1);
    expect(bench.talk.track).to.deep.equal([]);
  });

  it('draws nothing anew while a note only rings on', () => {
    const { talk, world } = new Bench({});
    const point = { sinceOnset: 0.1, hz: 82 } as never;
    const heard = { type: 'track', point } as const;
    const asked = NOTHING_ASKED;
    expect(benchTalk(talk, { type: 'heard', heard, asked }, world).quiet).to.equal(true);
  });

  it('learns of a peg from an unheard turn that was advised, once', () => {
    const bench = new Bench({});
    bench.pluck(6, -40).pluck(6, -4).send(choose(6));
    expect(bench.done.filter((one) => one === 'save peg')).to.have.length(1);
    const practising = new Bench({ practice: true });
    expect(practising.pluck(6, -40).pluck(6, -4).done).to.not.include('save peg');
    // Smaller than a hand's own scatter.
    expect(new Bench({}).pluck(6, -10).pluck(6, -4).done).to.not.include('save peg');
  });

  it('offers the A4 with which a set of strings is right', () => {
    const bench = new Bench({});
    for (const course of [6, 5, 4, 3, 2, 1]) bench.pluck(course, -18);
    const fault = benchFault(bench.talk, bench.world);
    expect(fault).to.include({ rule: 'in tune with itself' });
    // 440 Hz × 2^(−18/1200) = 435.45 Hz.
    expect(fault?.rule === 'in tune with itself' && fault.ownA4).to.be.closeTo(435.45, 0.01);
  });

  it('announces every reading once', () => {
    const bench = new Bench({});
    bench.pluck(6, -20).hear(outcomeOf(NOT_SURE)).pluck(6, -3);
    expect(bench.talk.newest?.nth).to.equal(2);
  });

  it('works on the chosen string, else the planned one, else the next', () => {
    const { state } = new Bench({});
    expect(courseInHand(state, undefined)).to.equal(6);
    expect(courseInHand(state, 4)).to.equal(4);
    expect(courseInHand({ ...state, active: 2 }, 4)).to.equal(2);
  });

  it('has no comparison where the tuning is no longer known', () => {
    const bench = new Bench({ tuning: null });
    expect(bench.send(press('compare')).done).to.deep.equal([]);
  });
});

describe('with both hands on the instrument', () => {
  const ALL = [6, 5, 4, 3, 2, 1];
  const pass = (bench: Bench, cents: number) => {
    for (const course of ALL) bench.pluck(course, cents).pluck(course, cents);
    return bench;
  };
  const passes = ({ state }: Bench) => state.passes.length;

  it('a string that was chosen is let go once two plucks agree, and not before', () => {
    const bench = new Bench().send({ type: 'choose', course: 3 }).pluck(3, 0.4);
    expect(bench.state.chosen).to.equal(3);
    bench.pluck(3, 0.5);
    expect(bench.state.chosen).to.equal(null);
    expect(bench.pluck(2, -9).state.active).to.equal(2);
  });

  it('another string than the chosen one does not let it go', () => {
    const bench = new Bench().send({ type: 'choose', course: 3 }).pluck(3, 30).pluck(3, 29);
    expect(bench.state.chosen).to.equal(3);
  });

  it('the first pluck after a pass with turns begins the next pass', () => {
    const bench = pass(new Bench().pluck(6, -20), 0.5);
    expect(passes(bench)).to.equal(1);
    bench.pluck(4, 0.3);
    expect(passes(bench)).to.equal(2);
    expect(
      currentPass(bench.state).strings.find(({ course }) => course === 4)?.readings.length,
    ).to.equal(1);
    expect(passes(bench.pluck(3, 0.3))).to.equal(2);
  });

  it('a note that still rings begins none', () => {
    const ringing = pass(new Bench().pluck(6, -20), 0.5);
    ringing.hear(pluckOf(TARGETS, 1, 0.6));
    expect(passes(ringing)).to.equal(1);
  });

  it('a pass in which nothing had to move is the last one', () => {
    const bench = pass(pass(new Bench().pluck(6, -20), 0.5), 0.4);
    expect(passes(bench)).to.equal(2);
    expect(bench.says).to.deep.equal(message('bench.inTune'));
    expect(passes(bench.pluck(2, 0.3))).to.equal(2);
  });

  describe('another instrument in the room', () => {
    const NEAR = { peak: -16, attack: -6, rise: -0.5, ripple: 1.4 };
    const ACROSS = { peak: -27, attack: -9.5, rise: -6, ripple: 3.6 };
    const played = (course: number, cents: number, presence: Presence) => {
      const event = pluckOf(TARGETS, course, cents);
      if (event.outcome.kind !== 'reading') throw new Error('no reading');
      return { ...event, outcome: { ...event.outcome, presence } };
    };

    it('is kept, counts for nothing, and leaves the sentence as it is', () => {
      const bench = new Bench().hear(played(6, -20, NEAR)).hear(played(6, -12, NEAR));
      const { says } = bench;
      bench.hear(played(4, 7, ACROSS));
      expect(bench.says).to.deep.equal(says);
      expect(bench.heard.map(({ course }) => course)).to.deep.equal([6, 6]);
      expect(bench.state.history.at(-1)).to.deep.include({ type: 'unattributed' });
      expect(bench.talk.notOurs?.course).to.equal(4);
      expect(bench.hear(played(6, -5, NEAR)).talk.notOurs, 'until ours sounds').to.equal(null);
    });

    it('counts once the teacher says that it was this one, and is known from then on', () => {
      const bench = new Bench().hear(played(6, -20, NEAR)).hear(played(4, 7, ACROSS));
      const { hz, course } = bench.talk.notOurs!;
      bench.send({ type: 'attribute', hz, course });
      expect(bench.talk.notOurs).to.equal(null);
      expect(bench.talk.newest?.reading.course).to.equal(4);
      bench.hear(played(4, 6, { ...ACROSS, attack: -9 }));
      expect(bench.talk.notOurs, 'played from there now').to.equal(null);
      expect(bench.heard.at(-1)?.course).to.equal(4);
    });

    it('is believed to be this one where the string that is asked for is plucked again and again', () => {
      const moved = new Bench().hear(played(6, -20, ACROSS));
      expect(moved.heard, 'the first is left out').to.have.length(0);
      expect(moved.hear(played(6, -20, ACROSS)).heard, 'the second counts').to.have.length(1);
      expect(moved.hear(played(6, -19, ACROSS)).heard, 'and so does what follows').to.have.length(
        2,
      );
      // Once ours is known it takes a third; a note that is not asked for stays left out.
      const known = new Bench().hear(played(6, -20, NEAR));
      for (let n = 0; n < 2; n++) known.hear(played(6, -20, ACROSS));
      expect(known.heard).to.have.length(1);
      expect(known.hear(played(6, -20, ACROSS)).heard).to.have.length(2);
      const other = new Bench().hear(played(6, -20, NEAR));
      for (let n = 0; n < 5; n++) other.hear(played(3, 4, ACROSS));
      expect(other.heard).to.have.length(1);
    });

    it('is no question of a practice instrument, which is in no room', () => {
      const bench = new Bench({ practice: true }).hear(played(6, -20, ACROSS));
      expect(bench.heard).to.have.length(1);
    });
  });

  describe('a string that is turned while it rings', () => {
    /** A ringing string 5 at these cents, a value every 20 ms from a moment on. */
    const ring = (bench: Bench, from: number, ...cents: readonly number[]) =>
      cents.forEach((c, i) => {
        const point = {
          sinceOnset: from + 0.02 * i,
          hz: shiftHz(TARGETS[4]!.hz, c),
          clarity: 0.9,
        };
        bench.hear({ type: 'track', point });
      });
    const turned = (cents: number) => {
      const { outcome, ...event } = pluckOf(TARGETS, 5, cents);
      if (outcome.kind !== 'reading') throw new Error('no reading');
      return { ...event, outcome: { ...outcome, turned: true as const }, again: true as const };
    };
    const upwards = Array.from({ length: 22 }, (_, i) => -60 + 1.2 * i);
    const begun = () => {
      const bench = new Bench().send({ type: 'choose', course: 5 }).pluck(5, -60);
      ring(bench, 0.3, ...Array.from({ length: 10 }, () => -60), ...upwards);
      return bench;
    };

    it('is called out while it rings, and stays the string that it was', () => {
      const bench = begun();
      expect(bench.says).to.deep.equal(message('bench.turning', { call: 'keep', way: 'up' }));
      bench.hear(turned(-1));
      expect(bench.state.history.at(-1)).to.deep.include({ type: 'reading' });
      expect(bench.heard.map(({ course }) => course)).to.deep.equal([5, 5]);
      expect(stringOf(currentPass(bench.state), 5)?.standing).to.equal('at rest');
      // The note is still the one that was turned: only another pluck confirms it.
      bench.hear(turned(-0.8));
      expect(stringOf(currentPass(bench.state), 5)?.standing).to.equal('at rest');
      bench.pluck(5, -0.7);
      expect(stringOf(currentPass(bench.state), 5)?.standing).to.equal('done');
    });

    it('asks for no button before it is done, and then for the next string', () => {
      const bench = begun();
      const act = () => actAsked(benchSaying(bench.talk, bench.world));
      expect(act()).to.equal(null);
      bench.hear(turned(-1));
      expect(act()).to.equal(null);
      bench.pluck(5, -0.7);
      expect(act()).to.equal('accept');
      for (const course of [6, 4, 3, 2, 1]) bench.pluck(course, 0.2).pluck(course, 0.3);
      expect(act()).to.equal('next pass');
    });

    it('words and drawing name the same way to turn, whatever was heard', () => {
      const ways = new Set<string>();
      fc.assert(
        fc.property(
          fc.array(fc.tuple(fc.integer({ min: 1, max: 6 }), fc.integer({ min: -160, max: 160 })), {
            minLength: 1,
            maxLength: 6,
          }),
          (plucks) => {
            const bench = new Bench();
            for (const [course, cents] of plucks) bench.send(choose(course)).pluck(course, cents);
            const saying = benchSaying(bench.talk, bench.world);
            const said = JSON.stringify(sayingInWords(saying));
            const [, way = null] = /"common.direction","args":\{"way":"(\w+)"/.exec(said) ?? [];
            ways.add(String(way));
            const course = courseInHand(bench.state, undefined);
            const { tighten } = steelGuitar('g', 'G').courses[course - 1]!.strings[0]!.peg;
            const drawn = turnAsked(saying, tighten);
            expect(drawn && directionInWords(drawn).args?.way, said).to.equal(way);
          },
        ),
        { numRuns: 300, seed: 61 },
      );
      expect([...ways]).to.include.members(['away', 'towards', 'null']);
    });

    it('is plucked again where it does not stand still', () => {
      const bench = begun();
      bench.hear({ ...outcomeOf({ kind: 'turned' }), again: true });
      expect(bench.says).to.deep.equal(message('advice.turned'));
      expect(bench.heard).to.have.length(1);
      bench.pluck(5, -3);
      expect(bench.talk.notice).to.equal(null);
    });

    it('says nothing of it by ear, where the figures are hidden', () => {
      const bench = new Bench().send({ type: 'by ear' }).pluck(5, -60);
      ring(bench, 0.3, ...Array.from({ length: 10 }, () => -60), ...upwards);
      expect(bench.talk.called).to.equal(null);
    });
  });
});
