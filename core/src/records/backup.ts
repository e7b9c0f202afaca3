import { ValidationError } from 'yup';
import { FormatError, RecordError } from '../errors.ts';
import type { Tuning } from '../music/index.ts';
import type { Instrument } from '../strings/index.ts';
import { migrated } from './migrations.ts';
import { backupSchema, fretCheck, instrument, restringing, tuning } from './schema.ts';
import type { FretCheck, LogEntry, Recording, Restringing, Session } from './types.ts';

/** What the schemas are used by here. */
interface Checker {
  validateSync(value: unknown, options: { strict: boolean; abortEarly: boolean }): unknown;
}

/** Version of the backup's shape; a higher one was written by a newer Rosefinch. */
const BACKUP_SCHEMA = 3;

/** Everything that the database holds. Settings are checked by whoever knows them. */
export interface Contents {
  readonly instruments: readonly Instrument[];
  /** The teacher's own tunings. */
  readonly tunings: readonly Tuning[];
  readonly restringings: readonly Restringing[];
  readonly fretChecks: readonly FretCheck[];
  readonly sessions: readonly Session[];
  readonly log: readonly LogEntry[];
  readonly recordings: readonly Recording[];
  readonly settings: unknown;
}

/** Writes all contents as JSON; typed arrays become plain lists. */
export function writeBackup(contents: Contents, exportedAt: Date): string {
  const file = {
    format: 'rosefinch-backup',
    schema: BACKUP_SCHEMA,
    exportedAt: exportedAt.toISOString(),
    ...contents,
  };
  return `${JSON.stringify(file, (_, value) => (value instanceof Float32Array ? [...value] : value), 1)}\n`;
}

/**
 * Reads a backup file.
 * @throws FormatError if it is no JSON, no backup, or a newer one.
 * @throws RecordError naming path, value and reason of the first field that is wrong.
 */
export function readBackup(text: string): Contents {
  const file = migrated(parse(text));
  checked(backupSchema, file);
  const contents = file as unknown as Contents;
  checkReferences(contents);
  return {
    instruments: contents.instruments,
    tunings: contents.tunings,
    fretChecks: contents.fretChecks,
    restringings: contents.restringings,
    sessions: contents.sessions,
    log: contents.log.map(packLog),
    recordings: contents.recordings.map(packRecording),
    settings: contents.settings,
  };
}

/**
 * An instrument as it may be stored.
 * @throws RecordError naming the field, its value and what is wrong with it.
 */
export function checkInstrument(value: Instrument): Instrument {
  return checked(instrument, value);
}

/**
 * A tuning as it may be stored.
 * @throws RecordError naming the field, its value and what is wrong with it.
 */
export function checkTuning(value: Tuning): Tuning {
  return checked(tuning, value);
}

/**
 * A restringing as it may be stored.
 * @throws RecordError naming the field, its value and what is wrong with it.
 */
export function checkRestringing(value: Restringing): Restringing {
  return checked(restringing, value);
}

/**
 * A fret check as it may be stored.
 * @throws RecordError naming the field, its value and what is wrong with it.
 */
export function checkFretCheck(value: FretCheck): FretCheck {
  return checked(fretCheck, value);
}

/** @throws RecordError naming the field, its value and what is wrong with it. */
function checked<T>(shape: Checker, value: T): T {
  try {
    shape.validateSync(value, { strict: true, abortEarly: true });
  } catch (error) {
    if (error instanceof ValidationError) throw explain(error, value);
    throw error;
  }
  return value;
}

function parse(text: string): Record<string, unknown> {
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch (error) {
    throw new FormatError(
      `this is no JSON file: ${error instanceof Error ? error.message : error}`,
    );
  }
  if (typeof file !== 'object' || file === null || !('format' in file))
    throw new FormatError('this is no Rosefinch backup: it does not say so at its beginning');
  const { schema } = file as { schema?: unknown };
  if (typeof schema === 'number' && schema > BACKUP_SCHEMA)
    throw new FormatError(
      `this backup has schema ${schema}; this Rosefinch knows ${BACKUP_SCHEMA}. Use a newer one.`,
    );
  return file as Record<string, unknown>;
}

function explain(error: ValidationError, file: unknown): RecordError {
  const path = error.path ?? '';
  const value = JSON.stringify(valueAt(file, path)) ?? 'nothing';
  const reason = error.message.replace(path, '').replace(/ type, but the final value was.*$/s, '');
  return new RecordError(path || 'the file', `${reason.trim()}; got ${value.slice(0, 60)}`);
}

/** The value at a path such as `log[3].event.at`. */
function valueAt(root: unknown, path: string): unknown {
  let node = root;
  for (const key of path.split(/[.[\]]+/).filter((part) => part !== ''))
    node = (node as Record<string, unknown> | null | undefined)?.[key];
  return node;
}

/** Ids are unique, and everything that is referred to is there. */
function checkReferences(contents: Contents): void {
  const { instruments, tunings, restringings, fretChecks, sessions, log, recordings } = contents;
  const instrumentIds = unique(
    'instruments',
    instruments.map((entry) => entry.id),
  );
  const sessionIds = unique(
    'sessions',
    sessions.map((entry) => entry.id),
  );
  unique(
    'tunings',
    tunings.map((entry) => entry.id),
  );
  unique(
    'fretChecks',
    fretChecks.map((entry) => entry.id),
  );
  unique(
    'restringings',
    restringings.map((entry) => entry.id),
  );
  unique(
    'recordings',
    recordings.map((entry) => entry.id),
  );
  unique(
    'log',
    log.map((entry) => JSON.stringify([entry.sessionId, entry.seq])),
  );
  for (const [what, list] of Object.entries({ sessions, restringings, fretChecks }))
    list.forEach(({ instrumentId }, i) => {
      if (!instrumentIds.has(instrumentId))
        throw new RecordError(
          `${what}[${i}].instrumentId`,
          `no instrument is called ${instrumentId}`,
        );
    });
  log.forEach((entry, i) => {
    if (!sessionIds.has(entry.sessionId))
      throw new RecordError(`log[${i}].sessionId`, `no session is called ${entry.sessionId}`);
  });
}

function unique(what: string, ids: readonly string[]): Set<string> {
  const seen = new Set<string>();
  ids.forEach((id, i) => {
    if (seen.has(id)) throw new RecordError(`${what}[${i}]`, `the id ${id} comes twice`);
    seen.add(id);
  });
  return seen;
}

function packLog(entry: LogEntry): LogEntry {
  if (!entry.measurement) return entry;
  const { reading, track } = entry.measurement;
  return { ...entry, measurement: { reading, track: Float32Array.from(track) } };
}

function packRecording(recording: Recording): Recording {
  const plucks = recording.plucks.map((p) => ({ ...p, track: Float32Array.from(p.track) }));
  return { ...recording, envelope: Float32Array.from(recording.envelope), plucks };
}
