import type { Session, StringSummary, Summary } from '@rosefinch/core/sitting';
import { steelGuitar } from '@rosefinch/core/strings';
import { expect } from 'chai';
import ICAL from 'ical.js';
import type { Life, Listed } from '../../data/index.ts';
import type { Judged } from '../../parts/drift/index.ts';
import { readAirCsv } from './airCsv.ts';
import { isWanted, NO_FILTER } from './filter.ts';
import { dueCalendar, sittingsCsv } from './out.ts';
import { yearLine } from './year.ts';

const NOW = new Date(2026, 10, 27, 13, 0).getTime();
const DAY_MS = 86_400_000;

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

describe('the table of a logger', () => {
  it('becomes the means of its days, whatever its decimal sign and its columns', () => {
    const text =
      'Time;Temp °C;Humidity %\n2026-03-10 09:00;20,4;41\n2026-03-10 15:00;21,4;43\n2026-03-11T09:00;20;\n';
    expect(readAirCsv(text)).to.deep.equal({
      ok: true,
      lines: 3,
      days: [
        { id: '2026-03-10', celsius: 20.9, humidity: 42 },
        { id: '2026-03-11', celsius: 20 },
      ],
    });
  });

  const bad: readonly (readonly [string, RegExp])[] = [
    ['', /Line 1 must name a column of times/],
    ['a,b\n1,2\n', /it says: a, b/],
    ['date,humidity\n10.03.2026,41\n', /Line 2: “10.03.2026” is no date like/],
    ['date,humidity\n2026-03-10,141\n', /Line 2: humidity “141” is no number from 0 to 100/],
    ['date,temperature\n2026-03-10,warm\n', /Line 2: celsius “warm”/],
    ['date,humidity\n', /no line below/],
    ['date,humidity\n2026-13-40,41\n', /Line 2: “2026-13-40” is no date/],
  ];
  for (const [text, wanted] of bad)
    it(`is refused whole: ${JSON.stringify(text)}`, () => {
      const read = readAirCsv(text);
      expect(read.ok).to.equal(false);
      expect(read.ok ? '' : read.faults.join()).to.match(wanted);
    });
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
    );
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
    const told = events.map((event) => new ICAL.Event(event));
    expect(told.map(({ summary: title }) => title)).to.deep.equal([
      'Look at Wren',
      'Look at 2 instruments',
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
