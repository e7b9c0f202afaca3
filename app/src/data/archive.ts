import { FormatError, RecordError } from '@rosefinch/core/errors';
import { type Message, message } from '@rosefinch/core/message';
import { findTuning, TUNINGS } from '@rosefinch/core/music';
import {
  BackupScanner,
  backupHead,
  backupTail,
  type Contents,
  checkRecord,
  type Fault,
  merged,
  type Newness,
  newnessOf,
  type Preference,
  recordLine,
  type Scanned,
  SumsOfTables,
  TABLE_NAMES,
  type TableName,
  type Tables,
  tableFrame,
} from '@rosefinch/core/records';
import type { Session } from '@rosefinch/core/sitting';
import { type Instrument, MODELS } from '@rosefinch/core/strings';
import { Dexie } from 'dexie';
import type { Progress } from '../worker/protocol.ts';
import { makeChange } from './changes.ts';
import type { RosefinchDatabase } from './database.ts';
import { asRecords, type Draft, mendSummary, nextNumber, notThere } from './log.ts';

/** Backups, restores and checks of all that is kept; they run in a worker, for they may take long. */

type Counts = Readonly<Record<TableName, number>>;

/** A backup that was read back. */
export interface Written {
  readonly file: Blob;
  readonly counts: Counts;
  /** The highest number that an event of this browser in it can have; −1 without any. */
  readonly upTo: number;
  /** What is kept, and in the file, but would not come back: it is not as records are. */
  readonly faults: readonly Fault[];
}

/** Records that are read at once. */
const BATCH = 500;
/** No more faults than these are told one by one. */
const FAULTS_TOLD = 1000;

/**
 * All that is kept as a backup file, with what is not stored yet; it is read back before it is
 * answered.
 * @throws RecordError if the file does not hold as many records as were written
 */
export async function writeArchive(
  db: RosefinchDatabase,
  unstored: readonly Draft[],
  exportedAt: Date,
  progress: Progress,
): Promise<Written> {
  const tables = db.kept();
  const parts: Blob[] = [];
  const counts = zeros();
  let upTo = -1;
  await db.transaction('r', [...Object.values(tables), db.local], async () => {
    const total = unstored.length + (await countOf(db));
    let done = 0;
    let text = backupHead(exportedAt);
    const sums = new SumsOfTables();
    upTo = (await nextNumber(db)) - 1;
    const known = new Set(await db.sessions.toCollection().primaryKeys());
    const drafts = asRecords(await notThere(db, unstored), upTo + 1);
    const besides: Partial<Contents> = {
      ...drafts,
      sessions: drafts.sessions.filter(({ id }) => !known.has(id)),
    };
    for (const name of TABLE_NAMES) {
      const { open, between, close } = tableFrame(name);
      text += open;
      let first = true;
      const write = (records: readonly Tables[TableName][]) => {
        for (const record of records) {
          const line = recordLine(record);
          sums.add(name, line);
          text += `${first ? '' : between}${line}`;
          first = false;
        }
        counts[name] += records.length;
        done += records.length;
        // Text that is put into a Blob may leave the memory.
        parts.push(new Blob([text]));
        text = '';
        progress(done, 2 * total);
      };
      await eachBatch(db, name, write);
      write(besides[name] ?? []);
      text += close;
    }
    parts.push(new Blob([text, backupTail(exportedAt, sums.end())]));
  });
  const file = new Blob(parts, { type: 'application/json' });
  const of = Object.values(counts).reduce((a, b) => a + b, 0);
  const faults = await readBack(file, counts, (done) => progress(of + done, 2 * of));
  return { file, counts, upTo, faults };
}

/** Everything in a table, so many records at once. */
async function eachBatch(
  db: RosefinchDatabase,
  name: TableName,
  take: (records: readonly Tables[TableName][]) => void,
): Promise<void> {
  const table = db.table<Tables[TableName], string>(name);
  let last: string | null = null;
  for (;;) {
    const rest = last === null ? table.toCollection() : table.where(':id').above(last);
    const records: Tables[TableName][] = await rest.limit(BATCH).toArray();
    take(records);
    last = records.at(-1)?.id ?? null;
    if (records.length < BATCH) return;
  }
}

async function countOf(db: RosefinchDatabase): Promise<number> {
  let total = 0;
  for (const table of Object.values(db.kept())) total += await table.count();
  return total;
}

/**
 * What of a file would not come back.
 * @throws RecordError if it does not hold as many records as were written
 */
async function readBack(file: Blob, wanted: Counts, progress: Progress): Promise<Fault[]> {
  const counts = zeros();
  const faults: Fault[] = [];
  let done = 0;
  await scan(file, {
    record: ({ table }) => {
      counts[table]++;
      progress(done++, 0);
    },
    fault: (fault) => faults.push(fault),
  });
  const sum = (of: Counts) => Object.values(of).reduce((a, b) => a + b, 0);
  const back = sum(counts) + faults.length;
  if (back < sum(wanted))
    throw new RecordError('backup', message('records.readBack', { written: sum(wanted), back }));
  return faults;
}

