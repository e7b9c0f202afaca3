import { shiftHz, TUNINGS, type Tuning } from '@rosefinch/core/music';
import type {
  Contents,
  FretCheck,
  LogEntry,
  Recording,
  Restringing,
  Session,
} from '@rosefinch/core/records';
import {
  checkFretCheck,
  checkInstrument,
  checkRestringing,
  checkTuning,
  saltmarshLibrary,
  tellsOfInstrument,
} from '@rosefinch/core/records';
import { type Instrument, type Peg, type StringHeard, withPeg } from '@rosefinch/core/strings';
import { Dexie, type Table } from 'dexie';
import { locale } from '../environment.ts';
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
        ? 'The browser’s storage is full. The reading stays on screen: write a backup under Data, then free some space.'
        : `The browser could not store this: ${error instanceof Error ? error.message : error}`,
      { cause: error },
    );
  }
}

/** Older sittings than these tell nothing new of an instrument. */
const MOST_SITTINGS = 8;

/** As people count: “Uke 2” before “Uke 10”. */
function byName<T extends { readonly name: string }>(list: T[]): T[] {
  const order = new Intl.Collator(locale(), { numeric: true, sensitivity: 'base' });
  return list.sort((a, b) => order.compare(a.name, b.name));
}

/** What an instrument is to sound. */
interface Aim {
  readonly tuningId: string;
  /** Fret of the capo; 0 without. */
  readonly capo: number;
  /** In Hz. */
  readonly a4: number;
}

function isFor(session: Session, { tuningId, capo, a4 }: Aim): boolean {
  return session.tuningId === tuningId && (session.capo ?? 0) === capo && session.a4 === a4;
}

/** All that the pages read and write; nothing else knows the database. */
export class Repository {
  constructor(
    private readonly db: RosefinchDatabase,
    readonly shelfKind: Shelf,
  ) {}

  /** True if a sitting or a check tells of the instrument itself: practice and foreign recordings do not. */
  readonly tells = (of: Pick<Session, 'source' | 'adopted'>): boolean =>
    tellsOfInstrument(of, this.shelfKind === 'demo');

  /** Fills an empty demo shelf with the invented library. */
  prepare(): Promise<void> {
    return stored(() =>
      this.db.transaction('rw', this.db.instruments, this.db.settings, async () => {
        if (this.shelfKind !== 'demo' || (await this.db.instruments.count()) > 0) return;
        const library = saltmarshLibrary();
        await this.db.instruments.bulkAdd(library);
        await this.saveSettings({ instrumentId: library[0]?.id ?? null });
      }),
    );
  }

  instruments(): Promise<Instrument[]> {
    return stored(async () => byName(await this.db.instruments.toArray()));
  }

  /** The instruments on the shelf: those that were not taken off it. */
  async shelf(): Promise<Instrument[]> {
    return (await this.instruments()).filter((entry) => !entry.archived);
  }

  /** Stores a new or changed instrument; answers the way back. @throws RecordError if a field is wrong. */
  async saveInstrument(instrument: Instrument): Promise<() => Promise<void>> {
    return this.put(this.db.instruments, checkInstrument(instrument));
  }

  /** The teacher's own tunings, by name, then those of the catalogue. */
  tunings(): Promise<Tuning[]> {
    return stored(async () => [...byName(await this.db.tunings.toArray()), ...TUNINGS]);
  }

  /** Stores a new or changed tuning of the teacher's own; answers the way back. @throws RecordError if a field is wrong. */
  async saveTuning(tuning: Tuning): Promise<() => Promise<void>> {
    return this.put(this.db.tunings, checkTuning(tuning));
  }

  /** Removes a tuning of the teacher's own. @throws StoreProblem while an instrument is in it */
  async deleteTuning(id: string): Promise<void> {
    const user = (await this.instruments()).find(
      (entry) => entry.tuningId === id || entry.homeTuningId === id,
    );
    if (user)
      throw new StoreProblem(`${user.name} is in this tuning. Keep it in another one first.`);
    return stored(() => this.db.tunings.delete(id));
  }

