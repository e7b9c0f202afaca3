import { saltmarshLibrary } from '@rosefinch/core/demo';
import { TABLE_NAMES } from '@rosefinch/core/records';
import type { Session } from '@rosefinch/core/sitting';
import { inOrder, summarise } from '@rosefinch/core/sitting';
import { expect } from 'chai';
import fc from 'fast-check';
import { restoreArchive, writeArchive } from './archive.ts';
import { clearAll, forgetChange, undoChange } from './changes.ts';
import { RosefinchDatabase } from './database.ts';
import { logOf } from './log.ts';
import { openFresh } from './openFixture.ts';
import type { Repository } from './repositories.ts';

const AT = Date.UTC(2026, 2, 10, 9);
const DATE = new Date(AT);
const HERON = saltmarshLibrary()[0]!;
/** `ROSEFINCH_SEQUENCES=10000 npm run unit -- data/changes` tries more of them. */
const SEQUENCES = Number(process.env.ROSEFINCH_SEQUENCES ?? 60);
const SEED = Number(process.env.ROSEFINCH_SEED ?? 42);
const quiet = () => {};
const NEWER = { preference: 'newer', salvage: false } as const;

const session = (id: string): Session => ({
  id,
  instrumentId: HERON.id,
  tuningId: HERON.tuningId,
  a4: 440,
  tolerance: 3,
  source: 'microphone',
  startedAt: AT,
  zone: 'UTC',
  endedAt: null,
});

