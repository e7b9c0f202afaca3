import {
  type LogEntry,
  type Measurement,
  type Session,
  withAttributions,
} from '@rosefinch/core/sitting';
import type { Progress } from '../worker/protocol.ts';
import { csvText, rounded } from './csv.ts';
import type { RosefinchDatabase } from './database.ts';
import { type Draft, logOf, notThere } from './log.ts';

const COLUMNS = [
  'time_utc',
  'zone',
  'instrument',
  'tuning',
  'source',
  'string',
  'of_course',
  'deviation_cents',
  'error_cents',
  'pitch_hz',
  'moving',
  'f0_hz',
  'inharmonicity',
  'clarity',
  'capo',
  'session',
  'stored',
] as const;

type Line = Pick<LogEntry, 'id' | 'event'>;

/** One session with what is known of its readings. */
export interface ReadSitting {
  readonly session: Session;
  /** The instrument's name. */
  readonly instrument: string;
  readonly log: readonly Line[];
  readonly measurements: ReadonlyMap<string, Pick<Measurement, 'reading'>>;
  readonly stored: boolean;
}

/** Readings as CSV (RFC 4180, UTF-8): one line a reading, units in the heading. */
export function readingsCsv(sittings: readonly ReadSitting[], reader?: string): string {
  return csvText(COLUMNS, sittings.flatMap(rowsOf), reader);
}

function rowsOf({ session, instrument, log, measurements, stored }: ReadSitting) {
  return log.flatMap(({ id, event }) => {
    if (event.type !== 'reading') return [];
    const { reading } = event;
    const full = measurements.get(id)?.reading;
    return {
      time_utc: new Date(event.at).toISOString(),
      zone: session.zone,
      instrument,
      tuning: session.tuningId,
      source: session.source,
      string: reading.course,
      of_course: reading.member ?? 1,
      deviation_cents: rounded(reading.cents, 3),
      error_cents: rounded(reading.errorCents, 3),
      pitch_hz: rounded(reading.hz, 4),
      moving: reading.moving ? 'yes' : 'no',
      f0_hz: full ? rounded(full.f0Hz, 4) : null,
      inharmonicity: full ? Number(full.inharmonicity.toPrecision(4)) : null,
      clarity: full ? rounded(full.clarity, 3) : null,
      capo: session.capo ?? 0,
      session: session.id,
      stored: stored ? 'yes' : 'no',
    };
  });
}

/** Every reading that is kept, and those that are not stored yet, as a CSV file, the oldest session first. */
export async function writeReadings(
  db: RosefinchDatabase,
  unstored: readonly Draft[],
  reader: string,
  progress: Progress,
): Promise<Blob> {
  const names = new Map<string, string>();
  await db.instruments.each(({ id, name }) => {
    names.set(id, name);
  });
  const sessions = await db.sessions.orderBy('startedAt').toArray();
  const parts = [readingsCsv([], reader)];
  for (const [i, session] of sessions.entries()) {
    const log = withAttributions(await logOf(db, session.id));
    const found = await db.measurements.bulkGet(log.map(({ id }) => id));
    const measurements = new Map(found.flatMap((one) => (one ? [[one.id, one] as const] : [])));
    parts.push(lines({ session, instrument: nameOf(session), log, measurements, stored: true }));
    progress(i + 1, sessions.length);
  }
  for (const { session, id, event, measurement } of await notThere(db, unstored)) {
    const measurements = new Map(measurement ? [[id, measurement] as const] : []);
    const log = [{ id, event }];
    parts.push(lines({ session, instrument: nameOf(session), log, measurements, stored: false }));
  }
  return new Blob(parts, { type: 'text/csv' });

  function nameOf({ instrumentId }: Session): string {
    return names.get(instrumentId) ?? instrumentId;
  }

  /** Without the heading, which stands in the first part. */
  function lines(sitting: ReadSitting): string {
    const text = readingsCsv([sitting], reader);
    return text.slice(text.indexOf('\r\n') + 2);
  }
}
