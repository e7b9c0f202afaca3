import { expect } from 'chai';
import { readPlucks } from '../listen/index.ts';
import { findTuning, targetsOf } from '../music/index.ts';
import { steelGuitar } from '../strings/index.ts';
import {
  creepAt,
  freshCreep,
  PracticeInstrument,
  referenceTone,
  soundCheck,
  sustainedTone,
} from './index.ts';

const targets = targetsOf(findTuning('guitar-standard')!, 440).map((target) => target.hz);
const guitar = (seed: number, coupling = 0.04) =>
  new PracticeInstrument({
    instrument: steelGuitar('g', 'G'),
    targets,
    detune: [-10, 5, 0, 0, -30, 20],
    seed,
    sampleRate: 24_000,
    coupling,
  });

const play = (seed: number) => {
  const one = guitar(seed);
  const sound = new Float32Array(12_000);
  one.pluck(3);
  one.render(sound.subarray(0, 5000));
  one.turn(3, 0.02);
  one.render(sound.subarray(5000));
  return sound;
};

describe('practice guitar', () => {
  it('starts where it was set, neck and all', () => {
    const one = guitar(1);
    [-10, 5, 0, 0, -30, 20].forEach((cents, i) => {
      expect(one.deviation(i + 1)).to.be.closeTo(cents, 1e-3);
    });
  });

  it('sounds the same for the same seed, otherwise for another', () => {
    expect(play(5)).to.deep.equal(play(5));
    expect(play(5)).to.not.deep.equal(play(6));
  });

  it('hangs slack and is wound up again at an even pace, stiffer the slacker it is', () => {
    const one = guitar(1, 0);
    const { inharmonicity } = one.truth(6);
    one.slacken(6, 1200);
    // Half the pitch is a quarter of the tension, by Mersenne, and four times as stiff.
    expect(one.deviation(6)).to.be.closeTo(20 - 1200, 5);
    expect(one.truth(6).inharmonicity / inharmonicity).to.be.closeTo(4, 0.1);
    one.wind(6, 300, 1);
    const second = new Float32Array(24_000);
    one.render(second.subarray(0, 12_000));
    expect(one.deviation(6)).to.be.closeTo(20 - 1050, 5);
    one.render(second.subarray(12_000));
    one.render(second);
    expect(one.deviation(6)).to.be.closeTo(20 - 900, 5);
  });

  it('goes up when a peg is tightened, and bends the neck so that the others fall', () => {
    const one = guitar(1);
    const before = one.deviation(6);
    one.turn(1, 0.1);
    expect(one.deviation(1)).to.be.above(0);
    expect(one.deviation(6)).to.be.below(before);
    const stiff = guitar(1, 0);
    stiff.turn(1, 0.1);
    expect(stiff.deviation(6)).to.be.closeTo(20, 1e-3);
  });

  it('bends the neck by the pull of all strings alike: each falls by its coupling times what one gained', () => {
    const stiff = guitar(1, 0);
    stiff.turn(1, 0.02);
    // Without the neck in it: what the tension alone gained the string, a cent being T · ln 2 / 600.
    const gained = stiff.deviation(1) + 10;
    const one = guitar(1);
    const before = one.deviation(6);
    one.turn(1, 0.02);
    expect(gained).to.be.within(2, 60);
    expect((one.deviation(6) - before) / gained).to.be.closeTo(-0.04, 0.002);
  });

  it('has no string 7', () => {
    expect(() => guitar(1).pluck(7)).to.throw('no string 7');
  });
});

describe('new practice strings', () => {
  const creep = { law: 'logarithm', size: 20, scale: 300, jump: 1500 } as const;
  const fresh = (roomSwing = 0) =>
    new PracticeInstrument({
      instrument: steelGuitar('g', 'G'),
      targets,
      detune: targets.map(() => 0),
      seed: 4,
      sampleRate: 24_000,
      coupling: 0,
      creep: targets.map((_, i) => (i === 0 ? { creep: [creep], age: 60 } : null)),
      roomSwing,
    });

  it('creep by their law, the others stay', () => {
    const one = fresh();
    one.elapse(3600);
    const exact = creepAt(creep, 3660) - creepAt(creep, 60);
    expect(one.deviation(1)).to.be.closeTo(-exact, 1e-6);
    expect(one.deviation(2)).to.be.closeTo(0, 1e-6);
  });

  it('give by a pull what time would have taken, by a tenth more or less, and faster when played', () => {
    const one = fresh();
    one.stretch(1);
    one.stretch(2);
    const usual = creepAt(creep, 1560) - creepAt(creep, 60);
    expect(-one.deviation(1) / usual).to.be.within(0.7, 1.3);
    expect(one.deviation(2)).to.be.closeTo(0, 1e-6);
    const [played, hung] = [fresh(), fresh()];
    played.play(600);
    hung.elapse(600);
    expect(played.deviation(1)).to.be.below(hung.deviation(1));
  });

  it('go up and down with the room, all alike', () => {
    const one = fresh(3);
    one.elapse(6 * 3600);
    expect(one.deviation(2)).to.be.closeTo(3, 0.01);
    expect(one.deviation(6)).to.be.closeTo(3, 0.01);
  });

  it('are the same for the same restringing', () => {
    expect(freshCreep('a', 1, 'nylon')).to.deep.equal(freshCreep('a', 1, 'nylon'));
    expect(freshCreep('a', 1, 'nylon')).to.not.deep.equal(freshCreep('b', 1, 'nylon'));
  });
});

