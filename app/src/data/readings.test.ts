import { RecordError } from '@rosefinch/core/errors';
import { type Contents, saltmarshLibrary, writeBackup } from '@rosefinch/core/records';
import { expect } from 'chai';
import Papa from 'papaparse';
import { planRestore, readingsCsv } from './files.ts';
import { checkSettings, DEFAULT_SETTINGS } from './settings.ts';

const AT = Date.UTC(2026, 10, 25, 10, 30);

function contents(): Contents {
  return {
    instruments: saltmarshLibrary(),
    tunings: [],
    restringings: [],
    fretChecks: [],
    sessions: [
      {
        id: 's1',
        instrumentId: 'heron',
        tuningId: 'guitar-standard',
        a4: 440,
        tolerance: 2,
        source: 'microphone',
        startedAt: AT,
        zone: 'Europe/London',
        endedAt: AT,
      },
    ],
    log: [
      {
        sessionId: 's1',
        seq: 0,
        event: {
          type: 'reading',
          at: AT,
          reading: { course: 6, cents: -23.25, errorCents: 0.4, moving: false, hz: 81.307 },
        },
      },
      { sessionId: 's1', seq: 1, event: { type: 'accept', at: AT } },
    ],
    recordings: [],
    settings: DEFAULT_SETTINGS,
  };
}

const file = (change: Partial<Contents> = {}) =>
  writeBackup({ ...contents(), ...change }, new Date(AT));
const line = (plan: ReturnType<typeof planRestore>, what: string) =>
  plan.lines.find((entry) => entry.what === what);

describe('what a restore will do', () => {
  it('to an equal database: nothing', () => {
    for (const { add, change } of planRestore(file(), contents()).lines)
      expect([add, change]).to.deep.equal([0, 0]);
  });

  it('counts what it adds, changes and leaves', () => {
    const present = contents();
    const [first, ...others] = present.instruments;
    const here: Contents = {
      ...present,
      instruments: [{ ...first!, note: 'another note' }, ...others.slice(1)],
      sessions: [],
      log: [],
    };
    const plan = planRestore(file(), here);
    expect(line(plan, 'instruments')).to.deep.equal({
      what: 'instruments',
      add: 1,
      change: 1,
      same: saltmarshLibrary().length - 2,
    });
    expect(line(plan, 'sessions')).to.deep.equal({ what: 'sessions', add: 1, change: 0, same: 0 });
    expect(line(plan, 'events')).to.deep.equal({ what: 'events', add: 2, change: 0, same: 0 });
  });

  it('does not take a different order of fields for a change', () => {
    const present = contents();
    const turned = present.instruments.map(
      (entry) => Object.fromEntries(Object.entries(entry).reverse()) as unknown as typeof entry,
    );
    const plan = planRestore(file(), { ...present, instruments: turned });
    expect(line(plan, 'instruments')?.change).to.equal(0);
  });

  it('refuses settings that are not possible, by name', () => {
    const bad = file({ settings: { ...DEFAULT_SETTINGS, tolerance: -1 } });
    expect(() => planRestore(bad, contents())).to.throw(
      RecordError,
      /settings\.tolerance: -1 is not possible/,
    );
  });
});

describe('settings from a file', () => {
  it('may be any part of the known ones', () => {
    expect(() => checkSettings({})).to.not.throw();
    expect(() => checkSettings(DEFAULT_SETTINGS)).to.not.throw();
    expect(() => checkSettings({ a4: 432 })).to.not.throw();
  });

  for (const [what, value] of [
    ['an unknown name', { colour: 'red' }],
    ['an A4 out of range', { a4: 399 }],
    ['a number as text', { a4: '440' }],
    ['an unknown order', { order: 'at random' }],
    ['a loudness above 1', { referenceVolume: 1.5 }],
    ['a name of the prototype', { toString: true }],
    ['no object', 7],
    ['nothing', null],
  ] as const)
    it(`may not hold ${what}`, () => {
      expect(() => checkSettings(value)).to.throw(RecordError, /^settings/);
    });
});

describe('readings as CSV', () => {
  it('has a heading with units, one line a reading, and CRLF line ends (RFC 4180)', () => {
    const { instruments, sessions, log } = contents();
    const text = readingsCsv(instruments, sessions, log, 'en-GB');
    expect(text.endsWith('\r\n')).to.equal(true);
    const { data, errors } = Papa.parse<Record<string, string>>(text, {
      header: true,
      skipEmptyLines: true,
    });
    expect(errors).to.deep.equal([]);
    expect(data.length).to.equal(1);
    expect(data[0]).to.include({
      time_utc: '2026-11-25T10:30:00.000Z',
      instrument: 'Heron',
      string: '6',
      deviation_cents: '-23.25',
      source: 'microphone',
    });
  });

  it('quotes names with commas, quotes and line breaks', () => {
    const { instruments, sessions, log } = contents();
    const name = 'Heron, the "old"\none';
    const renamed = instruments.map((entry) => (entry.id === 'heron' ? { ...entry, name } : entry));
    const text = readingsCsv(renamed, sessions, log, 'en-GB');
    const { data } = Papa.parse<Record<string, string>>(text, {
      header: true,
      skipEmptyLines: true,
    });
    expect(data[0]?.instrument).to.equal(name);
  });
});
