import type { Contents } from '@rosefinch/core/records';
import type { StampedEvent } from '@rosefinch/core/sitting';
import {
  inOrder,
  type LogEntry,
  type Measurement,
  MOST_NUMBER,
  type Session,
  SUMMARY_FORM,
  type Summary,
  summarise,
  summaryAfter,
  withAttributions,
} from '@rosefinch/core/sitting';
import { Dexie, liveQuery } from 'dexie';
import { newId } from '../environment.ts';
import type { RosefinchDatabase } from './database.ts';
import { Outbox } from './outbox.ts';
import { checkRecord, checkSummary, recordRules } from './rules.ts';
import { stored } from './stored.ts';

/** An event on its way into the log of its session: it has no number yet. */
export interface Draft {
  readonly id: string;
  readonly session: Session;
  readonly event: StampedEvent;
  readonly measurement?: Pick<Measurement, 'reading' | 'track'>;
}

/** The logs of all sessions. Each event is stored once, by its id, in the order in which the disk takes them. */
export class Log {
  readonly outbox: Outbox<Draft>;
  private machine: Promise<string> | null = null;

  constructor(
    private readonly db: RosefinchDatabase,
    later: (act: () => void, ms: number) => unknown = setTimeout,
  ) {
    this.outbox = new Outbox((draft) => stored(() => this.store(draft)), later);
  }

  /** Hands an event to the disk; answers its id at once. */
  append(
    session: Session,
    event: StampedEvent,
    measurement?: Pick<Measurement, 'reading' | 'track'>,
  ): Draft {
    const draft = { id: newId(), session, event, ...(measurement && { measurement }) };
    this.outbox.add(draft);
    return draft;
  }

  /** A session's log, in its order, each pluck with the string that it was put to in the end. */
  async of(sessionId: string): Promise<readonly LogEntry[]> {
    return withAttributions(await logOf(this.db, sessionId));
  }

  /** The same whenever it changes, in whichever tab; returns an unsubscribe function. */
  watch(sessionId: string, read: (log: readonly LogEntry[]) => void): () => void {
    const watching = liveQuery(() => this.of(sessionId)).subscribe({
      next: read,
      // Nothing can be read: what is on screen stays, and storing tells why.
      error: () => {},
    });
    return () => watching.unsubscribe();
  }

  measurements(ids: readonly string[]): Promise<Measurement[]> {
    return this.db.measurements
      .bulkGet([...ids])
      .then((found) => found.filter((m) => m !== undefined));
  }

  /** The summaries of some sessions, as they are kept; those that are missing are made from the log. */
  async summaries(sessions: readonly Session[]): Promise<Map<string, Summary>> {
    const found = await this.db.summaries.bulkGet(sessions.map(({ id }) => id));
    const all = new Map<string, Summary>();
    for (const [i, session] of sessions.entries()) {
      const kept = found[i];
      const summary =
        kept?.form === SUMMARY_FORM ? kept : await summaryOf(this.db, session).catch(() => null);
      if (summary) all.set(session.id, summary);
    }
    return all;
  }

  /** Makes and stores the summaries that are missing or of another form. */
  mendSummaries(): Promise<void> {
    return makeMissing(this.db);
  }

  /** Stores a session that was read from a file, with its events and what goes with them: all or none. */
  async addSitting(
    session: Session,
    drafts: readonly Draft[],
    besides: () => Promise<unknown>,
  ): Promise<void> {
    const { db } = this;
    const machine = await this.machineName();
    await recordRules();
    await db.transaction('rw', db.tables, async () => {
      await besides();
      for (const draft of drafts) await this.write({ ...draft, session }, machine);
    });
  }

  /** Asked for ahead, so that the first reading need not wait for it. */
  machineName(): Promise<string> {
    this.machine ??= machineOf(this.db).catch((error) => {
      // A disk that was full may have room the next time.
      this.machine = null;
      throw error;
    });
    return this.machine;
  }

  private async store(draft: Draft): Promise<void> {
    const { db } = this;
    const { events, measurements, sessions, summaries, instruments, local } = db;
    const machine = await this.machineName();
    await recordRules();
    const tables = [events, measurements, sessions, summaries, instruments, local];
    await db.transaction('rw', tables, () => this.write(draft, machine));
  }

