import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { Dexie } from 'dexie';
import { databaseName, RosefinchDatabase } from './database.ts';

/** What a browser holds since schema 6, by table. */
const HELD = JSON.parse(
  readFileSync(
    new URL('../../../core/src/records/fixtures/backup-6.json', import.meta.url),
    'utf8',
  ),
);

describe('a database of schema 6', () => {
  beforeEach(() => Dexie.delete(databaseName('own')));
  afterEach(() => Dexie.delete(databaseName('own')));

  it('is taken along: what was stored in English is a code, all else stays as it is', async () => {
    const old = new Dexie(databaseName('own'));
    old.version(6).stores({
      settings: 'id',
      instruments: 'id, name',
      restringings: 'id, instrumentId',
      rounds: 'id',
      earRuns: 'id, learnerId, startedAt',
      marks: 'id, instrumentId',
    });
    for (const name of ['settings', 'instruments', 'restringings', 'rounds', 'earRuns', 'marks'])
      await old.table(name).bulkAdd(HELD[name]);
    old.close();
    const db = new RosefinchDatabase('own');
    try {
      const [settings] = await db.settings.toArray();
      expect(settings!.value.order).to.equal('thickestFirst');
      const heron = await db.instruments.get('heron');
      const was = HELD.instruments.find(({ id }: { id: string }) => id === 'heron');
      expect(was.courses[0].strings[0].peg.tighten).to.equal('towards you');
      const peg = { ...was.courses[0].strings[0].peg, tighten: 'towardsYou' };
      expect(heron!.courses[0]!.strings[0]!.peg).to.deep.equal(peg);
      expect(heron!.note).to.equal(was.note);
      expect(await db.rounds.toArray()).to.have.length(HELD.rounds.length);
      expect(await db.marks.toArray()).to.deep.equal(HELD.marks);
    } finally {
      db.close();
    }
  });
});