  /** All restringings of an instrument, the newest first. */
  restringings(instrumentId?: string): Promise<Restringing[]> {
    return stored(async () => {
      const all =
        instrumentId === undefined
          ? await this.db.restringings.toArray()
          : await this.db.restringings.where('instrumentId').equals(instrumentId).toArray();
      return all.sort((a, b) => b.fittedAt - a.fittedAt);
    });
  }

  /** Stores a new or changed restringing; answers the way back. @throws RecordError if a field is wrong. */
  async saveRestringing(restringing: Restringing): Promise<() => Promise<void>> {
    return this.put(this.db.restringings, checkRestringing(restringing));
  }

  /** Changes some facts of a restringing; the rest stays as it is by then. */
  changeRestringing(id: string, change: Partial<Restringing>): Promise<void> {
    return stored(() =>
      this.db.transaction('rw', this.db.restringings, async () => {
        const now = await this.db.restringings.get(id);
        if (now) await this.db.restringings.put(checkRestringing({ ...now, ...change }));
      }),
    );
  }

  /** All fret checks of an instrument, the newest first; those made on a practice instrument tell nothing of a real one. */
  fretChecks(instrumentId: string): Promise<FretCheck[]> {
    return stored(async () => {
      const all = await this.db.fretChecks.where('instrumentId').equals(instrumentId).toArray();
      return all.sort((a, b) => b.startedAt - a.startedAt);
    });
  }

  /** Stores a new or changed fret check; answers the way back. @throws RecordError if a field is wrong. */
  async saveFretCheck(check: FretCheck): Promise<() => Promise<void>> {
    return this.put(this.db.fretChecks, checkFretCheck(check));
  }

  /** Every sitting of an instrument since a moment with its log, the oldest first. */
  sittingsSince(
    instrumentId: string,
    since: number,
  ): Promise<{ readonly session: Session; readonly log: readonly LogEntry[] }[]> {
    return stored(async () => {
      const all = (
        await this.db.sessions.where('instrumentId').equals(instrumentId).toArray()
      ).filter(this.tells);
      const late = all.filter(({ endedAt }) => endedAt === null || endedAt >= since);
      late.sort((a, b) => a.startedAt - b.startedAt);
      return Promise.all(
        late.map(async (session) => ({ session, log: await this.logOf(session.id) })),
      );
    });
  }

  /** Stores a record; answers the way back. */
  private async put<T extends { readonly id: string }>(
    table: Table<T, string>,
    record: T,
  ): Promise<() => Promise<void>> {
    const before = await table.get(record.id);
    await stored(async () => void (await table.put(record)));
    return () =>
      stored(async () => {
        if (before) await table.put(before);
        else await table.delete(record.id);
      });
  }

  /** Stores what was found of a peg; the rest of the instrument stays as it is by then. */
  savePeg(instrumentId: string, course: number, peg: Peg): Promise<void> {
    return stored(() =>
      this.db.transaction('rw', this.db.instruments, async () => {
        const instrument = await this.db.instruments.get(instrumentId);
        if (instrument)
          await this.db.instruments.put(checkInstrument(withPeg(instrument, course, peg)));
      }),
    );
  }

  addInstruments(instruments: readonly Instrument[]): Promise<void> {
    return stored(async () => void (await this.db.instruments.bulkPut([...instruments])));
  }

