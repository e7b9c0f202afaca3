import type { EarRun, EarTrial, Learner } from '@rosefinch/core/ear';
import { natural, now } from '../environment.ts';
import type { Changes } from './changeList.ts';
import type { RosefinchDatabase } from './database.ts';
import { changeRecord, putRecord } from './kept.ts';
import { recordRules } from './rules.ts';
import { stored } from './stored.ts';

/** Learners, and what their ears have done. */
export class Ears {
  constructor(
    private readonly db: RosefinchDatabase,
    private readonly changes: Changes,
  ) {}

  learners(): Promise<Learner[]> {
    const order = natural();
    return stored(async () =>
      (await this.db.learners.toArray()).sort((a, b) => order.compare(a.name, b.name)),
    );
  }

  /** Stores a new or renamed learner; returns how to undo it. @throws RecordError if a field is wrong */
  saveLearner(learner: Learner): Promise<() => Promise<void>> {
    return putRecord(this.db, 'learners', learner);
  }

  /** Deletes a learner with all that was kept of them; returns how to bring them back. */
  deleteLearner(id: string): Promise<() => Promise<void>> {
    return this.changes.remove(async (recorder) => {
      const runs = this.db.earRuns.where('learnerId').equals(id);
      await recorder.remove('earRuns', await runs.primaryKeys());
      await recorder.remove('learners', [id]);
    });
  }

  /** Everything that one ear has done, or those without a name, oldest first. */
  runs(learnerId: string | null): Promise<EarRun[]> {
    return stored(async () => {
      const all =
        learnerId === null
          ? (await this.db.earRuns.toArray()).filter((run) => run.learnerId === null)
          : await this.db.earRuns.where('learnerId').equals(learnerId).toArray();
      return all.sort((a, b) => a.startedAt - b.startedAt);
    });
  }

  saveRun(run: EarRun): Promise<() => Promise<void>> {
    return putRecord(this.db, 'earRuns', run);
  }

  /** Keeps one more answer, the moment it is given; the first one makes the run. */
  keep(run: Omit<EarRun, 'trials' | 'doneAt'>, trials: readonly EarTrial[]): Promise<void> {
    return stored(async () => {
      await recordRules();
      await this.db.transaction('rw', this.db.earRuns, async () => {
        const before = await this.db.earRuns.get(run.id);
        await putRecord(this.db, 'earRuns', {
          ...run,
          doneAt: null,
          trials: [...(before?.trials ?? []), ...trials],
        });
      });
    });
  }

  endRun(id: string): Promise<void> {
    return changeRecord(this.db, 'earRuns', id, (run) => ({ ...run, doneAt: now() }));
  }
}
