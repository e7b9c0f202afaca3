import { expect } from 'chai';
import type { Refusal } from '../listen/index.ts';
import { message, noteValue } from '../message.ts';
import { plainFigures } from '../messageFixture.ts';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import { faultInWords } from '../sentences/index.ts';
import { type BenchEvent, type BenchState, benchAfter, startBench } from '../sitting/index.ts';
import { expectedCoupling } from '../strings/index.ts';
import {
  type CoachView,
  type Fault,
  faultOf,
  type HeardPluck,
  type Ringing,
  type Rule,
} from './index.ts';

const TARGETS = targetsOf(findTuning('guitar-standard')!, 440);
const COUPLING = expectedCoupling({ tensions: [72, 69, 74, 82, 86, 78], bridge: 'fixed' });

interface Pluck {
  readonly course?: number;
  readonly cents?: number;
  readonly error?: number;
  readonly chosen?: number | null;
  readonly refusal?: Refusal;
  readonly ringing?: Partial<Ringing> & { readonly endCents?: number };
  readonly level?: number;
  readonly clipped?: boolean;
}

/** What the coach says after some plucks and decisions; plucks are given by string and cents. */
function after(...steps: readonly (Pluck | BenchEvent)[]) {
  return judge(steps).fault;
}

function judge(steps: readonly (Pluck | BenchEvent)[], change: Partial<CoachView> = {}) {
  let state: BenchState = startBench({ order: [6, 5, 4, 3, 2, 1], tolerance: 2 });
  const heard: HeardPluck[] = [];
  for (const step of steps) {
    if ('type' in step) {
      state = benchAfter(state, step);
      continue;
    }
    const { course = 3, cents = 0, error = 0.3 } = step;
    const hz = (at: number) => shiftHz(TARGETS[course - 1]!.hz, at);
    const reading = { course, cents, errorCents: error, moving: false, hz: hz(cents) };
    if (!step.refusal) state = benchAfter(state, { type: 'reading', reading });
    const { endCents = cents, attackCents = 1, fastest = 0 } = step.ringing ?? {};
    heard.push({
      reading: step.refusal ? null : reading,
      refusal: step.refusal ?? null,
      chosen: step.chosen ?? null,
      ringing: { attackCents, fastest, endHz: hz(endCents) },
      levelDbfs: step.level ?? -24,
      clipped: step.clipped ?? false,
    });
  }
  const strings = TARGETS.map((target) => ({
    target,
    tighten: 'awayFromYou' as const,
    headroom: () => 6,
  }));
  const view = { state, strings, coupling: COUPLING, a4: 440, retuning: false, ...change };
  return { fault: faultOf(heard, view), view };
}

const words = (fault: Fault | null) => fault && faultInWords(fault);

const NOT_SURE: Refusal = { kind: 'not sure', reason: 'no pitch' };
/** Turned as it rang, from one place to another. */
const turned = (from: number, to: number): Pluck => ({ cents: from, ringing: { endCents: to } });

