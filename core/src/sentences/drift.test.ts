import { expect } from 'chai';
import type { Drift } from '../drift/index.ts';
import { list, message, moment, sentencesOf, signed, type Text } from '../message.ts';
import { DAY_MS } from '../units.ts';
import {
  causeInWords,
  diagnosisInWords,
  needInWords,
  type RowFacts,
  sparesInWords,
  wearInWords,
  weekInWords,
  withAirInWords,
} from './index.ts';

const NOW = Date.parse('2026-11-27T12:00:00Z');
const CLOCK = { now: NOW, zone: 'Europe/Berlin' };
const own = (...cents: number[]) => cents;

const drift = (change: Partial<Drift>): Drift => ({
  cause: 'still',
  courses: [],
  strings: [1, 2, 3].map((course) => ({
    course,
    habits: { still: 1, slips: 0, wanders: 0 },
    weekly: course === 3 ? 21.6 : 0,
    weeklyError: 4,
    largestFall: -20,
  })),
  spans: [21, 14, 7].map((ago) => ({
    from: NOW - ago * DAY_MS,
    to: NOW - (ago - 7) * DAY_MS,
    common: -1,
    commonError: 0.4,
    handled: 0,
    own: own(0.5, -0.4, 0.2),
  })),
  byStiffness: 0.5,
  weekly: { air: 3.2, chance: 0.7 },
  ...change,
});
const facts = (change: Partial<RowFacts>): RowFacts => ({
  need: { kind: 'probably right', until: null },
  drift: drift({}),
  pending: false,
  fittedAt: null,
  leftOff: null,
  lent: false,
  wasLent: false,
  sittings: 8,
  pegs: 'direct',
  withAir: null,
  ...change,
});

describe('what is going on with an instrument', () => {
  const falls = drift({}).spans.map((span) => ({ ...span, common: -7, own: own(0.2, 0, -0.1) }));
  const air = (perTenPercent: number) => ({ perTenPercent, error: 1, explains: 0.6, spans: 12 });
  const cases: readonly (readonly [Partial<RowFacts>, Text])[] = [
    [{ lent: true }, message('shelf.lentOut')],
    [{ sittings: 0, drift: null }, message('shelf.notLookedAt')],
    [{ drift: null, pending: true }, message('common.moment')],
    [{ drift: null }, message('shelf.driftUnknown')],
    [
      { need: { kind: 'resting', since: NOW - 200 * DAY_MS } },
      message('shelf.notReadSince', {
        day: moment(1778500800000, { now: 1795780800000, zone: 'Europe/Berlin' }, 'spoken day'),
      }),
    ],
    [
      { leftOff: { course: 3, cents: -22.4 } },
      message('shelf.leftOff', { side: 'low', string: 3, cents: 22.4 }),
    ],
    [
      { drift: drift({ cause: 'still' }) },
      message('shelf.stillFor', {
        cents: 2,
        time: message('common.duration', { unit: 'day', count: 21 }),
      }),
    ],
    [
      { drift: drift({ cause: 'peg', courses: [3] }) },
      [
        message('shelf.pegSlips', { count: 1, strings: list([3], 'and'), cents: 21.6 }),
        message('shelf.pegSlipsScrew'),
      ],
    ],
    [
      { drift: drift({ cause: 'peg', courses: [3, 1] }), pegs: 'geared' },
      [
        message('shelf.pegSlips', { count: 2, strings: list([3, 1], 'and'), cents: 21.6 }),
        message('shelf.pegSlipsGeared'),
      ],
    ],
    [
      { drift: drift({ cause: 'air', spans: falls }) },
      message('shelf.airLately', { side: 'low', cause: 'air', cents: 7 }),
    ],
    // Damp air raises what it swells, so what went low was dry; and the other way round.
    [
      { drift: drift({ cause: 'air', spans: falls }), withAir: air(4) },
      message('shelf.airLately', { side: 'low', cause: 'dry', cents: 7 }),
    ],
    [
      { drift: drift({ cause: 'air', spans: falls }), withAir: air(-4) },
      message('shelf.airLately', { side: 'low', cause: 'damp', cents: 7 }),
    ],
    [{ drift: drift({ cause: 'air' }) }, message('shelf.air', { cents: 3 })],
    [{ drift: drift({ cause: 'handled' }) }, message('shelf.handled')],
    [{ drift: drift({ cause: 'handled' }), wasLent: true }, message('shelf.handledLent')],
    [
      { drift: drift({ cause: 'one string', courses: [2] }) },
      message('shelf.oneString', { string: 2 }),
    ],
    [
      { drift: drift({ cause: 'not enough' }), sittings: 2 },
      message('shelf.tooFewSittings', { sittings: 2 }),
    ],
    [
      { fittedAt: NOW - 2 * DAY_MS, drift: drift({ spans: falls }) },
      message('shelf.newStringsFell', {
        age: message('common.duration', { unit: 'day', count: 2 }),
        cents: 7.1,
      }),
    ],
    [
      { fittedAt: NOW - 2 * DAY_MS, drift: null },
      message('shelf.newStrings', { age: message('common.duration', { unit: 'day', count: 2 }) }),
    ],
  ];
  for (const [change, wanted] of cases)
    it(`${sentencesOf(wanted)[0]?.id} ${JSON.stringify(change).slice(0, 60)}`, () => {
      expect(diagnosisInWords(facts(change), CLOCK)).to.deep.equal(wanted);
    });

  it('a cause has the same words wherever it is shown', () => {
    const of = facts({ drift: drift({ cause: 'peg', courses: [3] }) });
    expect(causeInWords(drift({ cause: 'peg', courses: [3] }), of)).to.deep.equal(
      diagnosisInWords(of, CLOCK),
    );
  });
});

