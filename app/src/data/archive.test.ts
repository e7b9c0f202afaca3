import { readFileSync } from 'node:fs';
import { asText } from '@rosefinch/core/errors';
import { message } from '@rosefinch/core/message';
import {
  type Contents,
  readBackup,
  recordLine,
  TABLE_NAMES,
  type TableName,
  writeBackup,
} from '@rosefinch/core/records';
import { expect } from 'chai';
import { Dexie } from 'dexie';
import fc from 'fast-check';
import { checkStore, restoreArchive, surveyArchive, writeArchive } from './archive.ts';
import { clearAll } from './changes.ts';
import { databaseName, RosefinchDatabase } from './database.ts';
import { type Draft, Log } from './log.ts';
import { recordRules } from './rules.ts';

const AT = Date.UTC(2026, 2, 10, 9);
const DATE = new Date(AT);
const quiet = () => {};
const FIXTURE = readBackup(
  readFileSync(
    new URL('../../../core/src/records/fixtures/backup-4.json', import.meta.url),
    'utf8',
  ),
);

/** Any store: the fixture’s records of every kind, and sessions with logs beside them. */
const stores = fc
  .record({
    sittings: fc.array(
      fc.record({
        id: fc.uuid(),
        at: fc.integer({ min: AT, max: AT + 1e10 }),
        ended: fc.boolean(),
        readings: fc.array(
          fc.record({
            id: fc.uuid(),
            course: fc.integer({ min: 1, max: 6 }),
            cents: fc.double({ min: -200, max: 200, noNaN: true }),
            track: fc.array(fc.float({ noNaN: true, noDefaultInfinity: true }), { maxLength: 8 }),
          }),
          { maxLength: 6 },
        ),
      }),
      { maxLength: 6 },
    ),
    note: fc.string({ maxLength: 40 }),
    dropped: fc.subarray(['tunings', 'restringings', 'fretChecks', 'recordings'] as const),
  })
  .map(({ sittings, note, dropped }): Contents => {
    const { reading } = FIXTURE.measurements[0]!;
    let number = 100;
    const logs = sittings.map(({ id, at, readings }) =>
      readings.map((r) => ({
        entry: {
          id: r.id,
          sessionId: id,
          machine: 'm',
          number: number++,
          event: {
            type: 'reading' as const,
            at,
            reading: { course: r.course, cents: r.cents, errorCents: 1, moving: false, hz: 100 },
          },
        },
        measurement: { id: r.id, sessionId: id, reading, track: Float32Array.from(r.track) },
      })),
    );
    const gone = Object.fromEntries(dropped.map((name) => [name, []]));
    return {
      ...FIXTURE,
      ...gone,
      instruments: FIXTURE.instruments.map((entry) => ({ ...entry, note })),
      sessions: [
        ...FIXTURE.sessions,
        ...sittings.map(({ id, at, ended }) => ({
          ...FIXTURE.sessions[0]!,
          id,
          startedAt: at,
          endedAt: ended ? at + 1000 : null,
        })),
      ],
      events: [...FIXTURE.events, ...logs.flat().map(({ entry }) => entry)],
      measurements: [...FIXTURE.measurements, ...logs.flat().map((one) => one.measurement)],
    };
  });

