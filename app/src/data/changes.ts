import { message } from '@rosefinch/core/message';
import { TABLE_NAMES, type TableName } from '@rosefinch/core/records';
import { DAY_MS, type EpochMs } from '@rosefinch/core/units';
import type { AnyRecord, Change, ChangeKind, ChangePart, RosefinchDatabase } from './database.ts';
import { makeMissing } from './log.ts';
import { StoreProblem } from './stored.ts';

/**
 * Major changes of what is kept: deleting, clearing, restoring, and undoing one of them. Each keeps what it
 * removed or replaced, and the ids of what it added, so that it can be undone at any later time. An undo is a
 * change of its own, and undoing that is the redo.
 */

/** Entries are kept for so long, in ms, … */
const LONGEST: EpochMs = 30 * DAY_MS;
/** … and no more than so much of them, in characters of JSON. */
const MOST_SIZE = 200_000_000;
const BATCH = 500;

/** A number of a list takes about so many characters. */
const DIGITS = 10;

/** About how long something is as JSON, in characters. */
function sizeOf(value: unknown): number {
  let lists = 0;
  const text = JSON.stringify(value, (_, inner) => {
    if (!(inner instanceof Float32Array)) return inner;
    lists += DIGITS * inner.length;
    return null;
  });
  return text.length + lists;
}

/** Removes and stores records within a change, and notes how to reverse that. */
export class Recorder {
  readonly counts: Partial<Record<TableName, number>> = {};
  size = 0;
  /** Sessions whose summaries are no longer right. */
  private readonly touched = new Set<string>();

  constructor(
    private readonly db: RosefinchDatabase,
    readonly changeId: number,
  ) {}

  /** Removes records by their ids. */
  async remove(name: TableName, ids: readonly string[]): Promise<void> {
    for (let from = 0; from < ids.length; from += BATCH) {
      const batch = ids.slice(from, from + BATCH);
      const removed = await this.present(name, batch);
      await this.table(name).bulkDelete(batch);
      await this.note(name, { removed });
    }
  }

  /** Stores new records, or other ones in their place. */
  async put(name: TableName, records: readonly AnyRecord[]): Promise<void> {
    for (let from = 0; from < records.length; from += BATCH) {
      const batch = records.slice(from, from + BATCH);
      const replaced = await this.present(
        name,
        batch.map(({ id }) => id),
      );
      const known = new Set(replaced.map(({ id }) => id));
      await this.table(name).bulkPut([...batch]);
      const added = batch.flatMap(({ id }) => (known.has(id) ? [] : [id]));
      this.touch(name, batch);
      await this.note(name, { replaced, added });
    }
  }

  /** The summaries of the sessions that changed are made again afterwards. */
  async dropSummaries(): Promise<void> {
    await this.db.summaries.bulkDelete([...this.touched]);
  }

  private table(name: TableName) {
    return this.db.table<AnyRecord, string>(name);
  }

  private async present(name: TableName, ids: readonly string[]): Promise<AnyRecord[]> {
    return (await this.table(name).bulkGet([...ids])).filter((record) => record !== undefined);
  }

  private async note(
    table: TableName,
    part: Partial<Pick<ChangePart, 'removed' | 'replaced' | 'added'>>,
  ): Promise<void> {
    const { removed = [], replaced = [], added = [] } = part;
    const count = removed.length + replaced.length + added.length;
    if (count === 0) return;
    this.touch(table, removed);
    this.counts[table] = (this.counts[table] ?? 0) + count;
    this.size += sizeOf([removed, replaced, added]);
    await this.db.changeParts.add({ changeId: this.changeId, table, removed, replaced, added });
  }

  private touch(name: TableName, records: readonly AnyRecord[]): void {
    if (name === 'sessions') for (const { id } of records) this.touched.add(id);
    if (name === 'events')
      for (const record of records)
        if ('sessionId' in record) this.touched.add(`${record.sessionId}`);
  }
}

/** What a change is, before it is made. */
interface Planned {
  readonly kind: ChangeKind;
  readonly at: EpochMs;
  readonly of?: number;
}

