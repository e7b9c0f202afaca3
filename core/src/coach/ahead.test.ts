import { expect } from 'chai';
import type { Coupling } from '../strings/index.ts';
import {
  aimOf,
  type BenchState,
  beatAdvice,
  byEarAdvice,
  earVerdict,
  type HeardPluck,
  hearPluck,
  pairAdvice,
  passesToCome,
  replay,
  ringingOf,
  type StringReading,
  standings,
  startBench,
  whyMoved,
} from './index.ts';

/** Three strings; a cent of any takes the others down by a twentieth. */
const known: Coupling = {
  matrix: [
    [0, -0.05, -0.05],
    [-0.05, 0, -0.05],
    [-0.05, -0.05, 0],
  ],
  error: 0.15,
  turns: 30,
};
const guess: Coupling = { ...known, error: 1, turns: 0 };
const GOAL = { order: [3, 2, 1], tolerance: 2 };
const NOTHING = [null, null, null];
const reading = (course: number, cents: number, aim = 0): StringReading => ({
  course,
  cents,
  errorCents: 0.3,
  moving: false,
  hz: 200 * 2 ** (cents / 1200),
  ...(aim !== 0 && { aim }),
});

describe('where the strings stand', () => {
  it('is where they were read, and what turns since did to them', () => {
    // String 3 up by 40 takes the others down by 2; string 2 read afterwards is as it was found.
    const readings = [reading(1, -10), reading(3, -40), reading(3, 0), reading(2, -20)];
    const now = standings(readings, NOTHING, known);
    expect(now[0]).to.be.closeTo(-12, 0.1);
    expect(now[1]).to.equal(-20);
    expect(now[2]).to.equal(0);
  });

  it('a string that was not heard stays unknown', () => {
    expect(standings([reading(3, -40), reading(3, 0)], NOTHING, known)).to.deep.equal([
      null,
      null,
      0,
    ]);
  });
});

describe('the aim on the bench', () => {
  const heard = [reading(1, -40), reading(2, -40), reading(3, -40)];
  const state = replay(
    GOAL,
    heard.map((r) => ({ type: 'reading' as const, reading: r })),
  );
  const now = standings(heard, NOTHING, known);

  it('lies above the target of the first string by what the others will take, 0 for the last', () => {
    // Strings 2 and 1 come up by about 44 and 42: a twentieth of that is 4.3.
    expect(aimOf(state, 3, now, known)).to.be.within(3.8, 4.8);
    const last = { ...state, passes: [onlyOpen(state, 1)] };
    expect(aimOf(last, 1, now, known)).to.equal(0);
  });

  it('is off while the coupling is a guess, and with all strings near', () => {
    expect(aimOf(state, 3, now, guess)).to.equal(0);
    expect(aimOf(state, 3, [-9, -8, -10], known)).to.equal(0);
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

describe('what rings', () => {
  const track = (hz: (t: number) => number) =>
    Array.from({ length: 60 }, (_, i) => 0.08 + 0.02 * i).flatMap((t) => [t, hz(t)]);

  it('a steady note neither begins sharp nor moves', () => {
    const ringing = ringingOf(track(() => 196))!;
    expect(ringing.attackCents).to.be.closeTo(0, 1e-9);
    expect(ringing.fastest).to.be.closeTo(0, 1e-6);
    expect(ringing.endHz).to.equal(196);
  });

  it('tells a sharp start and a turn with its speed and direction', () => {
    const hard = ringingOf(track((t) => 196 * 2 ** ((14 * Math.exp(-t / 0.09)) / 1200)))!;
    expect(hard.attackCents).to.be.within(3, 7);
    const turned = ringingOf(
      track((t) => 196 * 2 ** ((-100 * Math.min(1, Math.max(0, t - 0.5))) / 1200)),
    )!;
    expect(turned.fastest).to.be.closeTo(-100, 3);
    expect(ringingOf([0.1, 196])).to.equal(null);
  });
});

describe('by ear', () => {
  const pluck = (cents: number, endCents = cents): HeardPluck => ({
    reading: reading(3, cents),
    refusal: null,
    chosen: null,
    ringing: { attackCents: 0, fastest: 0, endHz: 200 * 2 ** (endCents / 1200) },
    levelDbfs: -20,
    clipped: false,
  });

  it('gives nothing away before, and tells both checks after', () => {
    expect(byEarAdvice(3).say).to.not.match(/low|high|tighten|loosen/i);
    expect(earVerdict([pluck(-30, 0.4), pluck(0.5)], 3, 2)).to.deep.equal({
      say: 'Ear and display agree.',
      more: 'The last movement was upward, as it should be.',
    });
    expect(earVerdict([pluck(20, 5), pluck(5)], 3, 2)).to.deep.equal({
      say: 'Your ear left it 5.0 cents high.',
      more: 'The last movement was downward: go below, then come up once.',
    });
    expect(earVerdict([pluck(0.3)], 3, 2)?.more).to.equal('It was not moved.');
    expect(earVerdict([], 3, 2)).to.equal(null);
  });
});

describe('a comparison of two strings', () => {
  it('is asked for and judged in words', () => {
    const check = { held: { course: 4, fret: 4 }, open: 3, octaves: 0 };
    expect(pairAdvice(check).say).to.equal('Sound string 4 at fret 4 and open string 3 together.');
    expect(beatAdvice({ kind: 'beat', hz: 1.83, cents: 16.1 }).say).to.equal(
      'They beat 1.8 times a second: about 16 cents apart.',
    );
    expect(beatAdvice({ kind: 'beat', hz: 0.3, cents: 3 }).say).to.match(/^They agree/);
    expect(beatAdvice({ kind: 'no beat', within: 0.7 }).more).to.equal('Closer than 1 cents.');
    expect(beatAdvice({ kind: 'not heard' }).say).to.match(/Sound both again/);
  });
});
