import type { Message } from '@rosefinch/core/message';
import {
  CODED_IN_7,
  instrument1to2,
  logEntry3to4,
  record6to7,
  type TableName,
  type Tables,
} from '@rosefinch/core/records';
import { STORE_TROUBLES } from '@rosefinch/core/sentences';
import type { LogEntry, Measurement, Summary } from '@rosefinch/core/sitting';
import { Dexie, type DexieOptions, type Table } from 'dexie';
import { ownName } from '../environment.ts';

/** Which shelf this page works on: the demo has a database of its own. */
export type Shelf = 'own' | 'demo';

export function databaseName(shelf: Shelf): string {
  return ownName(shelf === 'demo' ? 'rosefinch-demo' : 'rosefinch');
}

/** What this browser alone knows: never part of a backup. */
export type Local =
  /** Names this browser’s events apart from those of others. */
  | { readonly id: 'machine'; readonly name: string }
  /** The last copy that was written, and the newest event in it. */
  | { readonly id: 'copy'; readonly at: number; readonly upTo: number }
  /** The number of the next event. It only rises, whatever is deleted or brought back. */
  | { readonly id: 'numbers'; readonly next: number }
  /** Where automatic copies go. */
  | { readonly id: 'folder'; readonly handle: FileSystemDirectoryHandle }
  /** The automatic copies in the order in which they were written. */
  | { readonly id: 'written'; readonly names: readonly string[] };

/** What a major change of all that is kept did. */
export type ChangeKind = 'deleted' | 'cleared' | 'restored' | 'undone';

/** One entry of the list of major changes. */
export interface Change {
  readonly id: number;
  readonly at: number;
  readonly kind: ChangeKind;
  /** The change that an undo reversed. */
  readonly of?: number;
  /** How many records it removed, replaced or added, by table. */
  readonly counts: Readonly<Partial<Record<TableName, number>>>;
  /** Size of what it keeps, in characters of JSON. */
  readonly size: number;
  readonly isUndone: boolean;
}

export type AnyRecord = Tables[TableName];

/** What a change did to one table, a batch at a time. Records are kept as they were, whole or not. */
export interface ChangePart {
  readonly id?: number;
  readonly changeId: number;
  readonly table: TableName;
  readonly removed: readonly AnyRecord[];
  readonly replaced: readonly AnyRecord[];
  readonly added: readonly string[];
}

/** The browser database. A stored reading is on the disk before the promise resolves. */
export class RosefinchDatabase extends Dexie {
  declare settings: Table<Tables['settings'], string>;
  declare instruments: Table<Tables['instruments'], string>;
  /** The teacher's own. */
  declare tunings: Table<Tables['tunings'], string>;
  declare restringings: Table<Tables['restringings'], string>;
  declare fretChecks: Table<Tables['fretChecks'], string>;
  declare sessions: Table<Tables['sessions'], string>;
  declare events: Table<LogEntry, string>;
  declare measurements: Table<Measurement, string>;
  declare recordings: Table<Tables['recordings'], string>;
  declare rounds: Table<Tables['rounds'], string>;
  /** Loans, repairs and notes. */
  declare marks: Table<Tables['marks'], string>;
  declare climate: Table<Tables['climate'], string>;
  declare learners: Table<Tables['learners'], string>;
  declare earRuns: Table<Tables['earRuns'], string>;
  /** Made from the log, one a session. */
  declare summaries: Table<Summary, string>;
  declare local: Table<Local, string>;
  declare changes: Table<Change, number>;
  declare changeParts: Table<ChangePart, number>;

  /**
   * @param trouble called with what an upgrade in another tab means for this one
   * @param place where the database lives, if not in the browser's own
   */
  constructor(
    shelf: Shelf,
    trouble: (problem: Message) => void = () => {},
    place: Pick<DexieOptions, 'indexedDB' | 'IDBKeyRange'> = {},
  ) {
    super(databaseName(shelf), { chromeTransactionDurability: 'strict', ...place });
    this.version(1).stores({
      instruments: 'id, name',
      sessions: 'id, instrumentId, startedAt',
      log: '[sessionId+seq], sessionId',
      recordings: 'id, readAt',
      settings: 'id',
    });
    this.version(2)
      .stores({ tunings: 'id, name' })
      .upgrade((change) =>
        change
          .table('instruments')
          .toCollection()
          .modify((value, ref) => {
            ref.value = instrument1to2(value);
          }),
      );
    this.version(3).stores({
      restringings: 'id, instrumentId',
      fretChecks: 'id, instrumentId',
    });
    this.version(4)
      .stores({
        log: null,
        events: 'id, [sessionId+number], number',
        measurements: 'id, sessionId',
        summaries: 'id, instrumentId, startedAt',
        local: 'id',
        snapshots: '++id',
      })
      .upgrade(async (change) => {
        const lines = await change.table('log').toArray();
        const moved = lines.map(logEntry3to4);
        await change.table('events').bulkAdd(moved.map(({ event }) => event));
        await change.table('measurements').bulkAdd(moved.flatMap((line) => line.measurement));
      });
    this.version(5).stores({ rounds: 'id', marks: 'id, instrumentId', climate: 'id' });
    this.version(6).stores({ learners: 'id', earRuns: 'id, learnerId, startedAt' });
    this.version(7)
      .stores({})
      .upgrade((change) =>
        Promise.all(
          CODED_IN_7.map((table) =>
            change
              .table(table)
              .toCollection()
              .modify((value, ref) => {
                ref.value = record6to7(table, value);
              }),
          ),
        ),
      );
    this.version(8).stores({
      snapshots: null,
      changes: '++id',
      changeParts: '++id, changeId',
    });
    this.on('versionchange', ({ newVersion }) => {
      this.close();
      trouble(newVersion === null ? STORE_TROUBLES.deleted : STORE_TROUBLES.updated);
    });
    this.on('blocked', () => trouble(STORE_TROUBLES.held));
  }

  /** The tables that a backup holds. */
  kept(): { readonly [K in TableName]: Table<Tables[K], string> } {
    const { settings, instruments, tunings, restringings, fretChecks } = this;
    const { sessions, events, measurements, recordings, rounds, marks, climate } = this;
    const { learners, earRuns } = this;
    return {
      settings,
      instruments,
      tunings,
      restringings,
      fretChecks,
      sessions,
      events,
      measurements,
      recordings,
      rounds,
      marks,
      climate,
      learners,
      earRuns,
    };
  }
}