/**
 * Makes a change: all of it or nothing, and its entry in the list with it. Answers the entry's id.
 * @param work what it does; it stores and removes by the recorder alone
 */
export async function makeChange(
  db: RosefinchDatabase,
  planned: Planned,
  work: (recorder: Recorder) => Promise<void>,
): Promise<number> {
  const tables = [...Object.values(db.kept()), db.summaries, db.local, db.changes, db.changeParts];
  const made = await db.transaction('rw', tables, async () => {
    const started = { ...planned, counts: {}, size: 0, isUndone: false };
    const id = await db.changes.add(started as Change);
    const recorder = new Recorder(db, id);
    await work(recorder);
    await recorder.dropSummaries();
    await db.changes.update(id, { counts: recorder.counts, size: recorder.size });
    await forgetCopy(db);
    await prune(db, planned.at, id);
    return id;
  });
  await makeMissing(db);
  return made;
}

/** Whatever was copied before a major change, what is here now is another thing: every reading needs a copy again. */
async function forgetCopy(db: RosefinchDatabase): Promise<void> {
  const copy = await db.local.get('copy');
  if (copy?.id === 'copy') await db.local.put({ ...copy, upTo: -1 });
}

async function prune(db: RosefinchDatabase, at: EpochMs, newest: number): Promise<void> {
  const changes = await db.changes.orderBy(':id').reverse().toArray();
  let size = 0;
  const old = changes.filter((change) => {
    size += change.size;
    return change.id !== newest && (change.at < at - LONGEST || size > MOST_SIZE);
  });
  for (const { id } of old) await forgetChange(db, id);
}

/** Removes an entry for good, with everything that it keeps. */
export function forgetChange(db: RosefinchDatabase, id: number): Promise<void> {
  return db.transaction('rw', db.changes, db.changeParts, async () => {
    await db.changes.delete(id);
    await db.changeParts.where('changeId').equals(id).delete();
  });
}

/** Removes everything that is kept but what this browser knows of itself and the list of changes. */
export function clearAll(db: RosefinchDatabase, at: EpochMs): Promise<number> {
  return makeChange(db, { kind: 'cleared', at }, async (recorder) => {
    for (const name of [...TABLE_NAMES].reverse())
      await recorder.remove(
        name,
        await db.table<AnyRecord, string>(name).toCollection().primaryKeys(),
      );
  });
}

/** What an undo brought back, and what it left as it was because something newer depends on it. */
export interface Undone {
  readonly id: number;
  readonly broughtBack: number;
  readonly left: number;
}

/**
 * Reverses a change. What came later stays: a record that was changed since keeps its newer state, a session that
 * was continued stays whole, and what others refer to stays with them.
 * @throws StoreProblem if there is no such entry, or it was undone already
 */
export async function undoChange(db: RosefinchDatabase, id: number, at: EpochMs): Promise<Undone> {
  let broughtBack = 0;
  let left = 0;
  const undoneBy = await makeChange(db, { kind: 'undone', at, of: id }, async (recorder) => {
    const change = await db.changes.get(id);
    if (!change || change.isUndone) throw new StoreProblem(message('records.nothingToBringBack'));
    const parts = await db.changeParts.where('changeId').equals(id).toArray();
    const added = await removable(db, parts, change.at);
    for (const name of [...TABLE_NAMES].reverse()) {
      const all = parts.flatMap((part) => (part.table === name ? part.added : []));
      const ids = all.filter((one) => added.get(name)?.has(one));
      left += all.length - ids.length;
      await recorder.remove(name, ids);
    }
    for (const name of TABLE_NAMES)
      for (const part of parts.filter(({ table }) => table === name)) {
        const records = [
          ...(await absent(db, name, part.removed)),
          ...(await unchangedSince(db, name, part.replaced, change.at)),
        ];
        broughtBack += records.length;
        left += part.removed.length + part.replaced.length - records.length;
        await recorder.put(name, records);
      }
    await bringAlong(db, recorder);
    await db.changes.update(id, { isUndone: true });
  });
  return { id: undoneBy, broughtBack, left };
}

