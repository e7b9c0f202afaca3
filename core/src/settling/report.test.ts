import { TZDate } from '@date-fns/tz';
import { expect } from 'chai';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { normal, seededRandom } from '../maths/index.ts';
import { settlingTaskInWords } from '../words/index.ts';
import {
  type Creep,
  creepAt,
  historyOf,
  holdTime,
  type Look,
  looksAhead,
  roomMove,
  type SettlingEvent,
  type SettlingString,
  settle,
  settlingReport,
  settlingStep,
  stepsOf,
  waitUntil,
  worstVerdict,
} from './index.ts';

const AT = Date.UTC(2026, 9, 24, 16);
const GOAL = { tolerance: 5, lesson: 2700 };
const NYLON: Creep = { law: 'logarithm', size: 13, scale: 200, jump: 1800 };

/** Readings of strings that are settled by `rounds` rounds, and one look later. */
function settledLooks(
  laws: ReadonlyMap<number, Creep>,
  rounds: number,
  { slip = 0, seed = 3 } = {},
): { readonly looks: Look[]; readonly now: number } {
  const random = seededRandom(seed);
  const looks: Look[] = [];
  let seconds = 60;
  const added = new Map<number, number>();
  const level = new Map<number, number>();
  const dropped = (course: number) =>
    creepAt(laws.get(course)!, seconds + (added.get(course) ?? 0));
  const read = (course: number) => {
    const cents = level.get(course)! - dropped(course) + 0.25 * normal(random);
    const hz = 260 * 2 ** (course / 4 + cents / 1200);
    looks.push({ course, at: AT + 1000 * seconds, cents, errorCents: 0.25, hz });
    seconds += 4;
  };
  const lift = (course: number) => {
    level.set(course, dropped(course));
    read(course);
    read(course);
  };
  for (const course of laws.keys()) {
    level.set(course, dropped(course) - 20);
    read(course);
    lift(course);
  }
  for (let round = 0; round < rounds; round++) {
    seconds += 60;
    for (const course of laws.keys()) {
      read(course);
      added.set(course, (added.get(course) ?? 0) + laws.get(course)!.jump);
      if (course === 2) level.set(2, level.get(2)! - slip);
      read(course);
      lift(course);
    }
  }
  return { looks, now: AT + 1000 * seconds };
}

function reportOf(laws: ReadonlyMap<number, Creep>, rounds: number, slip = 0) {
  const { looks, now } = settledLooks(laws, rounds, { slip });
  const taken = stepsOf(looks, [], 2);
  const strings = [...laws.keys()].map((course) => historyOf(course, AT, taken.get(course)!));
  return settlingReport({ strings, now, goal: GOAL, zone: 'Europe/London', neck: [] });
}

const three = (one: Creep) => new Map([1, 2, 3].map((course) => [course, one]));