describe('major changes', () => {
  let db: RosefinchDatabase;
  let repository: Repository;
  beforeEach(async () => {
    ({ db, repository } = await openFresh());
    await db.instruments.put(HERON);
  });
  afterEach(() => db.close());

  const pluck = async (id: string, count = 1) => {
    for (let i = 0; i < count; i++)
      repository.log.append(session(id), {
        type: 'reading',
        at: AT,
        reading: { course: 1, cents: i, errorCents: 0.2, moving: false, hz: 330 },
      });
    while (repository.log.outbox.pending().length > 0) await repository.log.outbox.flush();
    expect(repository.log.outbox.problem()).to.equal(null);
  };
  const numbers = async () => (await db.events.toArray()).map(({ number }) => number);
  const backup = async () => (await writeArchive(db, [], DATE, quiet)).file;
  /** What must hold after anything that happens. */
  const expectConsistent = async () => {
    const all = await numbers();
    expect(new Set(all).size, 'a number twice').to.equal(all.length);
    const sessions = new Map((await db.sessions.toArray()).map((one) => [one.id, one]));
    const instruments = new Map((await db.instruments.toArray()).map((one) => [one.id, one]));
    for (const { sessionId } of await db.events.toArray())
      expect(sessions.has(sessionId), 'an event without its session').to.equal(true);
    for (const one of sessions.values()) {
      const instrument = instruments.get(one.instrumentId);
      expect(instrument, 'a session without its instrument').not.to.equal(undefined);
      const log = await logOf(db, one.id);
      expect(log).to.deep.equal(inOrder(log));
      const summary = (await repository.log.summaries([one])).get(one.id);
      expect(summary).to.deep.equal(summarise(one, log, instrument!.courses));
    }
  };

  it('never give a number again that was deleted', async () => {
    await pluck('s1', 3);
    const back = await repository.deleteSession('s1');
    await pluck('s1', 2);
    await back();
    expect((await numbers()).sort()).to.deep.equal([0, 1, 2, 3, 4]);
    await expectConsistent();
  });

  it('need a copy of every reading again', async () => {
    await pluck('s1', 5);
    const copied = async () => {
      const { upTo } = await writeArchive(db, [], DATE, quiet);
      await repository.noteCopy(AT, upTo);
      expect((await repository.copies()).without).to.equal(0);
    };
    await copied();
    const file = await backup();
    const cleared = await clearAll(db, AT);
    await pluck('s2', 2);
    expect((await repository.copies()).without).to.equal(2);
    await copied();
    await restoreArchive(db, file, NEWER, AT, quiet);
    expect((await repository.copies()).without).to.equal(7);
    await copied();
    await undoChange(db, cleared, AT).catch(quiet);
    await pluck('s3');
    expect((await repository.copies()).without).to.be.greaterThan(0);
  });

  it('of a restore are undone without what was read since', async () => {
    await pluck('s1', 2);
    const file = await backup();
    await clearAll(db, AT);
    await db.instruments.put({ ...HERON, id: 'other' });
    const restored = await restoreArchive(db, file, NEWER, AT, quiet);
    await pluck('s2', 4);
    await undoChange(db, restored, AT);
    expect(await db.sessions.toCollection().primaryKeys()).to.deep.equal(['s2']);
    expect(await db.events.count()).to.equal(4);
    await expectConsistent();
  });

  it('leave a restored session whole once it was continued', async () => {
    await pluck('s1', 2);
    const file = await backup();
    await clearAll(db, AT);
    const restored = await restoreArchive(db, file, NEWER, AT, quiet);
    await pluck('s1');
    const { left } = await undoChange(db, restored, AT);
    expect(left).to.be.greaterThan(0);
    expect(await db.events.count()).to.equal(3);
    await expectConsistent();
  });

  it('of clearing bring back also what is not as records are', async () => {
    await pluck('s1', 2);
    await db.sessions.update('s1', { a4: 5000 });
    const cleared = await clearAll(db, AT);
    for (const name of TABLE_NAMES) expect(await db.table(name).count()).to.equal(0);
    await undoChange(db, cleared, AT);
    expect((await db.sessions.get('s1'))?.a4).to.equal(5000);
    expect(await db.events.count()).to.equal(2);
  });

  it('can be redone, also by another page of this browser', async () => {
    await pluck('s1', 2);
    await repository.deleteSession('s1');
    const [deleted] = await repository.changes.list();
    const { id } = await undoChange(db, deleted!.id, AT);
    expect(await db.events.count()).to.equal(2);
    const other = new RosefinchDatabase('own');
    await undoChange(other, id, AT);
    other.close();
    expect(await db.events.count()).to.equal(0);
  });

  it('are undone once', async () => {
    await pluck('s1');
    const back = await repository.deleteSession('s1');
    await back();
    const again = await back().catch((error: Error) => error.message);
    expect(again).to.match(/records\.nothingToBringBack/);
  });

  it('can be deleted for good, and go after thirty days', async () => {
    await repository.ears.saveLearner({ id: 'l1', name: 'Tern' });
    await repository.ears.deleteLearner('l1');
    const kept = async () => JSON.stringify(await db.changeParts.toArray());
    expect(await kept()).to.include('Tern');
    const [entry] = await repository.changes.list();
    await forgetChange(db, entry!.id);
    expect(await kept()).not.to.include('Tern');
    await clearAll(db, AT);
    await clearAll(db, AT + 31 * 86_400_000);
    expect((await repository.changes.list()).map(({ at }) => at)).to.deep.equal([
      AT + 31 * 86_400_000,
    ]);
  });

  it('leave the highest number of a file without effect on storing', async () => {
    await pluck('s1');
    await db.events.toCollection().modify({ number: 1e9 });
    await pluck('s1', 2);
    await pluck('s2', 2);
    expect(await db.events.count()).to.equal(5);
  });

  it('keep everything consistent in any order', async function () {
    this.timeout(60_000 + 1000 * SEQUENCES);
    const step = fc.oneof(
      { weight: 4, arbitrary: fc.record({ do: fc.constant('pluck'), which: fc.nat(2) }) },
      { weight: 2, arbitrary: fc.record({ do: fc.constant('delete'), which: fc.nat(2) }) },
      { weight: 1, arbitrary: fc.record({ do: fc.constant('clear'), which: fc.nat(2) }) },
      { weight: 1, arbitrary: fc.record({ do: fc.constant('copy'), which: fc.nat(2) }) },
      { weight: 2, arbitrary: fc.record({ do: fc.constant('restore'), which: fc.nat(2) }) },
      { weight: 4, arbitrary: fc.record({ do: fc.constant('undo'), which: fc.nat(5) }) },
    );
    let at = AT;
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 3, maxLength: 12 }), async (steps) => {
        for (const table of db.tables) await table.clear();
        await db.instruments.put(HERON);
        let file = await backup();
        for (const { do: what, which } of steps) {
          at += 60_000;
          const id = `s${which}`;
          const before = new Set(await db.events.toCollection().primaryKeys());
          if (what === 'pluck') {
            await db.instruments.put(HERON);
            await pluck(id);
          }
          if (what === 'delete') await repository.deleteSession(id);
          if (what === 'clear') await clearAll(db, at);
          if (what === 'copy') file = await backup();
          if (what === 'restore') await restoreArchive(db, file, NEWER, at, quiet);
          if (what === 'undo') {
            const open = (await repository.changes.list()).filter(({ isUndone }) => !isUndone);
            const change = open[which];
            if (!change) continue;
            await undoChange(db, change.id, at);
            const parts = await db.changeParts.where('changeId').equals(change.id).toArray();
            const added = new Set(parts.flatMap((part) => [...part.added]));
            const after = new Set(await db.events.toCollection().primaryKeys());
            // Undoing removes nothing but what its change had added.
            for (const one of before)
              if (!after.has(one)) expect(added.has(one), 'lost by undoing').to.equal(true);
          }
          await expectConsistent();
        }
      }),
      { seed: SEED, numRuns: SEQUENCES },
    );
  });
});