describe('when it is due', () => {
  it('gives the day', () => {
    // Nothing is said of it before its drift is known: it may be due today.
    expect(needInWords({ kind: 'probably right', until: null }, CLOCK, true)).to.deep.equal(
      message('shelf.dueUnknown'),
    );
    const said = (need: RowFacts['need']) => needInWords(need, CLOCK);
    expect(said({ kind: 'now', because: 'drift', since: NOW - 5 })).to.deep.equal(
      message('shelf.dueToday'),
    );
    expect(said({ kind: 'now', because: 'drift', since: NOW - DAY_MS })).to.deep.equal(
      message('shelf.dueSince', {
        day: moment(1795694400000, { now: 1795780800000, zone: 'Europe/Berlin' }, 'spoken day'),
      }),
    );
    expect(said({ kind: 'probably right', until: NOW + DAY_MS })).to.deep.equal(
      message('shelf.dueOn', {
        day: moment(1795867200000, { now: 1795780800000, zone: 'Europe/Berlin' }, 'spoken day'),
      }),
    );
    expect(said({ kind: 'probably right', until: NOW + 6 * DAY_MS })).to.deep.equal(
      message('shelf.dueOn', {
        day: moment(1796299200000, { now: 1795780800000, zone: 'Europe/Berlin' }, 'spoken day'),
      }),
    );
    expect(said({ kind: 'probably right', until: NOW + 60 * DAY_MS })).to.deep.equal(
      message('shelf.dueOn', {
        day: moment(1800964800000, { now: 1795780800000, zone: 'Europe/Berlin' }, 'spoken day'),
      }),
    );
    expect(said({ kind: 'probably right', until: null })).to.deep.equal(message('shelf.noHurry'));
    expect(said({ kind: 'resting', since: null })).to.deep.equal(message('shelf.noHurry'));
  });
});

describe('strings and air', () => {
  it('say their figures with their units', () => {
    expect(
      withAirInWords({ perTenPercent: 3.42, error: 0.61, explains: 0.583, spans: 14 }),
    ).to.deep.equal([
      message('log.humidity', { cents: signed(3.42), error: 0.61 }),
      message('log.humidityExplains', { percent: 58.3, times: 14 }),
    ]);
    expect(
      wearInWords('change', [
        { kind: 'dull', worn: 1, figure: 14.2, course: 4 },
        { kind: 'false', worn: 1, figure: 9.3, course: 3 },
        { kind: 'stiffness', worn: 0.4, figure: 0.14, course: 2 },
        { kind: 'off law', worn: 0.3, figure: -0.7, course: 1 },
        { kind: 'age', worn: 0.3, figure: 90, course: null },
        { kind: 'played', worn: 0.1, figure: 7, course: null },
      ]),
    ).to.deep.equal({
      say: message('log.wear', { verdict: 'change' }),
      more: [
        message('log.wearDull', { way: 'weaker', string: 4, decibels: 14.2 }),
        message('log.wearFalse', { string: 3, cents: 9.3 }),
        message('log.wearStiffness', { string: 2, percent: 14 }),
        message('log.wearOffLaw', { way: 'nearer', string: 1, cents: 0.7 }),
        message('log.wearAge', { time: message('common.duration', { unit: 'day', count: 90 }) }),
        message('log.wearPlayed', { days: 7 }),
      ],
    });
    expect(sparesInWords('ukulele, 4 strings', { used: 1, instruments: 8, have: 2 })).to.deep.equal(
      message('log.spares', { sort: 'ukulele, 4 strings', have: 2, used: 1, instruments: 8 }),
    );
  });

  it('says how the strings share what all do alike, or that it cannot be told', () => {
    const said = (byStiffness: number) => weekInWords(drift({ byStiffness }));
    expect(said(0.9)).to.deep.equal([
      message('log.week', { together: 3.2, each: 0.7 }),
      message('log.stifferMore'),
    ]);
    expect(said(0.1)).to.deep.equal([
      message('log.week', { together: 3.2, each: 0.7 }),
      message('log.allAlike'),
    ]);
    expect(said(0.5)).to.deep.equal([
      message('log.week', { together: 3.2, each: 0.7 }),
      message('log.stifferUnknown'),
    ]);
  });
});
