import { now } from '../environment.ts';
import type { Recorder } from './changes.ts';
import type { Change, RosefinchDatabase } from './database.ts';
import { stored } from './stored.ts';

/** Loaded when something is deleted or undone: the first look at an instrument does not need it. */
const changes = () => import('./changes.ts');

/** The list of major changes, as the pages see it. */
export class Changes {
  constructor(private readonly db: RosefinchDatabase) {}

  /** All that can be undone or redone, the newest first. */
  list(): Promise<Change[]> {
    return stored(() => this.db.changes.orderBy(':id').reverse().toArray());
  }

  /** Removes an entry for good, with everything that it keeps. */
  forget(id: number): Promise<void> {
    return stored(async () => (await changes()).forgetChange(this.db, id));
  }

  /** Deletes something; returns how to bring it back. */
  remove(work: (recorder: Recorder) => Promise<void>): Promise<() => Promise<void>> {
    return stored(async () => {
      const { makeChange, undoChange } = await changes();
      const id = await makeChange(this.db, { kind: 'deleted', at: now() }, work);
      return () => stored(async () => void (await undoChange(this.db, id, now())));
    });
  }
}