describe('the settling of an instrument', () => {
  it('too early it names the readings it wants, not a figure', () => {
    const { strings } = reportOf(three(NYLON), 0);
    expect(strings[0]!.verdict).to.deep.equal({ kind: 'more readings', wanted: 4 });
    expect(strings[0]!.holdFromNote).to.equal(null);
    expect(worstVerdict(strings)?.verdict.kind).to.equal('more readings');
  });

  it('says yes once the hold time has reached the lesson, and looks stay before it', () => {
    const { strings, looks, now } = reportOf(three(NYLON), 6);
    for (const { verdict, holdFromNote, history } of strings) {
      expect(verdict.kind).to.equal('holds');
      const age = (now - AT) / 1000 + history.rounds.length * NYLON.jump;
      expect(holdFromNote!.expected / holdTime(NYLON, age, 5)).to.be.within(0.7, 1.4);
    }
    expect(looks.length).to.be.above(2);
    for (const [i, { at }] of looks.entries()) expect(at).to.be.above(looks[i - 1]?.at ?? now - 1);
  });

  it('asks for rounds or for time while it does not hold', () => {
    const { strings } = reportOf(three({ ...NYLON, size: 30 }), 3);
    for (const { verdict } of strings) expect(['rounds', 'wait']).to.include(verdict.kind);
    expect(worstVerdict(strings)?.verdict.kind).to.be.oneOf(['rounds', 'wait']);
  });

  it('names the string whose drops do not shrink, and promises nothing of it', () => {
    const { strings, odd } = reportOf(three(NYLON), 5, 15);
    expect(odd).to.deep.equal([{ course: 2, why: 'drops do not shrink' }]);
    expect(strings[1]!.verdict.kind).to.equal('cannot tell');
    expect(strings[0]!.verdict.kind).to.not.equal('cannot tell');
  });

  it('plans looks in waking hours, over the night in which the clocks change too', () => {
    const { looks } = reportOf(three({ ...NYLON, size: 20 }), 4);
    const clock = (at: number) => new TZDate(at, 'Europe/London');
    const aDay = new Map<string, number>();
    for (const { at } of looks) {
      const [hour, minute] = [clock(at).getHours(), clock(at).getMinutes()];
      expect(60 * hour + minute).to.be.within(7 * 60, 21 * 60);
      expect(minute % 15).to.equal(0);
      aDay.set(clock(at).toDateString(), (aDay.get(clock(at).toDateString()) ?? 0) + 1);
    }
    for (const count of aDay.values()) expect(count).to.be.at.most(3);
    // 25 October 2026 has 25 hours in London.
    const days = new Set(looks.map(({ at }) => new TZDate(at, 'Europe/London').getDate()));
    expect(days.has(25)).to.equal(true);
  });
});

describe('looks ahead', () => {
  const ZONES = ['Europe/London', 'Pacific/Kiritimati', 'America/St_Johns', 'Asia/Kathmandu'];

  it('stand on quarter hours of the waking day in any zone, begun at any hour', () => {
    const { strings } = reportOf(three({ ...NYLON, size: 20 }), 4);
    for (const zone of ZONES)
      for (const hour of [0, 5, 6, 10, 15, 20, 21, 23]) {
        const now = AT + hour * 3.6e6 + 17 * 60_000;
        let before = now;
        for (const { at } of looksAhead(strings, now, 5, { zone })) {
          const clock = new TZDate(at, zone);
          const minutes = 60 * clock.getHours() + clock.getMinutes();
          expect(minutes, `${zone} ${hour}`).to.be.within(7 * 60, 21 * 60);
          expect(minutes % 15).to.equal(0);
          expect(at).to.be.above(before);
          before = at;
        }
      }
  });

  it('begin before the lesson that is planned', () => {
    const { strings, now } = reportOf(three(NYLON), 6);
    const quarter = 15 * 60_000;
    const free = looksAhead(strings, now, 5, { zone: 'Europe/London' });
    const lessonAt = free[0]!.at;
    const [first] = looksAhead(strings, now, 5, { zone: 'Europe/London', lessonAt });
    expect(first!.at).to.equal(lessonAt - quarter);
    // A lesson that has begun asks for nothing.
    const past = looksAhead(strings, now, 5, { zone: 'Europe/London', lessonAt: now });
    expect(past).to.deep.equal(free);
  });
});

describe('waiting', () => {
  it('is over when the string, brought to its note then, holds the lesson', () => {
    for (const law of ['logarithm', 'exponential'] as const)
      for (const age of [0, 500, 4000]) {
        const creep: Creep = { law, size: 30, scale: 900, jump: 600 };
        const wait = waitUntil(creep, age, 2, 2700);
        if (wait > 0) expect(holdTime(creep, age + wait, 2)).to.be.closeTo(2700, 1e-3);
        else expect(holdTime(creep, age, 2)).to.be.at.least(2700);
      }
  });
});

