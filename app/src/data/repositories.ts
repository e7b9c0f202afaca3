import { message } from '@rosefinch/core/message';
import {
  type OwnTuning,
  shiftHz,
  singleTuningId,
  TUNINGS,
  type Tuning,
} from '@rosefinch/core/music';
import {
  DEFAULT_SETTINGS,
  type FretCheck,
  type Recording,
  type Restringing,
  type Settings,
  type TableName,
  type Tables,
} from '@rosefinch/core/records';
import {
  type LogEntry,
  type Session,
  type Summary,
  tellsOfInstrument,
} from '@rosefinch/core/sitting';
import { type Instrument, type Peg, type StringHeard, withPeg } from '@rosefinch/core/strings';
import type { EpochMs, Hz } from '@rosefinch/core/units';
import { liveQuery } from 'dexie';
import { demoYear, natural, now, usualUnits, writeDatesAs, zone } from '../environment.ts';
import { Changes } from './changeList.ts';
import { Chronicle } from './chronicle.ts';
import type { RosefinchDatabase, Shelf } from './database.ts';
import { Ears } from './ears.ts';
import { changeRecord, putRecord } from './kept.ts';
import { type Draft, Log, logOf } from './log.ts';
import { checkRecord, recordRules } from './rules.ts';
import { StoreProblem, stored } from './stored.ts';

/** Older sessions than these tell nothing new of an instrument. */
const MOST_SITTINGS = 8;

function byName<T extends { readonly name: string }>(list: T[]): T[] {
  const order = natural();
  return list.sort((a, b) => order.compare(a.name, b.name));
}

/** What an instrument is to sound. */
interface Aim {
  readonly tuningId: string;
  /** Fret of the capo; 0 without. */
  readonly capo: number;
  /** In Hz. */
  readonly a4: Hz;
}

function isFor(session: Session, { tuningId, capo, a4 }: Aim): boolean {
  return session.tuningId === tuningId && (session.capo ?? 0) === capo && session.a4 === a4;
}

/** Where a session may be open: of those that tell of the instrument itself, or of those that were practice. */
export interface OpenPlace extends Omit<Aim, 'a4'> {
  readonly instrumentId: string;
  readonly practice: boolean;
}

/** A session in a list. */
export interface Listed {
  readonly session: Session;
  readonly summary: Summary;
}

/** All that the pages read and write; nothing else knows the database. */
export class Repository {
  readonly log: Log;
  readonly changes: Changes;
  readonly chronicle: Chronicle;
  readonly ears: Ears;

  constructor(
    private readonly db: RosefinchDatabase,
    readonly shelfKind: Shelf,
  ) {
    this.log = new Log(db);
    this.changes = new Changes(db);
    this.ears = new Ears(db, this.changes);
    this.chronicle = new Chronicle(db, this.log, this.changes, this.tells);
  }

  /** True if a session or a check tells of the instrument itself: practice and foreign recordings do not. */
  readonly tells = (of: Pick<Session, 'source' | 'adopted'>): boolean =>
    tellsOfInstrument(of, this.shelfKind === 'demo');

  /** Fills an empty demo shelf with the invented library, and makes summaries that are missing: those no view waits for. */
  async prepare(): Promise<void> {
    if (this.shelfKind === 'demo') await stored(() => this.fillDemo());
    await stored(() => this.log.machineName());
    // Where one is missing it is worked out when it is asked for.
    void stored(() => this.log.mendSummaries()).catch(() => {});
    // … and where these cannot be loaded, whatever is to be stored says so.
    void recordRules().catch(() => {});
  }

  /** The invented library with its year, on a demo shelf that is empty. */
  private async fillDemo(): Promise<void> {
    const { db } = this;
    if ((await db.instruments.count()) > 0) return;
    const { saltmarshLibrary, saltmarshYear } = await import('@rosefinch/core/demo');
    await recordRules();
    const library = saltmarshLibrary();
    const year = demoYear === 'whole' ? saltmarshYear(now(), zone()) : null;
    await db.transaction('rw', db.tables, async () => {
      // Another tab may have been quicker.
      if ((await db.instruments.count()) > 0) return;
      await db.instruments.bulkAdd([...library, ...(year?.instruments ?? [])]);
      await this.saveSettings({ instrumentId: library[0]?.id ?? null });
      if (!year) return;
      await db.sessions.bulkAdd(year.sessions);
      await db.events.bulkAdd(year.events);
      await db.restringings.bulkAdd(year.restringings);
      await db.marks.bulkAdd(year.marks);
      await db.climate.bulkAdd(year.climate);
      await db.rounds.bulkAdd(year.rounds);
      await db.earRuns.bulkAdd(year.earRuns);
    });
    await this.log.mendSummaries();
  }

