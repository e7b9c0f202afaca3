import { FormatError, RecordError } from '../errors.ts';
import { nth } from '../maths/index.ts';
import { type Message, message, type Value } from '../message.ts';
import { migrated, migratedRecord } from './migrations.ts';
import { checked } from './shape.ts';
import { TABLE_NAMES, TABLES, type TableName, type Tables } from './shapes.ts';
import { SumsOfTables, type TableSum } from './sums.ts';
import { SCHEMA } from './version.ts';

/** One good record of a backup, with its place in the file. */
export type Scanned = {
  readonly [K in TableName]: {
    readonly table: K;
    readonly record: Tables[K];
    readonly place: Value;
  };
}[TableName];

/** What is wrong in a backup: where, why, and as much of it as can be shown. */
export interface Fault {
  readonly place: Value;
  readonly reason: Value;
  readonly text: string;
}

/** A file that is no list of lines must be read in one piece: so much of it, in characters. */
const MOST_IN_ONE_PIECE = 200_000_000;
/** Since this schema backups are written in lines. */
const FIRST_IN_LINES = 4;
/** No record is longer, in characters. */
const LONGEST_LINE = 50_000_000;
const FAULT_SHOWN = 10_000;
/** A file with more faults than this, and more than good records, is no backup. */
const MOST_FAULTS = 1000;
/** Since this schema the last line says what must be there. */
const FIRST_WITH_SUMS = 8;
const CHECK = '"check":';

const HEAD = /^\{"format":"rosefinch-backup","schema":(\d+),"exportedAt":"([^"]*)",$/;
const TABLE = /^"([A-Za-z]+)":\[(\],?)?$/;

/**
 * Reads a backup piece by piece: a file written by this Rosefinch has a record a line and is
 * never held whole; any other JSON of the same content, and older files, are. Records come out
 * checked, each once; those that refer to what is not there are faults. Nothing here changes
 * what is stored.
 */
export class BackupScanner {
  private rest = '';
  private line = 0;
  private schema = SCHEMA;
  /** Null until the first line says what the file is. */
  private manner: 'lines' | 'one piece' | null = null;
  private table: TableName | null = null;
  private index = 0;
  private pieces: string[] = [];
  private length = 0;
  private closed = false;
  private exportedAt = '';
  private readonly sums = new SumsOfTables();
  private isChecked = false;
  private faults = 0;
  private good = 0;
  /** Tables in which something was named already. */
  private readonly faulty = new Set<TableName>();
  private readonly ids = new Map<TableName, Set<string>>(TABLE_NAMES.map((n) => [n, new Set()]));

  /** Faults that end all reading are thrown as FormatError; the others are told, one by one. */
  constructor(
    private readonly onRecord: (scanned: Scanned) => void,
    private readonly onFault: (fault: Fault) => void,
  ) {}

  /** The next piece of the file's text. @throws FormatError if this is no backup, or a newer one */
  push(piece: string): void {
    if (this.manner === 'one piece') return this.hold(piece);
    let from = 0;
    for (let to = piece.indexOf('\n'); to >= 0; to = piece.indexOf('\n', from)) {
      this.take(this.rest + piece.slice(from, to));
      this.rest = '';
      from = to + 1;
      // The first line has told that the rest is of another kind.
      if (this.isOnePiece()) return this.hold(piece.slice(from));
    }
    this.rest += piece.slice(from);
    if (this.rest.length > LONGEST_LINE && this.manner === 'lines')
      throw new FormatError(message('problems.longLine', { line: this.line + 1 }));
    if (this.manner === null && this.rest.length > LONGEST_LINE) {
      this.manner = 'one piece';
      const held = this.rest;
      this.rest = '';
      this.hold(held);
    }
  }

  /** The file is over. @throws FormatError if this is no backup, a newer one, or one cut short */
  end(): void {
    if (this.rest !== '') this.take(this.rest);
    if (this.manner === null) throw new FormatError(message('problems.emptyFile'));
    if (this.isOnePiece()) this.readInOnePiece();
    else if (!this.closed || (this.schema >= FIRST_WITH_SUMS && !this.isChecked))
      this.faultAt(
        message('problems.line', { line: this.line }),
        this.closed ? message('problems.noCheck') : message('problems.endsEarly'),
        '',
      );
  }

  private isOnePiece(): boolean {
    return this.manner === 'one piece';
  }

  private hold(piece: string): void {
    this.length += piece.length;
    if (this.length > MOST_IN_ONE_PIECE) throw new FormatError(message('problems.tooLargeBackup'));
    this.pieces.push(piece);
  }