describe('the room', () => {
  const visit = (course: number, moves: number): Look[] => [
    { course, at: AT, cents: 0, errorCents: 0.2, hz: 100 * course },
    { course, at: AT + 4e7, cents: moves, errorCents: 0.2, hz: 100 * course },
  ];
  const histories = (list: readonly (readonly [number, number])[]) => {
    const taken = stepsOf(
      list.flatMap(([course, moves]) => visit(course, moves)).sort((a, b) => a.at - b.at),
      [],
      2,
    );
    return list.map(([course]) => historyOf(course, AT, taken.get(course)!));
  };

  it('is told by the old strings; new ones that move alike only point to it', () => {
    const fresh = histories([
      [1, -9],
      [2, -8.5],
      [3, -9.2],
    ]);
    expect(roomMove(fresh, histories([[4, -4]]))).to.deep.equal({ cents: -4, by: 'old strings' });
    expect(roomMove(fresh, [])).to.deep.equal({ cents: -9, by: 'all alike' });
    expect(roomMove(fresh, histories([[4, 0.3]]))).to.equal(null);
  });

  it('is not blamed for one string alone', () => {
    expect(
      roomMove(
        histories([
          [1, -9],
          [2, -1],
          [3, -0.5],
        ]),
        [],
      ),
    ).to.equal(null);
  });
});

describe('what to do with new strings', () => {
  const string = (course: number, state: SettlingString['state'], headroom = 6) => ({
    course,
    note: `N${course}`,
    headroom,
    thin: false,
    state,
  });
  const after = (rounds: number, keep: number, headroom = 6) => {
    const { looks, now } = settledLooks(new Map([[1, NYLON]]), rounds);
    const part = looks.slice(0, looks.length - keep);
    const taken = stepsOf(part, [], 2);
    const strings = [historyOf(1, AT, taken.get(1)!)];
    const report = settlingReport({ strings, now, goal: GOAL, zone: 'UTC', neck: [] });
    return settlingTaskInWords(
      settlingStep([string(1, report.strings[0]!, headroom)], 1, 2),
      'a lesson',
    ).say;
  };

  it('goes from pluck to pull to bringing up, and never pulls a string near its limit', () => {
    expect(settlingStep([string(2, null)], null, 2)).to.deep.equal({
      step: 'pluck',
      course: 2,
    });
    // The last four readings of a round: found, dropped, brought up, once more.
    expect(after(1, 3)).to.equal('Pull string 1 gently, then pluck it.');
    expect(after(1, 2)).to.equal('Bring string 1 back up to N1.');
    expect(after(1, 3, 2.4)).to.not.contain('Pull');
    expect(after(6, 0)).to.equal('All new strings hold a lesson.');
  });
});

describe('the fit', () => {
  // The same data by the general-purpose package ml-levenberg-marquardt: one drop without
  // rounds, so that size, scale and start are all there is.
  it('agrees with a general-purpose least-squares package', () => {
    const random = seededRandom(4);
    const times = Array.from({ length: 60 }, (_, i) => 20 * 1.12 ** i);
    const truth: Creep = { law: 'logarithm', size: 20, scale: 300, jump: 1000 };
    const cents = times.map((t) => 1 - creepAt(truth, t) + 0.2 * normal(random));
    const events = times.map(
      (at, i): SettlingEvent => ({ kind: 'reading', at, cents: cents[i]!, errorCents: 0.2 }),
    );
    const settling = settle(events);
    if (settling.kind !== 'fitted') throw new Error('not fitted');
    const ours = settling.fits[0];
    expect(ours.creep.law).to.equal('logarithm');
    const other = levenbergMarquardt(
      { x: times, y: cents },
      ([start = 0, size = 0, logScale = 0]) =>
        (t) =>
          start - size * Math.log1p(t / Math.exp(logScale)),
      { initialValues: [1, 15, 5], maxIterations: 500, damping: 1 },
    );
    const [, size = 0, logScale = 0] = other.parameterValues;
    // The prior pulls ours by far less than its own error.
    expect(ours.creep.size / size).to.be.closeTo(1, 0.005);
    expect(Math.log(ours.creep.scale)).to.be.closeTo(logScale, 0.02);
  });
});
