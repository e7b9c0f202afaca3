import {
  type Contents,
  type LogEntry,
  readBackup,
  type Session,
  writeBackup,
} from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { csvText, rounded } from './csv.ts';
import { checkSettings, type Settings } from './settings.ts';

/** What a restore would do to one kind of record. */
interface PlanLine {
  readonly what:
    | 'instruments'
    | 'tunings'
    | 'restringings'
    | 'fret checks'
    | 'sessions'
    | 'events'
    | 'recordings'
    | 'settings';
  readonly add: number;
  readonly change: number;
  readonly same: number;
}

/** A checked backup and what restoring it will do. */
export interface RestorePlan {
  readonly contents: Contents;
  readonly lines: readonly PlanLine[];
}

/**
 * Reads and checks a backup file against what is there.
 * @throws FormatError or RecordError; nothing was changed then.
 */
export function planRestore(text: string, present: Contents): RestorePlan {
  const contents = readBackup(text);
  checkSettings(contents.settings);
  const byId = (entry: { readonly id: string }) => entry.id;
  const lines: PlanLine[] = [
    compare('instruments', contents.instruments, present.instruments, byId),
    compare('tunings', contents.tunings, present.tunings, byId),
    compare('restringings', contents.restringings, present.restringings, byId),
    compare('fret checks', contents.fretChecks, present.fretChecks, byId),
    compare('sessions', contents.sessions, present.sessions, byId),
    compare('events', contents.log, present.log, (e: LogEntry) => `${e.sessionId} ${e.seq}`),
    compare('recordings', contents.recordings, present.recordings, byId),
    compare('settings', [contents.settings], [present.settings], () => 'settings'),
  ];
  return { contents, lines };
}

function compare<T>(
  what: PlanLine['what'],
  incoming: readonly T[],
  present: readonly T[],
  key: (entry: T) => string,
): PlanLine {
  const there = new Map(present.map((entry) => [key(entry), canonical(entry)]));
  let add = 0;
  let change = 0;
  for (const entry of incoming) {
    const old = there.get(key(entry));
    if (old === undefined) add++;
    else if (old !== canonical(entry)) change++;
  }
  return { what, add, change, same: incoming.length - add - change };
}

/** The same text for the same content, whatever the order of its fields. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_, v) => {
    if (v instanceof Float32Array) return [...v];
    if (typeof v !== 'object' || v === null || Array.isArray(v)) return v;
    return Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)));
  });
}

/** All contents as a backup file. */
export function backupText(
  contents: Contents & { readonly settings: Settings },
  now: Date,
): string {
  return writeBackup(contents, now);
}

const COLUMNS = [
  'time_utc',
  'zone',
  'instrument',
  'tuning',
  'source',
  'string',
  'deviation_cents',
  'error_cents',
  'pitch_hz',
  'moving',
  'f0_hz',
  'inharmonicity',
  'clarity',
  'capo',
  'session',
] as const;

/** Every reading as CSV (RFC 4180, UTF-8): one line a reading, units in the heading. */
export function readingsCsv(
  instruments: readonly Instrument[],
  sessions: readonly Session[],
  log: readonly LogEntry[],
  reader?: string,
): string {
  const names = new Map(instruments.map((entry) => [entry.id, entry.name]));
  const bySession = new Map(sessions.map((entry) => [entry.id, entry]));
  const rows = log.flatMap(({ sessionId, event, measurement }) => {
    const session = bySession.get(sessionId);
    if (event.type !== 'reading' || !session) return [];
    const full = measurement?.reading;
    return {
      time_utc: new Date(event.at).toISOString(),
      zone: session.zone,
      instrument: names.get(session.instrumentId) ?? session.instrumentId,
      tuning: session.tuningId,
      source: session.source,
      string: event.reading.course,
      deviation_cents: rounded(event.reading.cents, 3),
      error_cents: rounded(event.reading.errorCents, 3),
      pitch_hz: rounded(event.reading.hz, 4),
      moving: event.reading.moving ? 'yes' : 'no',
      f0_hz: full ? rounded(full.f0Hz, 4) : null,
      inharmonicity: full ? Number(full.inharmonicity.toPrecision(4)) : null,
      clarity: full ? rounded(full.clarity, 3) : null,
      capo: session.capo ?? 0,
      session: sessionId,
    };
  });
  return csvText(COLUMNS, rows, reader);
}
