import { readFileSync } from 'node:fs';
import { readBackup, SCHEMA } from '@rosefinch/core/records';
import { expect } from 'chai';
import { Dexie } from 'dexie';
import { restoreArchive, surveyArchive } from './archive.ts';
import { databaseName, RosefinchDatabase } from './database.ts';
import { writeInstrument } from './handover.ts';
import { StoreProblem } from './stored.ts';

const DATE = new Date(Date.UTC(2026, 2, 10, 9));
const fixture = new Blob([
  readFileSync(
    new URL(`../../../core/src/records/fixtures/backup-${SCHEMA}.json`, import.meta.url),
  ),
]);
const ALL = { preference: 'file', salvage: false } as const;

describe('an instrument that is handed on', () => {
  let db: RosefinchDatabase;
  const empty = async () => {
    await Dexie.delete(databaseName('own'));
    db = new RosefinchDatabase('own');
  };
  beforeEach(async () => {
    await empty();
    await restoreArchive(db, fixture, ALL, 0, () => {});
  });
  afterEach(() => db.close());

  const heron = async (log: boolean) => {
    const [instrument] = await db.instruments.toArray();
    if (!instrument) throw new Error('the fixture has no instrument');
    const file = await writeInstrument(db, { instrumentId: instrument.id, log }, DATE);
    return { instrument, file, contents: readBackup(await file.text()) };
  };

  it('is a backup that holds nothing else: no settings, no learners, no other instrument', async () => {
    const { instrument, contents } = await heron(true);
    expect(contents.instruments).to.deep.equal([instrument]);
    expect(contents.settings).to.be.empty;
    expect(contents.learners).to.be.empty;
    expect(contents.rounds).to.be.empty;
    for (const { instrumentId } of [
      ...contents.sessions,
      ...contents.marks,
      ...contents.fretChecks,
    ])
      expect(instrumentId).to.equal(instrument.id);
    const ids = new Set(contents.sessions.map(({ id }) => id));
    expect(contents.events).to.not.be.empty;
    for (const { sessionId } of contents.events) expect(ids.has(sessionId ?? '')).to.equal(true);
    const all = await db.events.toArray();
    expect(contents.events).to.have.length(
      all.filter(({ sessionId }) => ids.has(sessionId ?? '')).length,
    );
  });

  it('without its log goes the instrument, and the tunings of one’s own that it is in', async () => {
    const { contents } = await heron(false);
    expect(contents.instruments).to.have.length(1);
    expect([...contents.sessions, ...contents.events, ...contents.marks]).to.be.empty;
  });

  it('comes in on another shelf, and again without doing anything', async () => {
    const { file, instrument } = await heron(true);
    db.close();
    await empty();
    await restoreArchive(db, file, ALL, 0, () => {});
    expect((await db.instruments.toArray()).map(({ id }) => id)).to.deep.equal([instrument.id]);
    const { standings } = await surveyArchive(db, file, () => {});
    expect(standings.instruments).to.deep.include({ new: 0, same: 1 });
    expect(standings.events.new).to.equal(0);
  });

  it('is merged by its id: what is newer here stays if that is wanted', async () => {
    const { file, instrument } = await heron(false);
    await db.instruments.put({ ...instrument, note: 'newer', changedAt: DATE.getTime() + 1e9 });
    const { standings } = await surveyArchive(db, file, () => {});
    expect(standings.instruments.older).to.equal(1);
    await restoreArchive(db, file, { preference: 'newer', salvage: false }, 0, () => {});
    expect((await db.instruments.get(instrument.id))?.note).to.equal('newer');
  });

  it('one that is gone is said so', async () => {
    const why = await writeInstrument(db, { instrumentId: 'none', log: true }, DATE).catch(
      (error: Error) => error,
    );
    expect(why).to.be.instanceOf(StoreProblem);
  });
});