  private take(line: string): void {
    this.line++;
    if (this.manner === null) return this.begin(line);
    const where = message('problems.line', { line: this.line });
    const text = line.trim();
    if (text === '' || this.closed) return;
    const opened = TABLE.exec(text);
    if (opened) return this.open(nth(opened, 1), opened[2] !== undefined, where);
    if (text === ']' || text === '],') {
      this.table = null;
      return;
    }
    if (text === '}') {
      this.closed = true;
      return;
    }
    if (text.startsWith(CHECK)) return this.compareSums(text.slice(CHECK.length), where);
    if (this.table === null) return this.faultAt(where, message('problems.noList'), text);
    const json = text.endsWith(',') ? text.slice(0, -1) : text;
    this.sums.add(this.table, json);
    const place = `${this.table}[${this.index++}]`;
    let value: unknown;
    try {
      value = JSON.parse(json);
    } catch {
      this.faulty.add(this.table);
      return this.faultAt(this.inLine(place), message('problems.noJson'), text);
    }
    this.offer(this.table, migratedRecord(this.table, value, this.schema), place);
  }

  /** The check line: what is missing, and what was changed without looking wrong. */
  private compareSums(json: string, where: Value): void {
    this.isChecked = true;
    this.table = null;
    const said = sumsIn(json);
    if (!said) return this.faultAt(where, message('problems.noCheck'), json);
    if (said.exportedAt !== this.exportedAt)
      this.faultAt(message('problems.line', { line: 1 }), message('problems.changed'), '');
    const found = this.sums.end();
    for (const name of TABLE_NAMES) {
      const [now, then] = [found[name], said.tables[name]];
      const isComplete = this.compareCount(name, now.records, then);
      if (isComplete && now.sha256 !== then?.sha256 && !this.faulty.has(name))
        this.faultAt(name, message('problems.changed'), '');
    }
  }

  private compareCount(name: TableName, found: number, then: TableSum | undefined): boolean {
    const count = then?.records ?? 0;
    if (found !== count)
      this.faultAt(name, message('problems.recordsMissing', { found, count }), '');
    return found === count;
  }

  private inLine(place: Value): Message {
    return message('problems.inLine', { place, line: this.line });
  }

  /** The first line: the head of this Rosefinch's own form, or something else. */
  private begin(line: string): void {
    const head = HEAD.exec(line.trim());
    // Older forms were never written in lines.
    const schema = head ? checkSchema(Number(head[1])) : 0;
    if (head && schema >= FIRST_IN_LINES) {
      checkHead({ exportedAt: head[2] });
      this.exportedAt = nth(head, 2);
      this.manner = 'lines';
      this.schema = schema;
      return;
    }
    this.manner = 'one piece';
    this.hold(`${line}\n`);
  }

  private open(name: string, empty: boolean, where: Value): void {
    if (!isTable(name)) {
      this.table = null;
      return this.faultAt(where, message('problems.noTable', { name }), name);
    }
    this.table = empty ? null : name;
    this.index = 0;
  }

  private readInOnePiece(): void {
    const file = parse(this.pieces.join(''));
    this.pieces = [];
    const schema = checkSchema(file.schema);
    checkHead(file);
    const tables = migrated(file, schema);
    for (const [name, list] of Object.entries(tables)) {
      if (['format', 'schema', 'exportedAt', 'check'].includes(name)) continue;
      if (!isTable(name)) this.faultAt(name, message('problems.noSuchTable'), shownOf(list));
      else if (!Array.isArray(list))
        this.faultAt(name, message('problems.mustBeList'), shownOf(list));
    }
    // In the order in which tables refer to each other, whatever order the file has.
    for (const name of TABLE_NAMES) {
      const list = tables[name];
      if (list === undefined) this.faultAt(name, message('problems.listMissing'), '');
      if (!Array.isArray(list)) continue;
      list.forEach((value, i) => {
        // Another form of JSON has other white space alone: written again, its lines are the same.
        this.sums.add(name, JSON.stringify(value));
        this.offer(name, value, `${name}[${i}]`);
      });
    }
    if (file.check !== undefined) {
      this.exportedAt = String(file.exportedAt);
      this.compareSums(JSON.stringify(file.check), 'check');
    } else if (schema >= FIRST_WITH_SUMS) this.faultAt('check', message('problems.noCheck'), '');
  }