  /** The newest pitch of every open course of an instrument, from its sittings, in Hz; what a capo added is taken off. */
  lastPitches({ id, courses }: Instrument): Promise<ReadonlyMap<number, number>> {
    return stored(async () => {
      const sessions = (await this.db.sessions.where('instrumentId').equals(id).toArray()).filter(
        this.tells,
      );
      const pitches = new Map<number, number>();
      // Newest first, so that a long history need not be read.
      for (const session of sessions.sort((a, b) => b.startedAt - a.startedAt)) {
        if (pitches.size === courses.length) break;
        for (const { event } of (await this.logOf(session.id)).reverse())
          if (event.type === 'reading' && !pitches.has(event.reading.course))
            pitches.set(
              event.reading.course,
              shiftHz(event.reading.hz, -100 * (session.capo ?? 0)),
            );
      }
      return pitches;
    });
  }

  /**
   * What every string was read at in the newest sittings of an instrument, the oldest of
   * them first.
   */
  heard(instrumentId: string): Promise<StringHeard[][]> {
    return stored(async () => {
      const all = (
        await this.db.sessions.where('instrumentId').equals(instrumentId).toArray()
      ).filter(this.tells);
      // New strings move by themselves: they would teach that turns move what they do not.
      const sessions = all.filter(({ work }) => work !== 'settling');
      const newest = sessions.sort((a, b) => a.startedAt - b.startedAt).slice(-MOST_SITTINGS);
      return Promise.all(
        newest.map(async ({ id }) =>
          (await this.logOf(id)).flatMap(({ event }) =>
            event.type === 'reading' ? [event.reading] : [],
          ),
        ),
      );
    });
  }