  /** Within a transaction, so that no two tabs give the same number. */
  private async write({ id, session, event, measurement }: Draft, machine: string): Promise<void> {
    const { events, measurements, sessions, summaries, instruments } = this.db;
    // Asked for all at once: each answer that is waited for is time in which a reading is not stored.
    const [there, sitting, next, last, before] = await Promise.all([
      events.get(id),
      sessions.get(session.id),
      nextNumber(this.db),
      entriesOf(this.db, session.id).last(),
      summaries.get(session.id),
    ]);
    // It was stored, and only the answer got lost.
    if (there) return;
    // After everything in its session, those events included that came from another browser.
    const number = last && last.number < MOST_NUMBER ? Math.max(next, last.number + 1) : next;
    const entry: LogEntry = { id, sessionId: session.id, machine, number, event };
    const added: Promise<unknown>[] = [
      events.add(checkRecord('events', entry)),
      this.db.local.put({ id: 'numbers', next: number + 1 }),
    ];
    if (!sitting) added.push(sessions.add(checkRecord('sessions', session)));
    if (measurement) {
      const whole = { id, sessionId: session.id, ...measurement };
      added.push(measurements.add(checkRecord('measurements', whole)));
    }
    await Promise.all(added);
    if (before?.form === SUMMARY_FORM && event.type !== 'attributed')
      await summaries.put(checkSummary(summaryAfter(before, entry)));
    else {
      const instrument = await instruments.get(session.instrumentId);
      const log = await logOf(this.db, session.id);
      if (instrument)
        await summaries.put(checkSummary(summarise(session, log, instrument.courses)));
    }
  }
}

/** Makes and stores the summaries that are missing or of another form. */
export async function makeMissing(db: RosefinchDatabase): Promise<void> {
  const kept = await db.summaries.filter(({ form }) => form === SUMMARY_FORM).primaryKeys();
  const there = new Set(kept);
  const missing = (await db.sessions.toArray()).filter(({ id }) => !there.has(id));
  // A log that cannot be summed up must not keep the page from opening: the check names it.
  for (const session of missing) await mendSummary(db, session).catch(() => {});
}

/** The name of this browser’s store: given once. */
async function machineOf(db: RosefinchDatabase): Promise<string> {
  return db.transaction('rw', db.local, async () => {
    const known = await db.local.get('machine');
    if (known?.id === 'machine') return known.name;
    const name = newId();
    await db.local.add({ id: 'machine', name });
    return name;
  });
}

/**
 * The number of the next event of this browser. It is stored, and never worked out from what is there: what is
 * deleted and brought back keeps its number for itself.
 */
export async function nextNumber(db: RosefinchDatabase): Promise<number> {
  const numbers = await db.local.get('numbers');
  if (numbers?.id === 'numbers') return numbers.next;
  // Records from before there was a counter.
  const newest = await db.events.where('number').below(MOST_NUMBER).last();
  return (newest?.number ?? -1) + 1;
}

const entriesOf = (db: RosefinchDatabase, sessionId: string) =>
  db.events
    .where('[sessionId+number]')
    .between([sessionId, Dexie.minKey], [sessionId, Dexie.maxKey]);

export function logOf(db: RosefinchDatabase, sessionId: string): Promise<LogEntry[]> {
  return entriesOf(db, sessionId).toArray(inOrder);
}

/** A session’s summary, made from its log; null where its instrument is not here. */
async function summaryOf(db: RosefinchDatabase, session: Session): Promise<Summary | null> {
  const instrument = await db.instruments.get(session.instrumentId);
  if (!instrument) return null;
  return summarise(session, await logOf(db, session.id), instrument.courses);
}

/** Makes a session’s summary anew if it is not what its log says; answers what was wrong with it. */
export function mendSummary(
  db: RosefinchDatabase,
  session: Session,
): Promise<'missing' | 'untrue' | null> {
  // An event that another tab stores meanwhile must be in both or in neither.
  return db.transaction('rw', db.instruments, db.events, db.summaries, async () => {
    const made = await summaryOf(db, session);
    const kept = await db.summaries.get(session.id);
    if (!made || JSON.stringify(kept) === JSON.stringify(made)) return null;
    await db.summaries.put(made);
    return kept ? 'untrue' : 'missing';
  });
}

/** Where events stood that were never stored. */
const NOT_STORED = 'not stored yet';

/** Events that are not stored yet, as they would be: for files, so that nothing is left out of them. */
export function asRecords(
  drafts: readonly Draft[],
  firstNumber: number,
): Pick<Contents, 'sessions' | 'events' | 'measurements'> {
  const sessions = new Map(drafts.map(({ session }) => [session.id, session]));
  const events = drafts.map(({ id, session, event }, i) => ({
    id,
    sessionId: session.id,
    machine: NOT_STORED,
    number: firstNumber + i,
    event,
  }));
  const measurements = drafts.flatMap(({ id, session, measurement }) =>
    measurement ? [{ id, sessionId: session.id, ...measurement }] : [],
  );
  return { sessions: [...sessions.values()], events, measurements };
}

/** Of some events only the answer that they are stored is still to come: the others. */
export async function notThere(
  db: RosefinchDatabase,
  drafts: readonly Draft[],
): Promise<readonly Draft[]> {
  const stored = await db.events.bulkGet(drafts.map(({ id }) => id));
  return drafts.filter((_, i) => stored[i] === undefined);
}