describe('what is kept', () => {
  let db: RosefinchDatabase;
  beforeEach(async () => {
    await Dexie.delete(databaseName('own'));
    db = new RosefinchDatabase('own');
  });
  afterEach(() => db.close());

  const fill = async (contents: Contents) => {
    for (const name of TABLE_NAMES)
      await db.table(name).bulkPut(contents[name] as unknown as object[]);
  };
  const held = async (name: TableName) => db.table(name).toArray();
  const written = async (unstored: readonly Draft[] = []) =>
    (await writeArchive(db, unstored, DATE, quiet)).file;
  const all = async () => JSON.stringify(await Promise.all(TABLE_NAMES.map(held)));
  const file = (text: string) => new Blob([text]);
  const newer = { preference: 'newer', salvage: false } as const;

  it('goes out, is wiped, comes back and goes out the same, every table of it', async () => {
    await fc.assert(
      fc.asyncProperty(stores, async (contents) => {
        await clearAll(db, AT);
        await fill(contents);
        const first = await written();
        const text = await first.text();
        for (const name of TABLE_NAMES)
          expect(JSON.parse(text)[name], name).to.have.length(contents[name].length);
        await clearAll(db, AT);
        for (const name of TABLE_NAMES) expect(await held(name)).to.deep.equal([]);
        await restoreArchive(db, first, newer, AT, quiet);
        expect(await (await written()).text()).to.equal(text);
      }),
      { seed: 15, numRuns: 12 },
    );
  });

  it('is told by kind before anything is changed', async () => {
    await fill(FIXTURE);
    const heron = FIXTURE.instruments.find(({ id }) => id === 'heron')!;
    const changed: Contents = {
      ...FIXTURE,
      instruments: [
        ...FIXTURE.instruments.map((entry) => {
          if (entry.id === 'heron') return { ...entry, note: 'newer', changedAt: AT };
          if (entry.id === 'lapwing') return { ...entry, note: 'undated, as the other' };
          return entry;
        }),
        { ...heron, id: 'new one' },
      ],
      tunings: FIXTURE.tunings.map((entry) => ({ ...entry, name: 'Older' })),
    };
    await db.tunings.toCollection().modify({ changedAt: AT });
    const survey = await surveyArchive(db, file(writeBackup(changed, DATE)), quiet);
    expect(survey.faults).to.deep.equal([]);
    expect(survey.standings.instruments).to.deep.equal({
      new: 1,
      same: FIXTURE.instruments.length - 2,
      newer: 1,
      older: 0,
      different: 1,
    });
    expect(survey.standings.tunings).to.deep.include({ older: FIXTURE.tunings.length });
    expect(await db.instruments.get('heron')).to.deep.equal(heron);
  });

  it('keeps what is newer here, and never opens an ended sitting again', async () => {
    await fill(FIXTURE);
    const ended = FIXTURE.sessions.find(({ endedAt }) => endedAt !== null)!;
    const older: Contents = {
      ...FIXTURE,
      sessions: FIXTURE.sessions.map((s) => (s.id === ended.id ? { ...s, endedAt: null } : s)),
      instruments: FIXTURE.instruments.map((entry) => ({ ...entry, note: 'from the file' })),
    };
    await db.instruments.toCollection().modify({ changedAt: AT, note: 'from here' });
    const backup = file(writeBackup(older, DATE));
    await restoreArchive(db, backup, newer, AT, quiet);
    expect((await db.instruments.get('heron'))?.note).to.equal('from here');
    await restoreArchive(db, backup, { preference: 'file', salvage: false }, AT, quiet);
    expect((await db.instruments.get('heron'))?.note).to.equal('from the file');
    expect((await db.sessions.get(ended.id))?.endedAt).to.equal(ended.endedAt);
  });

  it('is as it was when a file is bad anywhere, and takes the good of it when asked', async () => {
    await fill(FIXTURE);
    const before = await all();
    const text = writeBackup(
      {
        ...FIXTURE,
        instruments: FIXTURE.instruments.map((entry) => ({ ...entry, changedAt: AT, note: 'x' })),
      },
      DATE,
    );
    const bad = file(text.replace('"sampleRate":48000', '"sampleRate":"fast"'));
    const failed = await restoreArchive(db, bad, newer, AT, quiet).then(
      () => '',
      (error: Error) => error.message,
    );
    expect(failed).to.match(/recordings\[0\]\.sampleRate.*"line":\d+.*problems\.got.*fast/);
    expect(await all()).to.equal(before);
    const survey = await surveyArchive(db, bad, quiet);
    expect(survey.faults.map(({ place }) => place)).to.have.length(1);
    await restoreArchive(db, bad, { preference: 'newer', salvage: true }, AT, quiet);
    expect((await db.instruments.get('heron'))?.note).to.equal('x');
  });

  it('says where a file is no text', async () => {
    const bytes = new TextEncoder().encode(writeBackup(FIXTURE, DATE));
    bytes[5000] = 0xff;
    const answer = await surveyArchive(db, new Blob([bytes]), quiet).catch((e: Error) => e);
    expect(String(answer)).to.match(/problems\.noUtf8.*"byte":\d+/);
  });

  it('has what is not stored yet in its backup', async () => {
    await fill(FIXTURE);
    const session = { ...FIXTURE.sessions[0]!, id: 'never stored' };
    const event = { type: 'accept' as const, at: AT };
    // The other one is stored, and only the answer has not come.
    const { id, ...there } = FIXTURE.events[0]!;
    const late = { id, session: FIXTURE.sessions[0]!, event: there.event };
    const text = await (await written([{ id: 'u1', session, event }, late])).text();
    const { sessions, events } = readBackup(text);
    expect(sessions.map(({ id }) => id)).to.include('never stored');
    expect(events.find((entry) => entry.id === 'u1')).to.deep.include({ event });
    expect(events).to.have.length(FIXTURE.events.length + 1);
  });

  it('goes out whole even where a record is not as it must be, and that is told', async () => {
    await fill(FIXTURE);
    await db.sessions.update('s1', { a4: 5000 });
    const { file: backup, faults } = await writeArchive(db, [], DATE, quiet);
    expect(await backup.text()).to.include('"a4":5000');
    expect(asText(faults[0]?.place ?? '')).to.match(/sessions\[0\]\.a4/);
    expect(asText(faults[0]?.reason ?? '')).to.match(/problems\.got.*5000/);
  });

  it('is mended where it can be, told where it cannot, and loses nothing', async () => {
    await fill(FIXTURE);
    await checkStore(db, 'Found again', quiet);
    expect(await checkStore(db, 'Found again', quiet)).to.deep.include({ mended: [], left: [] });
    const lost = FIXTURE.events.find(({ sessionId }) => sessionId === 's3')!;
    await db.sessions.delete('s3');
    await db.instruments.delete('linnet');
    await db.summaries.delete('s1');
    await db.summaries.update('s2', { plucks: 77 });
    await db.measurements.put({ ...FIXTURE.measurements[0]!, id: 'of nothing' });
    await db.instruments.update('lapwing', { scaleMm: -1 });
    const counts = async () => Promise.all(TABLE_NAMES.map((name) => db.table(name).count()));
    const before = await counts();
    const { mended, left } = await checkStore(db, 'Found again', quiet);
    expect(mended.map(({ id }) => id)).to.deep.equal([
      'records.sittingAgain',
      'records.standsForGone',
      'records.standsForGone',
      'records.summaryMended',
      'records.summaryMended',
      'records.summaryMended',
    ]);
    expect(left.map(({ place }) => place)).to.have.deep.members([
      message('problems.inRecord', { record: 'instruments, lapwing', path: 'scaleMm' }),
      'measurements, of nothing',
    ]);
    expect(await db.sessions.get(lost.sessionId)).to.include({ instrumentId: 'found again' });
    (await counts()).forEach((count, i) => {
      expect(count, TABLE_NAMES[i]).to.be.at.least(before[i]!);
    });
    expect((await checkStore(db, 'Found again', quiet)).mended).to.deep.equal([]);
  });
});

