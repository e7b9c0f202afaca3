import { expect } from 'chai';
import { centsBetween, findTuning, shiftHz, targetsOf } from '../music/index.ts';
import {
  BeliefKeeper,
  type BenchEvent,
  benchAfter,
  currentPass,
  follow,
  replay,
  stringOf,
  summarise,
  withAttributions,
} from './index.ts';

const TARGETS = targetsOf(findTuning('guitar-standard')!, 440);
const GOAL = { order: [6, 5, 4, 3, 2, 1], tolerance: 2 };
const SETUP = {
  strings: TARGETS.map((target) => ({ target })),
  order: GOAL.order,
  tunings: [],
  tolerance: 2,
};
const FACTS = { asked: 6 };

const hzOf = (course: number, cents: number) => shiftHz(TARGETS[course - 1]!.hz, cents);
const read = (course: number, cents: number): BenchEvent => ({
  type: 'reading',
  reading: { course, cents, errorCents: 0.3, moving: false, hz: hzOf(course, cents) },
  pluck: FACTS,
});
const held = (course: number, cents: number): BenchEvent => ({
  type: 'unattributed',
  pitch: { hz: hzOf(course, cents), errorCents: 0.3, moving: false },
  pluck: FACTS,
});
const put = (hz: number, course: number, by: 'evidence' | 'teacher' = 'evidence'): BenchEvent => {
  const cents = centsBetween(TARGETS[course - 1]!.hz, hz);
  return { type: 'attributed', hz, course, cents, by };
};
const readingsOf = (events: readonly BenchEvent[], course: number) =>
  stringOf(currentPass(replay(GOAL, events)), course)!.readings;

describe('plucks that are put to another string later', () => {
  it('a reading goes to the other string, as if it had been so from the first', () => {
    const wrong = read(5, -200);
    const hz = hzOf(5, -200);
    const events = [read(6, 0), wrong, put(hz, 6), read(5, 3)];
    expect(readingsOf(events, 5).map(({ cents }) => cents)).to.deep.equal([3]);
    const [, moved] = readingsOf(events, 6);
    expect(moved?.cents).to.be.closeTo(centsBetween(TARGETS[5]!.hz, hz), 1e-9);
    expect(replay(GOAL, events).active).to.equal(5);
  });

  it('a pluck that was kept becomes a reading; until then it changes nothing', () => {
    const kept = held(6, 250);
    expect(replay(GOAL, [kept]).active).to.equal(null);
    expect(readingsOf([kept, put(hzOf(6, 250), 6, 'teacher')], 6)).to.have.length(1);
  });

  it('the last word counts, and taking it back leaves what was there', () => {
    const hz = hzOf(5, -200);
    const events = [read(5, -200), put(hz, 6), put(hz, 5, 'teacher')];
    expect(readingsOf(events, 6)).to.have.length(0);
    expect(readingsOf(events, 5)[0]?.cents).to.be.closeTo(-200, 1e-9);
  });

  it('one event after the other gives the same as all at once', () => {
    const events = [read(6, 0), held(6, 250), read(5, -200), put(hzOf(5, -200), 6), read(5, 1)];
    const { passes, active, chosen } = events.reduce(benchAfter, replay(GOAL, []));
    const whole = replay(GOAL, events);
    expect({ passes, active, chosen }).to.deep.equal({
      passes: whole.passes,
      active: whole.active,
      chosen: whole.chosen,
    });
  });

  it('a log keeps its lines and their places', () => {
    const log = [read(5, -200), put(hzOf(5, -200), 6)].map((event, i) => ({ id: `${i}`, event }));
    const seen = withAttributions(log);
    expect(seen.map(({ id }) => id)).to.deep.equal(['0', '1']);
    expect(seen[0]!.event).to.have.nested.property('reading.course', 6);
    expect(log[0]!.event).to.have.nested.property('reading.course', 5);
  });

  it('a summary counts a pluck for the string that it belongs to', () => {
    const events = [read(5, -200), put(hzOf(5, -200), 6), read(5, 1)];
    const log = events.map((event, number) => ({
      ...{ id: `${number}`, sessionId: 's', machine: 'm', number },
      event: { ...event, at: number },
    }));
    const courses = TARGETS.map(({ course }) => ({ number: course, strings: [{}] }));
    const session = { id: 's', instrumentId: 'i', startedAt: 0 };
    const { strings } = summarise(session as never, log, courses as never);
    expect(strings[4]).to.deep.include({ found: 1, plucks: 1 });
    expect(strings[5]!.plucks).to.equal(1);
  });
});

describe('what a log tells of all strings together', () => {
  const EVENTS = [read(6, 4), read(6, 1), held(4, -260), read(5, -8), read(4, -240), read(4, -3)];

  it('is the same event by event as all at once', () => {
    const keeper = new BeliefKeeper(SETUP);
    for (let n = 1; n <= EVENTS.length; n++) keeper.of(EVENTS.slice(0, n));
    expect(keeper.of(EVENTS)).to.deep.equal(follow(SETUP, EVENTS));
  });

  it('begins anew where the teacher says what an earlier pluck was', () => {
    const keeper = new BeliefKeeper(SETUP);
    keeper.of(EVENTS);
    const named = [...EVENTS, put(hzOf(4, -260), 4, 'teacher')];
    expect(keeper.of(named)).to.deep.equal(follow(SETUP, named));
    expect(keeper.of(named).plucks[2]).to.deep.include({ course: 4, firm: true });
  });

  it('what was chosen or named is firm, and what the sound told is not', () => {
    const chosen = { ...read(3, -400), pluck: { chosen: 3 } } as BenchEvent;
    const { plucks } = follow(SETUP, [read(6, 0), chosen]);
    expect(plucks.map(({ firm }) => firm)).to.deep.equal([false, true]);
  });
});
