import { message } from '@rosefinch/core/message';
import type { Progress } from '../worker/protocol.ts';
import { restoreArchive, writeArchive } from './archive.ts';
import type { RosefinchDatabase } from './database.ts';
import { StoreProblem } from './stored.ts';

/** So many are kept, the newest. */
const MOST = 2;

/** Keeps all that is here, so that what follows can be undone. */
export async function keepSnapshot(
  db: RosefinchDatabase,
  at: number,
  progress: Progress,
): Promise<void> {
  const { file } = await writeArchive(db, [], new Date(at), progress);
  await db.snapshots.add({ at, file });
  const older = await db.snapshots.toCollection().primaryKeys();
  await db.snapshots.bulkDelete(older.slice(0, -MOST));
}

/**
 * Brings back what the newest snapshot holds, and nothing else; all of it or nothing.
 * @throws StoreProblem where there is none
 */
export async function restoreSnapshot(db: RosefinchDatabase, progress: Progress): Promise<void> {
  const newest = await db.snapshots.orderBy(':id').last();
  if (newest?.id === undefined) throw new StoreProblem(message('records.nothingToBringBack'));
  await restoreArchive(db, newest.file, { preference: 'all', salvage: false }, progress);
  await db.snapshots.delete(newest.id);
}

/** Removes everything but what this browser knows of itself, and the snapshots. */
export async function wipe(db: RosefinchDatabase): Promise<void> {
  const tables = [...Object.values(db.kept()), db.summaries];
  await db.transaction('rw', tables, async () => {
    for (const table of tables) await table.clear();
  });
}