describe('fretted practice strings', () => {
  it('sound where the neck and the finger put them, the harmonic at twice the open string', () => {
    const sounded = (act: (one: PracticeInstrument) => void) => {
      const one = guitar(3, 0);
      const sound = new Float32Array(36_000);
      one.render(sound.subarray(0, 12_000));
      act(one);
      one.render(sound.subarray(12_000));
      const outcome = readPlucks(sound, 24_000)[0]?.outcome;
      if (outcome?.kind !== 'reading') throw new Error(outcome?.kind);
      return outcome.f0Hz;
    };
    const open = sounded((one) => one.pluck(3));
    const fifth = sounded((one) => one.pluckFretted(3, 5, 'normal'));
    const cents = 1200 * Math.log2(fifth / open) - 500;
    expect(cents).to.be.closeTo(guitar(3, 0).fretError(3, 5, 'normal'), 2.5);
    const octave = sounded((one) => one.pluckFretted(3, 12, null));
    expect(1200 * Math.log2(octave / open)).to.be.closeTo(1200, 2);
  });
});

describe('reference tone', () => {
  it('is heard at its target', () => {
    const tone = referenceTone(196, 48_000);
    const sound = new Float32Array(tone.length + 24_000);
    sound.set(tone, 24_000);
    const outcome = readPlucks(sound, 48_000)[0]!.outcome;
    if (outcome.kind !== 'reading') throw new Error(outcome.kind);
    expect(Math.abs(1200 * Math.log2(outcome.hz / 196))).to.be.below(0.5);
  });
});

describe('a comparison that is sounded', () => {
  const check = (held: { course: number; fret: number }, open: number) => {
    const instrument = steelGuitar('g', 'G');
    const sound = soundCheck({ instrument, openHz: targets, held, open }, 24_000);
    // The ear wants to know the room before the first pluck.
    const padded = new Float32Array(sound.length + 12_000);
    padded.set(sound, 12_000);
    return readPlucks(padded, 24_000).flatMap(({ outcome }) =>
      outcome.kind === 'reading' ? [outcome.hz] : [],
    );
  };

  it('gives both sides the same pitch where they should agree', () => {
    const [held, open] = check({ course: 6, fret: 5 }, 5);
    expect(1200 * Math.log2(held! / targets[4]!)).to.be.closeTo(0, 3);
    expect(1200 * Math.log2(open! / targets[4]!)).to.be.closeTo(0, 3);
  });

  it('and an octave apart where they are', () => {
    const [held, open] = check({ course: 6, fret: 3 }, 3);
    expect(1200 * Math.log2(open! / held!)).to.be.closeTo(1200, 4);
  });
});

describe('the sustained tone', () => {
  it('swells, keeps its level and its pitch, and ends softly', () => {
    const tone = sustainedTone(220, 24_000);
    const level = (from: number, to: number) =>
      Math.max(...tone.subarray(from * 24_000, to * 24_000).map(Math.abs));
    expect(level(0, 0.01)).to.be.below(0.02);
    expect(level(1, 1.2)).to.be.closeTo(level(2, 2.2), 0.01);
    expect(level(2.99, 3)).to.be.below(0.02);
    // One period of 220 Hz later it is the same.
    const period = Math.round((24_000 / 220) * 11);
    expect(tone[30_000 + period]!).to.be.closeTo(tone[30_000]!, 0.01);
  });
});

describe('the reference tone', () => {
  it('has the pitch that it is asked for, and ends softly', () => {
    const tone = referenceTone(220, 24_000);
    const padded = new Float32Array(tone.length + 12_000);
    padded.set(tone, 6000);
    const [pluck] = readPlucks(padded, 24_000);
    const heard = pluck?.outcome.kind === 'reading' ? pluck.outcome.hz : 0;
    expect(1200 * Math.log2(heard / 220)).to.be.closeTo(0, 0.5);
    const level = (from: number, to: number) =>
      Math.max(...tone.slice(Math.round(from), Math.round(to)).map(Math.abs));
    const end = tone.length;
    // The last quarter of a second fades out evenly, on top of the string's own decay.
    expect(level(end - 240, end)).to.be.below(0.05 * level(end - 7200, end - 6000));
    expect(level(end - 3600, end - 2400)).to.be.below(0.7 * level(end - 7200, end - 6000));
  });
});