/** Of removed records those that are still missing. */
async function absent(
  db: RosefinchDatabase,
  name: TableName,
  records: readonly AnyRecord[],
): Promise<AnyRecord[]> {
  const present = await db.table(name).bulkGet(records.map(({ id }) => id));
  return records.filter((_, i) => present[i] === undefined);
}

/** Of replaced records those whose later state nobody has touched since. */
async function unchangedSince(
  db: RosefinchDatabase,
  name: TableName,
  records: readonly AnyRecord[],
  at: EpochMs,
): Promise<AnyRecord[]> {
  const present = await db.table(name).bulkGet(records.map(({ id }) => id));
  return records.filter((_, i) => present[i] !== undefined && !isChangedAfter(present[i], at));
}

const isChangedAfter = (record: { readonly changedAt?: number }, at: EpochMs): boolean =>
  (record.changedAt ?? 0) > at;

/** The tables whose records name an instrument. */
const OF_INSTRUMENT = ['restringings', 'fretChecks', 'sessions', 'marks'] as const;

/** Of the records that a change added those that nothing newer depends on. */
async function removable(
  db: RosefinchDatabase,
  parts: readonly ChangePart[],
  at: EpochMs,
): Promise<ReadonlyMap<TableName, Set<string>>> {
  const added = new Map(TABLE_NAMES.map((name) => [name, new Set<string>()]));
  const of = (name: TableName) => added.get(name) ?? new Set<string>();
  for (const { table, added: ids } of parts) for (const id of ids) of(table).add(id);
  // After a mere deletion nothing is to be removed, and no table need be read.
  if (parts.every((part) => part.added.length === 0)) return added;
  for (const name of TABLE_NAMES)
    for (const record of await db.table(name).bulkGet([...of(name)]))
      if (record === undefined || isChangedAfter(record, at)) of(name).delete(record?.id);
  // A session that was continued stays with all of its events.
  const kept = new Set<string>();
  await db.events.each(({ id, sessionId }) => {
    if (of('sessions').has(sessionId) && !of('events').has(id)) kept.add(sessionId);
  });
  for (const name of ['events', 'measurements'] as const)
    await db.table<{ id: string; sessionId: string }>(name).each(({ id, sessionId }) => {
      if (kept.has(sessionId) || !of('sessions').has(sessionId)) of(name).delete(id);
    });
  await db.recordings.each(({ id, sessionId }) => {
    if (sessionId !== null && kept.has(sessionId)) of('recordings').delete(id);
  });
  for (const id of kept) of('sessions').delete(id);
  // An instrument or a learner stays as long as something refers to it.
  for (const name of OF_INSTRUMENT)
    await db.table<{ id: string; instrumentId: string }>(name).each(({ id, instrumentId }) => {
      if (!of(name).has(id)) of('instruments').delete(instrumentId);
    });
  await db.earRuns.each(({ id, learnerId }) => {
    if (learnerId !== null && !of('earRuns').has(id)) of('learners').delete(learnerId);
  });
  return added;
}

/** An instrument or learner that something brought back refers to comes back too, from whichever change removed it. */
async function bringAlong(db: RosefinchDatabase, recorder: Recorder): Promise<void> {
  const needed = new Map<TableName, Set<string>>([
    ['instruments', new Set()],
    ['learners', new Set()],
  ]);
  for (const name of OF_INSTRUMENT)
    await db.table<{ instrumentId: string }>(name).each(({ instrumentId }) => {
      needed.get('instruments')?.add(instrumentId);
    });
  await db.earRuns.each(({ learnerId }) => {
    if (learnerId !== null) needed.get('learners')?.add(learnerId);
  });
  for (const [name, ids] of needed) {
    const there = new Set(await db.table(name).toCollection().primaryKeys());
    const missing = new Set([...ids].filter((id) => !there.has(id)));
    if (missing.size === 0) continue;
    const parts = await db.changeParts.orderBy(':id').reverse().toArray();
    for (const { table, removed } of parts) {
      if (table !== name) continue;
      const found = removed.filter(({ id }) => missing.delete(id));
      await recorder.put(name, found);
    }
  }
}