/** For each rule: plucks that must provoke it, and like ones that must not. */
const CASES: readonly (readonly [Rule, readonly Pluck[], readonly Pluck[]])[] = [
  ['wrong octave', [{ cents: -1180 }], [{ cents: -1090 }]],
  ['wrong octave', [{ cents: 1210 }], [{ cents: 30 }]],
  ['too slack', [{ cents: -1900 }], [{ cents: -300 }]],
  [
    'too slack',
    [1, 2, 3].map(() => ({ refusal: NOT_SURE, chosen: 3 })),
    [1, 2, 3].map(() => ({ refusal: NOT_SURE })),
  ],
  [
    'another string',
    [
      { course: 2, cents: 1 },
      { course: 2, cents: 1, chosen: 3 },
    ],
    [
      { course: 2, cents: 1 },
      { course: 3, cents: -300, chosen: 3 },
    ],
  ],
  ['floppy or tight', [{ cents: 600 }], [{ cents: -600 }]],
  [
    'wrong peg',
    [
      { course: 2, cents: 1 },
      { course: 3, cents: -20 },
      { course: 3, cents: -20.4 },
      { course: 2, cents: 36 },
    ],
    [
      { course: 2, cents: 1 },
      { course: 3, cents: -20 },
      { course: 3, cents: 0.4 },
      { course: 2, cents: 0.2 },
    ],
  ],
  [
    'does not move',
    [{ cents: -20 }, { cents: -20.3 }, { cents: -19.8 }],
    [{ cents: -20 }, { cents: -20.3 }],
  ],
  [
    'sticks at the nut',
    [{ cents: -14 }, { cents: -13.6 }, { cents: -13.9 }, { cents: 4 }],
    [{ cents: -14 }, { cents: -13.6 }, { cents: -13.9 }, { cents: -2.5 }],
  ],
  ['wrong way', [turned(-20, -34), { cents: -34 }], [turned(-20, -9), { cents: -9 }]],
  // Dropping below on purpose, to come up again, is no mistake.
  ['wrong way', [turned(12, 26), { cents: 26 }], [turned(8, -6), { cents: -6 }]],
  ['unheard turn', [{ cents: -150 }, { cents: -20 }], [turned(-150, -20), { cents: -20 }]],
  ['slips back', [turned(-20, 0), { cents: -6 }], [turned(-20, 0), { cents: -0.8 }]],
  ['slips back', [{ cents: 0.5 }, { cents: -5 }], [{ cents: 0.5 }, { cents: -0.6 }]],
  [
    'to and fro',
    [turned(-9, 8), turned(8, -7), turned(-7, 9), { cents: 9 }],
    [turned(-9, 8), turned(8, -7), { cents: -7 }],
  ],
  [
    'too fast',
    [{ cents: -20, ringing: { endCents: -20, fastest: 260 } }],
    [{ cents: -20, ringing: { endCents: -20, fastest: 70 } }],
  ],
  ['a semitone off', [{ cents: 98 }, { cents: 98.5 }], [{ cents: 98 }, { cents: 70 }]],
  [
    'no arrival',
    Array.from({ length: 9 }, (_, i) => (i % 2 ? turned(-12, -7) : turned(-7, -12))),
    Array.from({ length: 9 }, (_, i) => turned(-40 + 4 * i, -36 + 4 * i)),
  ],
  ['clipped', [{ clipped: true }], [{ clipped: false }]],
  ['clipped', [{ clipped: true, refusal: NOT_SURE }], [{ refusal: NOT_SURE }]],
  ['hard pluck', [{ ringing: { attackCents: 6 } }], [{ ringing: { attackCents: 2 } }]],
  ['too faint', [{ level: -56 }], [{ level: -30 }]],
  [
    'in tune with itself',
    [6, 5, 4, 3, 2, 1].map((course) => ({ course, cents: -18 + 0.3 * course })),
    [6, 5, 4, 3, 2, 1].map((course) => ({ course, cents: -18 + 6 * course })),
  ],
];

describe('the coach', () => {
  for (const [rule, wrong, right] of CASES)
    it(`knows ${rule} by ${wrong.length} pluck${wrong.length > 1 ? 's' : ''}, and what is none`, () => {
      expect(after(...wrong)?.rule).to.equal(rule);
      expect(after(...right)?.rule).to.not.equal(rule);
    });

  it('says nothing before the first pluck, nor of a string brought up and at rest', () => {
    expect(after()).to.equal(null);
    expect(after(turned(-20, 0.5), { cents: 0.4 }, { cents: 0.6 })).to.equal(null);
  });

  it('cautions of a string near breaking before it is raised', () => {
    const near = (cents: number) => {
      const { view } = judge([{ cents }]);
      const strings = view.strings.map((s) => ({ ...s, headroom: () => 2.1 }));
      return judge([{ cents }], { strings }).fault;
    };
    expect(words(near(-20))?.say).to.deep.equal(
      message('advice.nearBreaking', { string: 3, semitones: 2.1 }),
    );
    expect(near(5)).to.equal(null);
  });

  it('has a string looked at that still moves after three passes', () => {
    const pass = (cents: number): (Pluck | BenchEvent)[] => [
      { cents },
      turned(cents, 0),
      { cents: 0 },
      { type: 'next pass' },
    ];
    const three = [...pass(-9), ...pass(-6), ...pass(-6)];
    expect(words(after(...three, { cents: -6 }))?.say).to.deep.equal(
      message('advice.stillMoving', { string: 3, passes: 3 }),
    );
    expect(after(...three, { cents: -0.5 })).to.equal(null);
  });

  it('does not take a retuning for a mistake', () => {
    const plucks = [{ cents: -600 }, { cents: -100 }];
    expect(judge(plucks, { retuning: true }).fault).to.equal(null);
    expect(judge(plucks).fault?.rule).to.equal('unheard turn');
  });

  it('names the letter and the sign', () => {
    expect(words(after({ cents: 98 }, { cents: 98 }))?.say).to.deep.equal(
      message('advice.semitoneOffNoTurn', {
        side: 'high',
        heard: noteValue(56),
        wanted: noteValue(55),
        way: message('common.direction', { way: 'towards' }),
      }),
    );
    // A semitone above B is C: another letter, seen without help.
    expect(after({ course: 2, cents: 98 }, { course: 2, cents: 98 })).to.equal(null);
  });

  it('offers to keep a set of strings that agrees with itself', () => {
    const { more } = words(after(...[6, 5, 4, 3, 2, 1].map((course) => ({ course, cents: -18 }))))!;
    // 440 · 2^(−18/1200).
    expect(plainFigures(more ?? null)).to.deep.equal(
      message('advice.withItself.more', { ownA4: 435.448929, a4: 440 }),
    );
  });
});