  private offer(table: TableName, value: unknown, place: string): void {
    // In one piece no line says where it stands.
    const located = (at: Value) => (this.manner === 'lines' ? this.inLine(at) : at);
    try {
      const record = checked<Tables[TableName]>(TABLES[table].shape, value, place);
      this.checkPlace(table, record, place);
      this.good++;
      this.onRecord({ table, record: packed(table, record), place: located(place) } as Scanned);
    } catch (error) {
      if (!(error instanceof RecordError)) throw error;
      this.faulty.add(table);
      this.faultAt(located(error.path), error.reason, shownOf(value));
    }
  }

  /** Ids are unique, and what is referred to is there. */
  private checkPlace(table: TableName, record: Tables[TableName], place: string): void {
    for (const [field, other] of Object.entries(TABLES[table].refers)) {
      const id = (record as unknown as Readonly<Record<string, string>>)[field]!;
      if (!this.ids.get(other as TableName)!.has(id))
        throw new RecordError(
          `${place}.${field}`,
          message('problems.noneCalled', { record: message(TABLES[other as TableName].one), id }),
        );
    }
    const seen = this.ids.get(table)!;
    if (seen.has(record.id))
      throw new RecordError(place, message('problems.idTwice', { id: record.id }));
    seen.add(record.id);
  }

  /** @throws FormatError where nearly everything is wrong: rubbish is not to be read to its end */
  private faultAt(place: Value, reason: Value, text: string): void {
    this.faults++;
    if (this.faults > MOST_FAULTS && this.faults > this.good)
      throw new FormatError(message('problems.tooManyFaults', { faults: MOST_FAULTS }));
    this.onFault({ place, reason, text: text.slice(0, FAULT_SHOWN) });
  }
}

/** What a check line says; null if it cannot be read. */
function sumsIn(json: string): {
  readonly exportedAt: unknown;
  readonly tables: Readonly<Partial<Record<TableName, TableSum>>>;
} | null {
  try {
    const { exportedAt, tables } = JSON.parse(json);
    return typeof tables === 'object' && tables !== null ? { exportedAt, tables } : null;
  } catch {
    return null;
  }
}

function isTable(name: string): name is TableName {
  return Object.hasOwn(TABLES, name);
}

function parse(text: string): Readonly<Record<string, unknown>> {
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch (error) {
    throw new FormatError(
      message('problems.noJsonFile', {
        reason: error instanceof Error ? error.message : String(error),
      }),
    );
  }
  const isObject = typeof file === 'object' && file !== null && !Array.isArray(file);
  if (!isObject || (file as { format?: unknown }).format !== 'rosefinch-backup')
    throw new FormatError(message('problems.noBackup'));
  return file as Readonly<Record<string, unknown>>;
}

/** @throws FormatError if the schema is no version, or one that only a newer Rosefinch knows */
function checkSchema(schema: unknown): number {
  if (typeof schema === 'number' && schema > SCHEMA && Number.isFinite(schema))
    throw new FormatError(message('problems.newerSchema', { schema, known: SCHEMA }));
  if (typeof schema !== 'number' || !Number.isInteger(schema) || schema < 1)
    throw new FormatError(message('problems.noSchema', { schema: shownOf(schema) }));
  return schema;
}

const DAY_LENGTH = '2026-12-02'.length;
const UTC = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/;

function checkHead({ exportedAt }: Readonly<Record<string, unknown>>): void {
  if (typeof exportedAt !== 'string' || !UTC.test(exportedAt) || !isPossible(exportedAt))
    throw new FormatError(message('problems.noUtc', { value: shownOf(exportedAt) }));
}

/** Whether the calendar has such a day, in years that a computer may have lived through. */
function isPossible(utc: string): boolean {
  const at = new Date(utc);
  return at.getTime() >= 0 && at.toISOString().slice(0, DAY_LENGTH) === utc.slice(0, DAY_LENGTH);
}

function shownOf(value: unknown): string {
  try {
    return (JSON.stringify(value) ?? '—').slice(0, FAULT_SHOWN);
  } catch {
    return '…';
  }
}

/** Lists of samples as 32-bit floats, as they are stored. */
function packed(table: TableName, record: Tables[TableName]): Tables[TableName] {
  if (table === 'measurements') {
    const measurement = record as Tables['measurements'];
    return { ...measurement, track: Float32Array.from(measurement.track) };
  }
  if (table === 'recordings') {
    const recording = record as Tables['recordings'];
    const plucks = recording.plucks.map((p) => ({ ...p, track: Float32Array.from(p.track) }));
    return { ...recording, envelope: Float32Array.from(recording.envelope), plucks };
  }
  return record;
}
