import type { Tuning } from '@rosefinch/core/music';
import {
  type FretCheck,
  instrumentWithPegKinds,
  type LogEntry,
  type Recording,
  type Restringing,
  type Session,
} from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { Dexie, type Table } from 'dexie';
import type { Settings } from './settings.ts';

/** Which shelf this page works on: the demo has a database of its own. */
export type Shelf = 'own' | 'demo';

/** The browser database. A stored reading is on the disk before the promise resolves. */
export class RosefinchDatabase extends Dexie {
  declare instruments: Table<Instrument, string>;
  /** The teacher's own. */
  declare tunings: Table<Tuning, string>;
  declare restringings: Table<Restringing, string>;
  declare fretChecks: Table<FretCheck, string>;
  declare sessions: Table<Session, string>;
  declare log: Table<LogEntry, [string, number]>;
  declare recordings: Table<Recording, string>;
  declare settings: Table<{ readonly id: 'settings'; readonly value: Settings }, string>;

  /** `trouble` is told what an upgrade in another tab means for this one. */
  constructor(shelf: Shelf, trouble: (message: string) => void = () => {}) {
    super(shelf === 'demo' ? 'rosefinch-demo' : 'rosefinch', {
      chromeTransactionDurability: 'strict',
    });
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
            ref.value = instrumentWithPegKinds(value);
          }),
      );
    this.version(3).stores({
      restringings: 'id, instrumentId',
      fretChecks: 'id, instrumentId',
    });
    this.on('versionchange', ({ newVersion }) => {
      this.close();
      trouble(
        newVersion === null
          ? 'This browser’s records of Rosefinch were deleted from outside this page. Reload it to begin anew, or restore a backup.'
          : 'Rosefinch was updated in another tab. All readings are kept; reload this page.',
      );
    });
    this.on('blocked', () =>
      trouble('Rosefinch is open in an older tab, which holds the database. Close that tab.'),
    );
  }
}
