import { RecordError } from '../errors.ts';
import type { Summary } from '../sitting/index.ts';
import { BackupScanner, type Fault, type Scanned } from './scan.ts';
import { checked } from './shape.ts';
import { summary, TABLE_NAMES, TABLES, type TableName, type Tables } from './shapes.ts';
import { type BackupSums, SumsOfTables } from './sums.ts';
import { SCHEMA } from './version.ts';

/** Everything that is kept, table by table. */
export type Contents = { readonly [K in TableName]: readonly Tables[K][] };

/**
 * A record as it may be stored.
 * @throws RecordError naming the field, its value and what is wrong with it.
 */
export function checkRecord<K extends TableName>(table: K, record: Tables[K]): Tables[K] {
  return checked(TABLES[table].shape, record);
}

/** The same of a summary, which is no part of a backup. @throws RecordError */
export function checkSummary(value: Summary): Summary {
  return checked(summary, value);
}

/** The first line of a backup file. */
export function backupHead(exportedAt: Date): string {
  return `{"format":"rosefinch-backup","schema":${SCHEMA},"exportedAt":"${exportedAt.toISOString()}",\n`;
}

/** What opens and closes the list of one table in a backup file, and parts its lines. */
export function tableFrame(table: TableName): { open: string; between: string; close: string } {
  return { open: `"${table}":[\n`, between: ',\n', close: '\n],\n' };
}

/** The end of a backup file: by its sums a reader notices what is missing or was changed. */
export function backupTail(exportedAt: Date, sums: BackupSums): string {
  return `"check":${JSON.stringify({ exportedAt: exportedAt.toISOString(), tables: sums })}\n}\n`;
}

/** A 32-bit float needs no more digits than this. */
const FLOAT_DIGITS = 9;

/** One record as a line of a backup file; typed arrays become plain lists. */
export function recordLine(record: Tables[TableName]): string {
  return JSON.stringify(record, (_, value) =>
    value instanceof Float32Array
      ? Array.from(value, (x) => Number(x.toPrecision(FLOAT_DIGITS)))
      : value,
  );
}

/** A store in which nothing is kept, to be filled. */
export function noContents(): { [K in TableName]: Tables[K][] } {
  const tables = TABLE_NAMES.map((name) => [name, []]);
  return Object.fromEntries(tables) as unknown as { [K in TableName]: Tables[K][] };
}

/** Writes all contents as a backup file: JSON (RFC 8259) with one record a line. */
export function writeBackup(contents: Contents, exportedAt: Date): string {
  const sums = new SumsOfTables();
  const tables = TABLE_NAMES.map((name) => {
    const { open, between, close } = tableFrame(name);
    const lines = contents[name].map(recordLine);
    for (const line of lines) sums.add(name, line);
    return `${open}${lines.join(between)}${close}`;
  });
  return `${backupHead(exportedAt)}${tables.join('')}${backupTail(exportedAt, sums.end())}`;
}

/**
 * Reads a whole backup file.
 * @throws FormatError if it is no JSON, no backup, or a newer one.
 * @throws RecordError naming path, value and reason of the first field that is wrong.
 */
export function readBackup(text: string): Contents {
  return salvage(text, ({ place, reason }) => {
    throw new RecordError(place, reason);
  });
}

/**
 * Reads what is good of a backup file; what is not goes to `onFault`.
 * @throws FormatError if it is no JSON, no backup, or a newer one.
 */
export function salvage(text: string, onFault: (fault: Fault) => void): Contents {
  const contents = noContents();
  const keep = ({ table, record }: Scanned) => (contents[table] as unknown[]).push(record);
  const scanner = new BackupScanner(keep, onFault);
  scanner.push(text);
  scanner.end();
  return contents;
}
