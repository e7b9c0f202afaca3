import { message, moment, signed } from '@rosefinch/core/message';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import type { StringHistory, Taken } from '@rosefinch/core/settling';
import { findModel } from '@rosefinch/core/strings';
import { expect } from 'chai';
import { chartsOf } from './charts.ts';
import { nextLookInWords } from './looks.tsx';
import { settleSentence } from './settleSentence.ts';
import type { Settling } from './useSettling.ts';

const FITTED = Date.parse('2026-03-10T09:00:00Z');
const MINUTE = 60_000;
const UKULELE = findModel('ukulele-soprano')!.build('u', 'Stonechat');
const TARGETS = targetsOf(findTuning(UKULELE.tuningId)!, 440);
const RESTRINGING: Restringing = {
  id: 'r',
  instrumentId: 'u',
  fittedAt: FITTED,
  zone: 'UTC',
  strings: [{ course: 3, material: 'nylon' }],
  lessonMinutes: 45,
  looks: [],
  doneAt: null,
};
const look = (minutes: number, cents: number, change: Partial<Taken> = {}): Taken =>
  ({
    course: 3,
    at: FITTED + minutes * MINUTE,
    really: FITTED + minutes * MINUTE,
    cents,
    step: 'first',
    ...change,
  }) as Taken;
const history = (taken: readonly Taken[]): StringHistory =>
  ({
    course: 3,
    taken,
    rounds: [],
    droppedSoFar: 0,
    last: taken.at(-1) ?? null,
  }) as unknown as StringHistory;

function settling(taken: readonly Taken[], change: Partial<Settling> = {}): Settling {
  return {
    fresh: [history(taken)],
    targets: TARGETS,
    talk: { notice: null, newest: null },
    sitting: { state: { goal: { order: [4, 3, 2, 1], tolerance: 2 } } },
    active: null,
    question: null,
    report: null,
    step: { step: 'pluck', course: 3, read: false },
    now: () => FITTED + 30 * MINUTE,
    ...change,
  } as unknown as Settling;
}

const says = (of: Settling) => settleSentence(of, RESTRINGING);

describe('the sentence of new strings', () => {
  it('asks for the first pluck', () => {
    expect(says(settling([])).say).to.deep.equal(message('settle.tuneThenPluck', { string: 3 }));
  });

  it('puts a question before everything else, in the words of its doubt', () => {
    const doubtful = look(20, 14, { doubt: { kind: 'rose', cents: 14 } } as Partial<Taken>);
    const notice = { kind: 'refused', refusal: { kind: 'not sure', reason: 'no pitch' } };
    const asked = settling([doubtful], {
      question: doubtful,
      talk: { notice, newest: null },
    } as unknown as Partial<Settling>);
    expect(says(asked).say).to.deep.equal(message('settle.rose', { string: 3, cents: signed(14) }));
    expect(says(asked).more).to.deep.equal(message('settle.doubt.more'));
  });

  it('puts a notice before what is to be done', () => {
    const notice = { kind: 'refused', refusal: { kind: 'not sure', reason: 'no pitch' } };
    const told = settling([], { talk: { notice, newest: null } } as unknown as Partial<Settling>);
    expect(says(told).say).to.deep.equal(message('advice.notSure'));
  });
});

describe('the next look', () => {
  const at = (minutes: number) => FITTED + minutes * MINUTE;

  it('is nothing before one is planned', () => {
    expect(nextLookInWords(settling([]), RESTRINGING)).to.equal(null);
  });

  it('lies ahead, or is due', () => {
    const planned = (minutes: number) =>
      nextLookInWords(settling([]), { ...RESTRINGING, looks: [at(minutes)] });
    expect(planned(60)).to.deep.equal(
      message('settle.lookAt', {
        when: moment(1773136800000, { now: 1773135000000, zone: 'UTC' }, 'spoken moment'),
      }),
    );
    expect(planned(10)).to.deep.equal(
      message('settle.lookNow', {
        when: moment(1773133800000, { now: 1773135000000, zone: 'UTC' }, 'spoken moment'),
      }),
    );
  });
});

describe('the charts of new strings', () => {
  it('share one scale, which holds every reading, now and a lesson from now', () => {
    const charts = chartsOf(settling([look(2, 0), look(5, -33)]), RESTRINGING, 'clock');
    expect(charts.lowest).to.equal(-33);
    expect([charts.now, charts.lesson]).to.deep.equal([1800, 2700]);
    const x = charts.x(800);
    expect(x(1800 + 2700)).to.be.at.most(800);
    expect(x(120)).to.be.above(0);
    expect(charts.ahead(3)).to.equal(null);
  });

  it('have room for a dozen cents where nothing has dropped, and leave out what is doubtful', () => {
    const doubtful = look(9, -90, { doubt: { kind: 'fell', cents: 90 } } as Partial<Taken>);
    expect(chartsOf(settling([look(2, 0), doubtful]), RESTRINGING, 'log').lowest).to.equal(-12);
  });
});