function zeros(): Record<TableName, number> {
  return Object.fromEntries(TABLE_NAMES.map((name) => [name, 0])) as Record<TableName, number>;
}

interface Visitor {
  readonly record: (scanned: Scanned) => void;
  readonly fault: (fault: Fault) => void;
  /** After each piece of the file: what must be waited for. */
  readonly piece?: () => Promise<void>;
}

/** So much of a file is read at once, in bytes. */
const PIECE = 2 ** 20;

/**
 * Reads a file piece by piece. A transaction ends when nothing is asked of it: within one,
 * `waiting` keeps it until a piece has been read.
 * @throws FormatError if it is no text, no backup, or a newer one
 */
async function scan(
  file: Blob,
  { record, fault, piece }: Visitor,
  waiting: <T>(work: Promise<T>) => Promise<T> = (work) => work,
): Promise<void> {
  const scanner = new BackupScanner(record, fault);
  const decoder = new TextDecoder('utf-8', { fatal: true });
  for (let from = 0; from < file.size; from += PIECE) {
    const bytes = await waiting(file.slice(from, from + PIECE).arrayBuffer());
    scanner.push(decoded(decoder, new Uint8Array(bytes), from));
    await piece?.();
  }
  scanner.push(decoded(decoder, undefined, file.size));
  scanner.end();
  await piece?.();
}

function decoded(decoder: TextDecoder, bytes: Uint8Array | undefined, from: number): string {
  try {
    return bytes ? decoder.decode(bytes, { stream: true }) : decoder.decode();
  } catch {
    throw new FormatError(message('problems.noUtf8', { byte: from }));
  }
}

/** What a restore would do. */
export interface Survey {
  readonly standings: Readonly<Record<TableName, Readonly<Record<Newness, number>>>>;
  readonly faults: readonly Fault[];
  /** Those beyond the ones that are told. */
  readonly moreFaults: number;
}

/** Reads a backup file and holds it against what is here; changes nothing. */
export async function surveyArchive(
  db: RosefinchDatabase,
  file: Blob,
  progress: Progress,
): Promise<Survey> {
  const standings = Object.fromEntries(
    TABLE_NAMES.map((name) => [name, { new: 0, same: 0, newer: 0, older: 0, different: 0 }]),
  ) as Record<TableName, Record<Newness, number>>;
  const faults: Fault[] = [];
  let moreFaults = 0;
  let held: Scanned[] = [];
  let done = 0;
  const compare = async () => {
    for (const [name, records] of byTable(held)) {
      const present = await db.kept()[name].bulkGet(records.map(({ id }) => id));
      records.forEach((record, i) => {
        standings[name][newnessOf(record, present[i])]++;
      });
    }
    done += held.length;
    progress(done, 0);
    held = [];
  };
  await scan(file, {
    record: (scanned) => held.push(scanned),
    fault: (fault) => {
      if (faults.length < FAULTS_TOLD) faults.push(fault);
      else moreFaults++;
    },
    piece: compare,
  });
  return { standings, faults, moreFaults };
}

function byTable(scanned: readonly Scanned[]): [TableName, Tables[TableName][]][] {
  return TABLE_NAMES.map((name): [TableName, Tables[TableName][]] => [
    name,
    scanned.flatMap((one) => (one.table === name ? [one.record] : [])),
  ]).filter(([, records]) => records.length > 0);
}

/** What is put back, and what of the present stays. */
export interface Restoring {
  readonly preference: Preference;
  /** Faults are left out; without it the first one ends all. */
  readonly salvage: boolean;
}

/**
 * Adds a backup file’s records to those that are here; all of it or, on any trouble, nothing. Answers the id of
 * the change, by which it can be undone.
 * @throws RecordError or FormatError naming the place in the file; nothing was changed then
 */
export async function restoreArchive(
  db: RosefinchDatabase,
  file: Blob,
  { preference, salvage }: Restoring,
  at: number,
  progress: Progress,
): Promise<number> {
  return makeChange(db, { kind: 'restored', at }, async (recorder) => {
    let held: Scanned[] = [];
    let done = 0;
    const put = async () => {
      for (const [name, records] of byTable(held)) {
        const table = db.table<Tables[TableName], string>(name);
        const present = await table.bulkGet(records.map(({ id }) => id));
        const wanted = records.flatMap((record, i) => {
          const one = merged(name, record, present[i], preference);
          return one ? [one] : [];
        });
        await recorder.put(name, wanted);
      }
      done += held.length;
      progress(done, 0);
      held = [];
    };
    const fault = ({ place, reason }: Fault) => {
      if (!salvage) throw new RecordError(place, reason);
    };
    const visitor = { record: (one: Scanned) => held.push(one), fault, piece: put };
    await scan(file, visitor, (work) => Dexie.waitFor(work));
  });
}

