import type { StampedEvent } from '@rosefinch/core/coach';
import type { LogEntry, Measurement, Session } from '@rosefinch/core/records';
import { saltmarshLibrary } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { Dexie } from 'dexie';
import type { RosefinchDatabase, Shelf } from './database.ts';
import { DEFAULT_SETTINGS, type Settings } from './settings.ts';

/** A reading or setting could not be stored; what is on screen stays there. */
class StoreProblem extends Error {
  override readonly name = 'StoreProblem';
}

async function stored<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    const full = error instanceof Dexie.DexieError && error.name === 'QuotaExceededError';
    throw new StoreProblem(
      full
        ? 'The browser’s storage is full. The reading stays on screen; free some space.'
        : `The browser could not store this: ${error instanceof Error ? error.message : error}`,
      { cause: error },
    );
  }
}

/** All that the pages read and write; nothing else knows the database. */
export class Repository {
  constructor(private readonly db: RosefinchDatabase) {}

  /** Fills an empty demo shelf with the invented library. */
  prepare(shelf: Shelf): Promise<void> {
    return stored(() =>
      this.db.transaction('rw', this.db.instruments, this.db.settings, async () => {
        if (shelf !== 'demo' || (await this.db.instruments.count()) > 0) return;
        const library = saltmarshLibrary();
        await this.db.instruments.bulkAdd(library);
        await this.saveSettings({ instrumentId: library[0]?.id ?? null });
      }),
    );
  }

  instruments(): Promise<Instrument[]> {
    return stored(() => this.db.instruments.orderBy('name').toArray());
  }

  addInstruments(instruments: readonly Instrument[]): Promise<void> {
    return stored(async () => void (await this.db.instruments.bulkPut([...instruments])));
  }

  settings(): Promise<Settings> {
    return stored(async () => ({
      ...DEFAULT_SETTINGS,
      ...(await this.db.settings.get('settings'))?.value,
    }));
  }

  saveSettings(change: Partial<Settings>): Promise<void> {
    return stored(() =>
      this.db.transaction('rw', this.db.settings, async () => {
        const value = { ...(await this.settings()), ...change };
        await this.db.settings.put({ id: 'settings', value });
      }),
    );
  }

  /** The newest session of an instrument that was not ended, with its log. */
  openSession(instrumentId: string): Promise<{ session: Session; log: LogEntry[] } | null> {
    return stored(async () => {
      const all = await this.db.sessions.where('instrumentId').equals(instrumentId).toArray();
      const session = all
        .filter((s) => s.endedAt === null)
        .sort((a, b) => b.startedAt - a.startedAt)[0];
      if (!session) return null;
      const log = await this.db.log
        .where('[sessionId+seq]')
        .between([session.id, Dexie.minKey], [session.id, Dexie.maxKey])
        .toArray();
      return { session, log };
    });
  }

  startSession(session: Session): Promise<void> {
    return stored(async () => void (await this.db.sessions.add(session)));
  }

  endSession(id: string, at: number): Promise<void> {
    return stored(async () => void (await this.db.sessions.update(id, { endedAt: at })));
  }

  /** Appends one event to a session's log, with its measurement if it is a reading. */
  append(
    sessionId: string,
    seq: number,
    event: StampedEvent,
    measurement?: Measurement,
  ): Promise<void> {
    const entry: LogEntry = measurement
      ? { sessionId, seq, event, measurement }
      : { sessionId, seq, event };
    return stored(async () => void (await this.db.log.add(entry)));
  }
}