describe('the log of two tabs', () => {
  it('takes every event once, in one order, and its summary with it', async () => {
    await Dexie.delete(databaseName('own'));
    const tabs = [1, 2].map(() => new RosefinchDatabase('own'));
    const logs = tabs.map((db) => new Log(db, () => {}));
    await tabs[0]!.instruments.bulkAdd([...FIXTURE.instruments]);
    const session = { ...FIXTURE.sessions[1]!, id: 'both', instrumentId: 'heron' };
    const drafts: Draft[] = [];
    for (let i = 0; i < 60; i++) {
      const reading = { course: 1 + (i % 6), cents: i, errorCents: 1, moving: false, hz: 100 };
      // The clock goes back in between: it orders nothing.
      const event = { type: 'reading' as const, at: AT - 1000 * i, reading };
      drafts.push(logs[i % 2]!.append(session, event));
    }
    for (const { outbox } of logs) while (outbox.pending().length > 0) await outbox.flush();
    const stored = await logs[0]!.of('both');
    expect(stored).to.have.length(60);
    expect(new Set(stored.map(({ number }) => number)).size).to.equal(60);
    expect(new Set(stored.map(({ machine }) => machine)).size).to.equal(1);
    for (const tab of [0, 1]) {
      const mine = stored.filter(({ id }) => drafts.some((d, i) => d.id === id && i % 2 === tab));
      const wanted = drafts.filter((_, i) => i % 2 === tab);
      expect(mine.map(({ id }) => id)).to.deep.equal(wanted.map(({ id }) => id));
    }
    expect(await tabs[1]!.summaries.get('both')).to.deep.include({ plucks: 60, events: 60 });
    // An answer that got lost: it is not stored a second time.
    logs[0]!.outbox.add(drafts[0]!);
    await logs[0]!.outbox.flush();
    expect(await logs[0]!.of('both')).to.have.length(60);
    for (const db of tabs) db.close();
  });

  it('holds up no event for one that can never be stored', async () => {
    await recordRules();
    await Dexie.delete(databaseName('own'));
    const db = new RosefinchDatabase('own');
    await db.instruments.bulkAdd([...FIXTURE.instruments]);
    const log = new Log(db, () => {});
    const session = { ...FIXTURE.sessions[0]!, id: 'one' };
    const bad = log.append(session, { type: 'accept', at: -1 });
    const good = log.append(session, { type: 'accept', at: AT });
    await log.outbox.flush();
    await log.outbox.flush();
    expect(log.outbox.pending()).to.deep.equal([bad]);
    expect(log.outbox.problem()).to.deep.equal(
      message('troubles.notStored', {
        reason: message('problems.at', {
          place: 'event.at',
          reason: message('problems.got', {
            reason: message('problems.atLeast', { least: 0 }),
            value: '-1',
          }),
        }),
      }),
    );
    expect((await log.of('one')).map(({ id }) => id)).to.deep.equal([good.id]);
    expect(recordLine((await log.of('one'))[0]!)).to.include('"accept"');
    db.close();
  });
});