/** What a check of the store found, and what became of it. */
export interface StoreReport {
  readonly checked: number;
  readonly mended: readonly Message[];
  /** What cannot be mended: it stays as it is. */
  readonly left: readonly Fault[];
}

/**
 * Reads everything that is kept. Summaries that are missing or untrue are made anew, and what
 * belongs to no session gets one back; whatever can’t be repaired is reported and left as it is.
 * @param foundAgain what an instrument is called that stands for one that is gone
 */
export async function checkStore(
  db: RosefinchDatabase,
  foundAgain: string,
  progress: Progress,
): Promise<StoreReport> {
  const mended: Message[] = [];
  const left: Fault[] = [];
  const total = await countOf(db);
  let checked = 0;
  for (const name of TABLE_NAMES)
    await eachBatch(db, name, (records) => {
      left.push(...records.flatMap((record) => faultOf(name, record) ?? []));
      checked += records.length;
      progress(checked, total);
    });
  mended.push(...(await mendHomeless(db, foundAgain)), ...(await mendSummaries(db)));
  left.push(...(await homelessMeasurements(db)));
  return { checked, mended, left };
}

function faultOf(name: TableName, record: Tables[TableName]): Fault | null {
  try {
    checkRecord(name, record);
    return null;
  } catch (error) {
    if (!(error instanceof RecordError)) throw error;
    const place = message('problems.inRecord', {
      record: `${name}, ${record.id}`,
      path: error.path,
    });
    return { place, reason: error.reason, text: recordLine(record) };
  }
}

/** Sessions whose instrument is gone, and events whose session is, get a stand-in, put away from the shelf. */
async function mendHomeless(db: RosefinchDatabase, foundAgain: string): Promise<Message[]> {
  const sessions = new Set(await db.sessions.toCollection().primaryKeys());
  const homeless = new Map<string, number>();
  await db.events.each(({ sessionId, event }) => {
    const since = Math.min(
      event?.at ?? Number.POSITIVE_INFINITY,
      homeless.get(sessionId) ?? Number.POSITIVE_INFINITY,
    );
    if (!sessions.has(sessionId)) homeless.set(sessionId, since);
  });
  const found = [...homeless].map(([id, at]) => foundSession(id, at));
  await db.sessions.bulkAdd(found);
  const instruments = new Set(await db.instruments.toCollection().primaryKeys());
  const missing = new Map<string, Instrument>();
  const nameOf = (before: number) => (before === 0 ? foundAgain : `${foundAgain} ${before + 1}`);
  for (const name of ['sessions', 'restringings', 'fretChecks'] as const)
    await db.kept()[name].each(({ instrumentId, ...record }) => {
      const tuningId = 'tuningId' in record ? record.tuningId : '';
      if (!instruments.has(instrumentId) && !missing.has(instrumentId))
        missing.set(instrumentId, standIn(instrumentId, tuningId, nameOf(missing.size)));
    });
  await db.instruments.bulkAdd([...missing.values()]);
  return [
    ...found.map(() => message('records.sittingAgain')),
    ...[...missing.values()].map(({ name }) => message('records.standsForGone', { name: name })),
  ];
}

function foundSession(id: string, at: number): Session {
  return {
    id,
    instrumentId: 'found again',
    tuningId: 'guitar-standard',
    a4: 440,
    tolerance: 2,
    source: 'recording',
    startedAt: Number.isFinite(at) ? at : 0,
    zone: 'UTC',
    endedAt: Number.isFinite(at) ? at : 0,
  };
}

function standIn(id: string, tuningId: string, name: string): Instrument {
  const tuning = findTuning(tuningId, TUNINGS);
  const models = MODELS.map((model) => model.build(id, name));
  const built = models.find(({ kind }) => kind === tuning?.kind) ?? models[0]!;
  return { ...built, archived: true };
}

async function homelessMeasurements(db: RosefinchDatabase): Promise<Fault[]> {
  const events = new Set(await db.events.toCollection().primaryKeys());
  const ids = await db.measurements.toCollection().primaryKeys();
  return ids
    .filter((id) => !events.has(id))
    .map((id) => ({
      place: `measurements, ${id}`,
      reason: message('records.eventGone'),
      text: '',
    }));
}

/** Makes the summaries anew that are missing, of another form or untrue. */
async function mendSummaries(db: RosefinchDatabase): Promise<Message[]> {
  const mended: Message[] = [];
  const sessions = await db.sessions.toArray();
  for (const session of sessions) {
    const wrong = await mendSummary(db, session);
    if (wrong) mended.push(message('records.summaryMended', { was: wrong }));
  }
  const there = new Set(sessions.map(({ id }) => id));
  const stray = (await db.summaries.toCollection().primaryKeys()).filter((id) => !there.has(id));
  await db.summaries.bulkDelete(stray);
  return [...mended, ...stray.map(() => message('records.summaryGone'))];
}