  instruments(): Promise<Instrument[]> {
    return stored(async () => byName(await this.db.instruments.toArray()));
  }

  /** The instruments on the shelf: those that were not taken off it. */
  async shelf(): Promise<Instrument[]> {
    return (await this.instruments()).filter((entry) => !entry.archived);
  }

  /** Stores a new or changed instrument; returns how to undo it. @throws RecordError if a field is wrong. */
  async saveInstrument(instrument: Instrument): Promise<() => Promise<void>> {
    return this.put('instruments', instrument);
  }

  /** The teacher's own tunings, by name, then those of the catalogue. */
  tunings(): Promise<Tuning[]> {
    return stored(async () => [...byName(await this.db.tunings.toArray()), ...TUNINGS]);
  }

  /** Stores a new or changed tuning of the teacher's own; returns how to undo it. @throws RecordError if a field is wrong. */
  async saveTuning(tuning: OwnTuning): Promise<() => Promise<void>> {
    return this.put('tunings', tuning);
  }

  /** Removes a tuning of the teacher's own. @throws StoreProblem while an instrument is in it */
  async deleteTuning(id: string): Promise<void> {
    const user = (await this.instruments()).find(
      ({ tuningId, homeTuningId = tuningId }) =>
        singleTuningId(tuningId) === id || singleTuningId(homeTuningId) === id,
    );
    if (user) throw new StoreProblem(message('records.inThisTuning', { name: user.name }));
    await this.changes.remove((recorder) => recorder.remove('tunings', [id]));
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

  /** Stores a new or changed restringing; returns how to undo it. @throws RecordError if a field is wrong. */
  async saveRestringing(restringing: Restringing): Promise<() => Promise<void>> {
    return this.put('restringings', restringing);
  }

  /** Changes some facts of a restringing; the rest stays as it is by then. */
  changeRestringing(id: string, change: Partial<Restringing>): Promise<void> {
    return this.change('restringings', id, (restringing) => ({ ...restringing, ...change }));
  }

  /** All fret checks of an instrument, the newest first; those made on a practice instrument tell nothing of a real one. */
  fretChecks(instrumentId: string): Promise<FretCheck[]> {
    return stored(async () => {
      const all = await this.db.fretChecks.where('instrumentId').equals(instrumentId).toArray();
      return all.sort((a, b) => b.startedAt - a.startedAt);
    });
  }

  /** Stores a new or changed fret check; returns how to undo it. @throws RecordError if a field is wrong. */
  async saveFretCheck(check: FretCheck): Promise<() => Promise<void>> {
    return this.put('fretChecks', check);
  }

  /** Changes a fret check as it is by then, whichever tab wrote it last. */
  changeFretCheck(id: string, changed: (check: FretCheck) => FretCheck): Promise<void> {
    return this.change('fretChecks', id, changed);
  }

  /** Every session of an instrument since a moment with its log, the oldest first. */
  sittingsSince(
    instrumentId: string,
    since: EpochMs,
  ): Promise<{ readonly session: Session; readonly log: readonly LogEntry[] }[]> {
    return stored(async () => {
      const all = (
        await this.db.sessions.where('instrumentId').equals(instrumentId).toArray()
      ).filter(this.tells);
      const late = all.filter(({ endedAt }) => endedAt === null || endedAt >= since);
      late.sort((a, b) => a.startedAt - b.startedAt);
      return Promise.all(
        late.map(async (session) => ({ session, log: await this.log.of(session.id) })),
      );
    });
  }

  private put<K extends TableName>(name: K, record: Tables[K]): Promise<() => Promise<void>> {
    return putRecord(this.db, name, record);
  }

  private change<K extends TableName>(
    name: K,
    id: string,
    changed: (record: Tables[K]) => Tables[K],
  ): Promise<void> {
    return changeRecord(this.db, name, id, changed);
  }

  /** Stores what was found of a peg; the rest of the instrument stays as it is by then. */
  savePeg(instrumentId: string, course: number, peg: Peg): Promise<void> {
    return this.change('instruments', instrumentId, (instrument) =>
      withPeg(instrument, course, peg),
    );
  }

  async addInstruments(instruments: readonly Instrument[]): Promise<void> {
    await stored(recordRules);
    const dated = instruments.map((entry) =>
      checkRecord('instruments', { ...entry, changedAt: now() }),
    );
    return stored(async () => void (await this.db.instruments.bulkPut(dated)));
  }

  /** The newest pitch of every open course of an instrument, from its sessions, in Hz; what a capo added is taken off. */
  lastPitches({ id, courses }: Instrument): Promise<ReadonlyMap<number, number>> {
    return stored(async () => {
      const all = await this.db.sessions.where('instrumentId').equals(id).toArray();
      const sessions = all.filter(this.tells).sort((a, b) => b.startedAt - a.startedAt);
      const summaries = await this.log.summaries(sessions);
      const pitches = new Map<number, number>();
      for (const session of sessions)
        for (const { course, member, leftHz } of summaries.get(session.id)?.strings ?? [])
          if (member === 1 && leftHz !== null && !pitches.has(course) && course <= courses.length)
            pitches.set(course, shiftHz(leftHz, -100 * (session.capo ?? 0)));
      return pitches;
    });
  }

  /**
   * What every string was read at in the newest sessions of an instrument, the oldest of
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
          (await this.log.of(id)).flatMap(({ event }) =>
            event.type === 'reading' ? [event.reading] : [],
          ),
        ),
      );
    });
  }

  /** Aims an instrument at another tuning; it remembers the one it is kept in, and sessions with another aim end. */
  retune(instrumentId: string, aim: Aim, at: number): Promise<void> {
    const { instruments, sessions } = this.db;
    return stored(async () => {
      await recordRules();
      await this.db.transaction('rw', instruments, sessions, async () => {
        const instrument = await instruments.get(instrumentId);
        if (!instrument) return;
        const { homeTuningId = instrument.tuningId, capo: _, ...rest } = instrument;
        const { tuningId } = aim;
        const next = {
          ...rest,
          tuningId,
          ...(tuningId !== homeTuningId && { homeTuningId }),
          ...(aim.capo > 0 && { capo: aim.capo }),
          changedAt: now(),
        };
        await instruments.put(checkRecord('instruments', next));
        const open = await sessions.where('instrumentId').equals(instrumentId).toArray();
        const ended = open.filter((s) => s.endedAt === null && !isFor(s, aim));
        await sessions.bulkPut(ended.map((s) => ({ ...s, endedAt: at, changedAt: now() })));
      });
    });
  }

  settings(): Promise<Settings> {
    return stored(async () => {
      const set = (await this.db.settings.get('settings'))?.value;
      const settings = { ...DEFAULT_SETTINGS, ...usualUnits(), ...set };
      writeDatesAs(settings.dates);
      return settings;
    });
  }

  saveSettings(change: Partial<Settings>): Promise<void> {
    return stored(async () => {
      await recordRules();
      await this.db.transaction('rw', this.db.settings, async () => {
        const before = await this.db.settings.get('settings');
        const value = { ...before?.value, ...change };
        const record = { id: 'settings' as const, value, changedAt: now() };
        await this.db.settings.put(checkRecord('settings', record));
      });
    });
  }

  /** The newest session in a place that was not ended. */
  async openSession(place: OpenPlace): Promise<Session | null> {
    const { instrumentId, practice } = place;
    const all = await this.db.sessions.where('instrumentId').equals(instrumentId).toArray();
    const open = all.filter(
      (s) =>
        s.endedAt === null &&
        s.work !== 'settling' &&
        this.tells(s) !== practice &&
        isFor(s, { ...place, a4: s.a4 }),
    );
    return open.sort((a, b) => b.startedAt - a.startedAt)[0] ?? null;
  }

  /** The same whenever it changes, in whichever tab; returns an unsubscribe function. */
  readonly watchOpen = (place: OpenPlace, found: (session: Session | null) => void) =>
    watched(() => this.openSession(place), found);

  /** A session by its id, whenever it changes; null before its first event. */
  readonly watchSitting = (id: string, found: (session: Session | null) => void) =>
    watched(async () => (await this.db.sessions.get(id)) ?? null, found);

  session(id: string): Promise<Session | undefined> {
    return stored(() => this.db.sessions.get(id));
  }

  /** Remembers that a copy of all that is kept was written, and up to which event. */
  noteCopy(at: number, upTo: number): Promise<void> {
    return stored(async () => void (await this.db.local.put({ id: 'copy', at, upTo })));
  }

  /** When the last copy was written, and how many readings have none yet. */
  async copies(): Promise<{ at: number | null; without: number }> {
    const copy = await this.db.local.get('copy');
    // Without any copy it is every reading: the summaries know how many there are.
    if (copy?.id !== 'copy') return { at: null, without: (await this.counts()).readings };
    const without = await this.db.events
      .where('number')
      .above(copy.upTo)
      .filter(({ event }) => event.type === 'reading')
      .count();
    return { at: copy.at, without };
  }

  /** The automatic copies that this browser wrote, the oldest first. */
  async writtenCopies(): Promise<readonly string[]> {
    const written = await this.db.local.get('written');
    return written?.id === 'written' ? written.names : [];
  }

  noteWrittenCopies(names: readonly string[]): Promise<void> {
    return stored(async () => void (await this.db.local.put({ id: 'written', names })));
  }

  /** How many sessions are over. */
  endedSittings(): Promise<number> {
    return this.db.sessions.filter(({ endedAt }) => endedAt !== null).count();
  }

  /** The folder that copies are put in by themselves, if there is one. */
  async folder(): Promise<FileSystemDirectoryHandle | null> {
    const folder = await this.db.local.get('folder');
    return folder?.id === 'folder' ? folder.handle : null;
  }

  setFolder(handle: FileSystemDirectoryHandle | null): Promise<void> {
    return stored(async () => {
      if (handle) await this.db.local.put({ id: 'folder', handle });
      else await this.db.local.delete('folder');
    });
  }

  /** Says whether a recording is its instrument as it was then. */
  adopt(sessionId: string, adopted: boolean): Promise<void> {
    return this.change('sessions', sessionId, (session) => ({ ...session, adopted }));
  }

  /** Ends a session; null opens it again. */
  endSession(id: string, at: number | null): Promise<void> {
    return this.change('sessions', id, (session) => ({ ...session, endedAt: at }));
  }

  /** All sessions, the newest first, without their logs. */
  sessions(): Promise<Session[]> {
    return stored(() => this.db.sessions.orderBy('startedAt').reverse().toArray());
  }

  /** A page of the sessions that are wanted, the newest first, with what each came to. */
  async listed(
    from: number,
    most: number,
    wanted: (session: Session) => boolean = () => true,
  ): Promise<{ total: number; page: Listed[] }> {
    const all = (await this.sessions()).filter(wanted);
    const found = all.slice(from, from + most);
    const summaries = await this.log.summaries(found);
    return { total: all.length, page: withSummaries(found, summaries) };
  }

  /** Some sessions with what each came to. */
  async listedOf(ids: readonly string[]): Promise<Listed[]> {
    const found = await this.db.sessions.bulkGet([...ids]);
    const sessions = found.filter((session) => session !== undefined);
    return withSummaries(sessions, await this.log.summaries(sessions));
  }

  /** How much is kept, from the summaries alone. */
  async counts(): Promise<{ instruments: number; sessions: number; readings: number }> {
    const instruments = await this.db.instruments.count();
    const sessions = await this.db.sessions.count();
    let readings = 0;
    await this.db.summaries.each(({ plucks }) => {
      readings += plucks;
    });
    return { instruments, sessions, readings };
  }

  /** Deletes a session with its log; returns how to bring both back. */
  deleteSession(id: string): Promise<() => Promise<void>> {
    return this.changes.remove(async (recorder) => {
      const measured = this.db.measurements.where('sessionId').equals(id);
      await recorder.remove('measurements', await measured.primaryKeys());
      await recorder.remove(
        'events',
        (await logOf(this.db, id)).map((entry) => entry.id),
      );
      await recorder.remove('sessions', [id]);
    });
  }

  recording(id: string): Promise<Recording | undefined> {
    return stored(() => this.db.recordings.get(id));
  }

  /** Stores a recording's report and the session that its readings make, both or neither. */
  addRecording(recording: Recording, session: Session, log: readonly Draft[]): Promise<void> {
    return stored(() =>
      this.log.addSitting(session, log, () =>
        this.db.recordings.add(checkRecord('recordings', recording)),
      ),
    );
  }
}

function withSummaries(
  sessions: readonly Session[],
  summaries: ReadonlyMap<string, Summary>,
): Listed[] {
  return sessions.flatMap((session) => {
    const summary = summaries.get(session.id);
    return summary ? [{ session, summary }] : [];
  });
}

/** Tells what a read of the database finds, now and whenever it changes. */
function watched<T>(read: () => Promise<T>, found: (value: T) => void): () => void {
  const watching = liveQuery(read).subscribe({
    next: found,
    // Nothing can be read: what is on screen stays, and storing tells why.
    error: () => {},
  });
  return () => watching.unsubscribe();
}
