import type { TableName, Tables } from '@rosefinch/core/records';
import { now } from '../environment.ts';
import type { RosefinchDatabase } from './database.ts';
import { checkRecord, recordRules } from './rules.ts';
import { stored } from './stored.ts';

/** Stores a record; returns how to undo it. @throws RecordError if a field is wrong */
export async function putRecord<K extends TableName>(
  db: RosefinchDatabase,
  name: K,
  record: Tables[K],
): Promise<() => Promise<void>> {
  const table = db.kept()[name];
  return stored(async () => {
    await recordRules();
    const before = await table.get(record.id);
    await table.put(checkRecord(name, { ...record, changedAt: now() }));
    return () =>
      stored(async () => {
        if (before) await table.put({ ...before, changedAt: now() });
        else await table.delete(record.id);
      });
  });
}

/** Changes a record as it is by then; one that is gone stays gone. */
export function changeRecord<K extends TableName>(
  db: RosefinchDatabase,
  name: K,
  id: string,
  changed: (record: Tables[K]) => Tables[K],
): Promise<void> {
  const table = db.kept()[name];
  return stored(async () => {
    await recordRules();
    await db.transaction('rw', table, async () => {
      const before = await table.get(id);
      if (before) await table.put(checkRecord(name, { ...changed(before), changedAt: now() }));
    });
  });
}
