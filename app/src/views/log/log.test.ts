import type { Session, StringSummary, Summary } from '@rosefinch/core/sitting';
import { steelGuitar } from '@rosefinch/core/strings';
import { DAY_MS } from '@rosefinch/core/units';
import { en, inTestLanguage } from '@rosefinch/words/expected';
import { expect } from 'chai';
import ICAL from 'ical.js';
import type { Life, Listed } from '../../data/index.ts';
import type { Judged } from '../../parts/drift/index.ts';
import { isWanted, NO_FILTER } from './filter.ts';
import { dueCalendar, sittingsCsv } from './out.ts';
import { yearLine } from './year.ts';

const NOW = new Date(2026, 10, 27, 13, 0).getTime();

const session = (change: Partial<Session> = {}): Session => ({
  id: 's',
  instrumentId: 'wren',
  tuningId: 'guitar-standard',
  a4: 440,
  tolerance: 2,
  source: 'microphone',
  startedAt: NOW,
  zone: 'Europe/Berlin',
  endedAt: NOW,
  ...change,
});
const summary = (...found: number[]): Summary => ({
  id: 's',
  instrumentId: 'wren',
  startedAt: NOW,
  form: 2,
  passes: 1,
  passBegun: true,
  plucks: found.length,
  events: found.length,
  upTo: 1,
  strings: found.map(
    (cents, i): StringSummary => ({
      course: i + 1,
      member: 1,
      found: cents,
      foundError: 0.4,
      left: 0,
      leftError: 0.4,
      leftHz: 110,
      leftAt: NOW,
      plucks: 1,
    }),
  ),
});

describe('sittings that are looked for', () => {
  const names = { instrument: 'Wren', tuning: 'Standard' };
  const wanted = (filter: object, of: Partial<Session> = {}) =>
    isWanted(session(of), { ...NO_FILTER, instrumentId: null, ...filter }, names);

  it('by words, instrument, tuning and days', () => {
    expect(wanted({})).to.equal(true);
    expect(wanted({ text: 'wre stand' })).to.equal(true);
    expect(wanted({ text: 'heron' })).to.equal(false);
    expect(wanted({ text: 'settling' })).to.equal(false);
    expect(wanted({ text: 'settling' }, { work: 'settling' })).to.equal(true);
    expect(wanted({ instrumentId: 'heron' })).to.equal(false);
    expect(wanted({ tuningId: 'guitar-open-d' })).to.equal(false);
    expect(wanted({ from: '2026-11-27', to: '2026-11-27' })).to.equal(true);
    expect(wanted({ from: '2026-11-28' })).to.equal(false);
    expect(wanted({ to: '2026-11-26' })).to.equal(false);
  });
});

describe('what leaves the log', () => {
  it('a row a string, times in UTC', () => {
    const listed: Listed[] = [{ session: session(), summary: summary(-4.256, 1) }];
    const text = sittingsCsv(listed, new Map([['wren', 'Wren']]));
    const [head, first, , last] = text.replace('\uFEFF', '').split('\r\n');
    expect(head).to.equal(
      'instrument,started_utc,tuning,source,string,found_cents,left_cents,plucks,passes',
    );
    expect(first).to.equal(
      `Wren,${new Date(NOW).toISOString()},guitar-standard,microphone,1,-4.26,0,1,1`,
    );
    expect(last).to.equal('');
  });

  it('due days have one entry each at most, in the morning, and none lies in the past', () => {
    const judged = (name: string, need: object) =>
      ({ instrument: steelGuitar(name, name), need }) as unknown as Judged;
    const text = dueCalendar(
      [
        judged('Wren', { kind: 'now', because: 'drift', since: NOW - 9 * DAY_MS }),
        judged('Heron', { kind: 'probably right', until: NOW + 5 * DAY_MS }),
        judged('Linnet', { kind: 'probably right', until: NOW + 5 * DAY_MS + 3_600_000 }),
        judged('Knot', { kind: 'probably right', until: null }),
        judged('Dunlin', { kind: 'resting', since: null }),
      ],
      NOW,
      inTestLanguage,
    );
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
    const told = events.map((event) => new ICAL.Event(event));
    expect(told.map(({ summary: title }) => title)).to.deep.equal([
      en('log.lookAtValue', { value: 'Wren' }),
      en('log.lookAtLengthInstruments', { length: 2 }),
    ]);
    for (const { startDate } of told) {
      expect(startDate.toJSDate().getHours()).to.equal(8);
      expect(startDate.toJSDate().getTime()).to.be.above(NOW);
    }
  });
});

describe('the year of an instrument', () => {
  it('counts what lies in it', () => {
    const life: Life = {
      sittings: [
        { session: session({ startedAt: NOW - 400 * DAY_MS }), summary: summary(90, 90) },
        { session: session(), summary: summary(-4, 1) },
        { session: session(), summary: summary(0.5, 1) },
        { session: session(), summary: summary(-9, 1) },
      ],
      restringings: [],
      marks: [],
    };
    expect(yearLine(life, 2026)).to.deep.include({ sittings: 3, offBy: 4, right: 1 });
    expect(yearLine(life, 2024)).to.deep.include({ sittings: 0, offBy: null });
  });
});
