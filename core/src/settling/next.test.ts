import { expect } from 'chai';
import { message, noteValue } from '../message.ts';
import { settlingTaskInWords } from '../sentences/index.ts';
import {
  historyOf,
  type SettlingReport,
  type SettlingRules,
  type SettlingStep,
  type SettlingString,
  type StringSettling,
  settlingReport,
  settlingStep,
  type Taken,
} from './index.ts';
import { AT, LAWS, Strings } from './worldFixture.ts';

const RULES: SettlingRules = { tuned: 2, lesson: 5, way: 'roundByRound', high: 0 };
const REST = {
  lesson: message('settle.lesson', { minutes: 45 }),
  sure: message('settle.sureUntil', { when: '16:20' }),
  look: '16:45',
};
const CLOCK = { now: AT, look: null };
const GOAL = { tolerance: 5, lesson: 2700 };

const outlook = (promise: number, lesson: number) => ({
  promise,
  hold: { expected: promise, low: promise, high: promise },
  lesson,
});

/** A string whose last readings are these, and what is known of it; null while it is worked out. */
function string(
  course: number,
  steps: readonly (readonly [Taken['step'], number, number])[],
  known: Partial<StringSettling> | null = {},
  headroom = 6,
): SettlingString {
  const taken = steps.map(([step, cents, seconds]): Taken => {
    const at = AT + 1000 * seconds;
    return {
      course,
      at,
      really: at,
      cents,
      errorCents: 0.3,
      hz: 200,
      step,
      byHand: false,
      doubt: null,
    };
  });
  const history = historyOf(course, AT - 60_000, taken, 'nylon');
  const last = history.last?.cents ?? 0;
  const state = known && {
    history,
    stands: Math.abs(last) <= 5 ? outlook(300, 0.2) : null,
    lifted: outlook(300, 0.2),
    holds: false,
    watch: null,
    sureAfter: 720,
    pull: { worth: false, pulled: outlook(300, 0.2), waited: outlook(300, 0.2) },
    slips: { probability: 0, seen: [], named: false },
    ...known,
  };
  return { course, note: noteValue(60 + course), headroom, thin: false, history, state };
}

const WORTH = {
  pull: { worth: true, pulled: outlook(600, 0.4), waited: outlook(300, 0.2) },
};
const rested = [
  ['first', 0, 0],
  ['stretched', -12, 60],
  ['brought up', 0, 75],
  ['waited', -1, 150],
] as const;

describe('the next step of settling', () => {
  const cases: readonly (readonly [
    string,
    SettlingString[],
    number | null,
    SettlingStep['step'],
  ])[] = [
    ['no string', [], null, 'no string'],
    ['nothing read', [string(2, []), string(1, [])], null, 'pluck'],
    ['one read, one not', [string(2, [['first', 0, 0]]), string(1, [])], 2, 'pluck'],
    ['far below its note', [string(1, [['first', -300, 0]], null)], 1, 'tune first'],
    ['just tuned and not there yet', [string(1, [['brought up', -9, 0]], null)], 1, 'bring up'],
    ['too high', [string(1, [['brought up', 4, 0]], null)], 1, 'loosen'],
    ['at its note', [string(1, [['first', 0, 0]], null)], 1, 'pull'],
    ['at its note, near its limit', [string(1, [['first', 0, 0]], {}, 2.4)], 1, 'watch'],
    ['pulled', [string(1, [...rested.slice(0, 2)], null)], 1, 'bring back'],
    ['brought up again', [string(1, [...rested.slice(0, 3)], null)], 1, 'watch'],
    ['watched, not worked out', [string(1, rested, null)], 1, 'working out'],
    ['watched, a pull is worth it', [string(1, rested, WORTH)], 1, 'pull'],
    ['watched, a pull is not', [string(1, rested)], 1, 'leave alone'],
    ['it holds', [string(1, rested, { holds: true })], 1, 'all hold'],
    ['left over night', [string(1, [...rested, ['waited', -38, 36_000]])], 1, 'tune first'],
    ['left for an hour', [string(1, [...rested, ['waited', -8, 3600]])], 1, 'bring up'],
  ];
  for (const [name, strings, active, step] of cases)
    it(`${name}: ${step}`, () => {
      expect(settlingStep(strings, active, RULES, CLOCK).step).to.equal(step);
    });

  it('never pulls a string high and waiting, nor oftener than anybody does', () => {
    const high = { ...RULES, way: 'high' as const, high: 3 };
    const tuned = string(
      1,
      [
        ['first', 3, 0],
        ['waited', 2.6, 60],
      ],
      WORTH,
    );
    expect(settlingStep([tuned], 1, high, CLOCK).step).to.equal('leave alone');
    expect(settlingStep([string(1, [['brought up', -3, 0]])], 1, high, CLOCK)).to.include({
      step: 'bring up',
      high: 3,
    });
    const five = settlingStep(
      [string(1, [['first', 0, 0]])],
      1,
      { ...RULES, way: 'fivePulls' },
      CLOCK,
    );
    expect(five).to.include({ step: 'pull', times: 5 });
  });

  it('once the watch is over, or the look has come, it is plucked before anything else', () => {
    const at = (minutes: number) => AT + 60_000 * minutes;
    const watched = string(2, rested);
    const told = (now: number, look: number | null, of = watched) =>
      settlingStep([of], 2, RULES, { now, look });
    // Read last at 2.5 minutes, to be left for twelve.
    expect(told(at(14), null).step).to.equal('leave alone');
    expect(told(at(15), null)).to.deep.equal({ step: 'pluck', course: 2, read: true });
    const holding = string(2, rested, { holds: true });
    expect(told(at(90), at(120), holding).step).to.equal('all hold');
    expect(told(at(120), at(120), holding).step).to.equal('pluck');
  });

  it('one that would hold, but hardly from where it is, is brought up', () => {
    const low = string(1, [...rested, ['waited', -4, 400]], {
      holds: true,
      lifted: outlook(3000, 0.95),
      stands: outlook(120, 0.3),
    });
    expect(settlingStep([low], 1, RULES, CLOCK)).to.include({ step: 'bring up', course: 1 });
    const near = string(1, [...rested, ['waited', -1, 400]], { holds: true });
    expect(settlingStep([near], 1, RULES, CLOCK).step).to.equal('all hold');
  });

  it('what was sure and is over is plucked again, as it stands', () => {
    const over = string(2, rested, { stands: outlook(0, 0.2) });
    const other = string(1, [...rested, ['waited', -1.2, 400]]);
    expect(settlingStep([over, other], 1, RULES, CLOCK)).to.deep.equal({
      step: 'pluck',
      course: 2,
      read: true,
    });
  });
});