  /** Aims an instrument at another tuning; it remembers the one it is kept in, and sittings with another aim end. */
  async retune(instrument: Instrument, aim: Aim, at: number): Promise<void> {
    const { homeTuningId = instrument.tuningId, capo: _, ...rest } = instrument;
    const { tuningId } = aim;
    const next: Instrument = {
      ...rest,
      tuningId,
      ...(tuningId !== homeTuningId && { homeTuningId }),
      ...(aim.capo > 0 && { capo: aim.capo }),
    };
    return stored(() =>
      this.db.transaction('rw', this.db.instruments, this.db.sessions, async () => {
        await this.db.instruments.put(next);
        const open = await this.db.sessions.where('instrumentId').equals(instrument.id).toArray();
        for (const session of open)
          if (session.endedAt === null && !isFor(session, aim))
            await this.db.sessions.update(session.id, { endedAt: at });
      }),
    );
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

  /**
   * The newest session of an instrument in a tuning that was not ended, with its log: of those
   * that tell of the instrument itself, or of those that were practice.
   */
  openSession(
    instrumentId: string,
    { tuningId, capo }: Omit<Aim, 'a4'>,
    practice: boolean,
  ): Promise<{ session: Session; log: LogEntry[] } | null> {
    return stored(async () => {
      const all = await this.db.sessions.where('instrumentId').equals(instrumentId).toArray();
      const session = all
        .filter(
          (s) =>
            s.endedAt === null &&
            s.work !== 'settling' &&
            this.tells(s) !== practice &&
            isFor(s, { tuningId, capo, a4: s.a4 }),
        )
        .sort((a, b) => b.startedAt - a.startedAt)[0];
      return session ? this.withLog(session) : null;
    });
  }

  /** A sitting with its log; null before its first event. */
  sitting(id: string): Promise<{ session: Session; log: LogEntry[] } | null> {
    return stored(async () => {
      const session = await this.db.sessions.get(id);
      return session ? this.withLog(session) : null;
    });
  }

  private async withLog(session: Session): Promise<{ session: Session; log: LogEntry[] }> {
    const log = await this.db.log
      .where('[sessionId+seq]')
      .between([session.id, Dexie.minKey], [session.id, Dexie.maxKey])
      .toArray();
    return { session, log };
  }

  session(id: string): Promise<Session | undefined> {
    return stored(() => this.db.sessions.get(id));
  }

  /** Says whether a recording is its instrument as it was then. */
  adopt(sessionId: string, adopted: boolean): Promise<void> {
    return stored(async () => void (await this.db.sessions.update(sessionId, { adopted })));
  }

  /** Ends a sitting; null opens it again. */
  endSession(id: string, at: number | null): Promise<void> {
    return stored(async () => void (await this.db.sessions.update(id, { endedAt: at })));
  }

  sessions(): Promise<Session[]> {
    return stored(() => this.db.sessions.orderBy('startedAt').reverse().toArray());
  }

  logOf(sessionId: string): Promise<LogEntry[]> {
    return stored(() => this.db.log.where('sessionId').equals(sessionId).sortBy('seq'));
  }

  log(): Promise<LogEntry[]> {
    return stored(() => this.db.log.toArray());
  }

  /** Deletes a session with its log; answers the way to bring both back. */
  async deleteSession(id: string): Promise<() => Promise<void>> {
    const { sessions, log } = this.db;
    const session = await sessions.get(id);
    const entries = await this.logOf(id);
    await stored(() =>
      this.db.transaction('rw', sessions, log, async () => {
        await sessions.delete(id);
        await log.where('sessionId').equals(id).delete();
      }),
    );
    return () =>
      stored(() =>
        this.db.transaction('rw', sessions, log, async () => {
          if (session) await sessions.put(session);
          await log.bulkPut(entries);
        }),
      );
  }

  recordings(): Promise<Recording[]> {
    return stored(() => this.db.recordings.orderBy('readAt').reverse().toArray());
  }

  recording(id: string): Promise<Recording | undefined> {
    return stored(() => this.db.recordings.get(id));
  }

  /** Stores a recording's report and the session that its readings make, both or neither. */
  addRecording(recording: Recording, session: Session, log: readonly LogEntry[]): Promise<void> {
    const { recordings, sessions } = this.db;
    return stored(() =>
      this.db.transaction('rw', recordings, sessions, this.db.log, async () => {
        await recordings.add(recording);
        if (log.length === 0) return;
        await sessions.add(session);
        await this.db.log.bulkAdd([...log]);
      }),
    );
  }

  /** Everything that is stored. */
  contents(): Promise<Contents & { settings: Settings }> {
    return stored(() =>
      this.db.transaction('r', this.db.tables, async () => ({
        instruments: await this.db.instruments.toArray(),
        tunings: await this.db.tunings.toArray(),
        restringings: await this.db.restringings.toArray(),
        fretChecks: await this.db.fretChecks.toArray(),
        sessions: await this.db.sessions.toArray(),
        log: await this.db.log.toArray(),
        recordings: await this.db.recordings.toArray(),
        settings: await this.settings(),
      })),
    );
  }

  /** Adds and replaces what a checked backup holds; removes nothing. All of it or nothing. */
  restore(contents: Contents): Promise<void> {
    return stored(() =>
      this.db.transaction('rw', this.db.tables, async () => {
        await this.db.instruments.bulkPut([...contents.instruments]);
        await this.db.tunings.bulkPut([...contents.tunings]);
        await this.db.restringings.bulkPut([...contents.restringings]);
        await this.db.fretChecks.bulkPut([...contents.fretChecks]);
        await this.db.sessions.bulkPut([...contents.sessions]);
        await this.db.log.bulkPut([...contents.log]);
        await this.db.recordings.bulkPut([...contents.recordings]);
        await this.saveSettings(contents.settings as Partial<Settings>);
      }),
    );
  }

  /** Removes everything. */
  wipe(): Promise<void> {
    return stored(() =>
      this.db.transaction('rw', this.db.tables, async () => {
        for (const table of this.db.tables) await table.clear();
      }),
    );
  }

  /** Stores a session and new entries of its log, all or none; what is there already stays as it is. */
  append(session: Session, entries: readonly LogEntry[]): Promise<void> {
    return stored(() =>
      this.db.transaction('rw', this.db.sessions, this.db.log, async () => {
        if (!(await this.db.sessions.get(session.id))) await this.db.sessions.add(session);
        await this.db.log.bulkAdd([...entries]);
      }),
    );
  }
}