describe('steps × cents × strings', () => {
  const STEPS: readonly Taken['step'][] = ['first', 'again', 'waited', 'stretched', 'brought up'];
  const CENTS = [-300, -52, -9, -4, -1, 0, 1, 3, 9];

  it('every sentence is right of the strings it is about', () => {
    for (const step of STEPS)
      for (const cents of CENTS)
        for (const before of [-20, 0])
          for (const known of [null, {}, WORTH, { holds: true }])
            for (const other of [[], [...rested], [['first', cents, 30] as const]]) {
              const strings = [
                string(
                  2,
                  [
                    ['first', before, 0],
                    [step, cents, 100],
                  ],
                  known,
                ),
                string(1, other, known),
              ];
              for (const active of [1, 2]) {
                const told = settlingStep(strings, active, RULES, CLOCK);
                const { say, more } = settlingTaskInWords(told, REST);
                const about = `${step} ${cents} of ${before}, active ${active}: ${say}`;
                expect(`${say} ${more}`, about).to.not.match(/stands at its note|cannot tell/);
                if (!('course' in told)) continue;
                const its = strings.find(({ course }) => course === told.course)!;
                const last = its.history.last;
                const stands = last?.cents ?? -500;
                if (told.step === 'bring back') expect(last?.step, about).to.equal('stretched');
                if (told.step === 'loosen') expect(stands, about).to.be.above(2);
                if (told.step === 'bring up') expect(Math.abs(stands), about).to.be.above(2);
                if (told.step === 'tune first') expect(stands, about).to.be.below(-20);
                if (told.step === 'pull') expect(stands, about).to.be.within(-60, 9);
                if (told.step === 'pluck' && !told.read) expect(last, about).to.equal(null);
              }
            }
  });
});

describe('a literal player', () => {
  /** Does what each sentence says, for strings of these laws; the report follows where it is waited for. */
  function played(cents: number, way: SettlingRules['way']) {
    const laws = Object.values(LAWS).map((law) => law(cents));
    const strings = new Strings(laws, 12);
    const from = strings.seconds;
    const rules = { ...RULES, way, high: way === 'high' ? 3 : 0 };
    const seen: SettlingStep[] = [];
    let report: SettlingReport | null = null;
    let readings = -1;
    let first: { plucks: number; minutes: number } | null = null;
    let active: number | null = null;
    for (let turn = 0; turn < 90; turn++) {
      const histories = strings.histories();
      const known = histories.map((history): SettlingString => {
        const { course } = history;
        const same = report?.strings.find((s) => s.history.course === course);
        const fits = same?.history.taken.length === history.taken.length;
        const state = (fits && same) || null;
        return { course, note: noteValue(60 + course), headroom: 6, thin: false, history, state };
      });
      const told = settlingStep(known, active, rules, CLOCK);
      seen.push(told);
      if (told.step === 'working out') {
        expect(readings, 'worked out twice').to.not.equal(strings.looks.length);
        readings = strings.looks.length;
        report = settlingReport({ strings: histories, goal: GOAL, zone: 'UTC', lessonAt: null });
        first ??= { plucks: readings, minutes: (strings.seconds - from) / 60 };
        continue;
      }
      if (!('course' in told)) return { told, first, seen };
      active = told.course;
      strings.seconds += 6;
      if (told.step === 'pull') {
        strings.pull(active);
        strings.pluck(active, 'pull');
      } else {
        if (told.step === 'watch' && told.tooSoon) strings.seconds += 30;
        const isLeft = told.step === 'watch' || (told.step === 'pluck' && told.read);
        if (!isLeft) strings.bringTo(active, 'high' in told ? told.high : 0.4);
        strings.pluck(active, isLeft ? 'leave' : undefined);
      }
    }
    throw new Error('it never comes to rest');
  }

  it('has a first verdict for four strings within 16 plucks and 3.5 minutes, and comes to rest', () => {
    const { told, first } = played(30, 'roundByRound');
    expect(first!.plucks).to.be.at.most(16);
    expect(first!.minutes).to.be.at.most(3.5);
    expect(told.step).to.be.oneOf(['all hold', 'leave alone']);
  });

  it('pulls five times at once and looks once, or tunes high and pulls never', () => {
    const five = played(30, 'fivePulls');
    expect(five.seen.find(({ step }) => step === 'pull')).to.include({ times: 5 });
    const high = played(10, 'high');
    expect(high.seen.some(({ step }) => step === 'pull')).to.equal(false);
  });
});
