import type { Draft, Restoring, Shelf, StoreReport, Survey, Undone, Written } from './archives.ts';

/** Page → archive worker: one job each, then it ends. */
export type ArchiveJob =
  | { readonly job: 'write'; readonly unstored: readonly Draft[]; readonly at: number }
  | { readonly job: 'readings'; readonly unstored: readonly Draft[]; readonly locale: string }
  | {
      readonly job: 'instrument';
      readonly instrumentId: string;
      readonly log: boolean;
      readonly at: number;
    }
  | { readonly job: 'survey'; readonly file: Blob }
  | { readonly job: 'restore'; readonly file: Blob; readonly how: Restoring; readonly at: number }
  /** `id`: of the change that is undone. */
  | { readonly job: 'undo'; readonly id: number; readonly at: number }
  | { readonly job: 'clear'; readonly at: number }
  /** `foundAgain`: what an instrument is called that stands for one that is gone. */
  | { readonly job: 'check'; readonly foundAgain: string };

export type ArchiveRequest = ArchiveJob & { readonly shelf: Shelf };

/** What each job answers. */
export interface ArchiveAnswers {
  readonly write: Written;
  readonly readings: Blob;
  readonly instrument: Blob;
  readonly survey: Survey;
  /** The id of the change. */
  readonly restore: number;
  readonly undo: Undone;
  /** The id of the change. */
  readonly clear: number;
  readonly check: StoreReport;
}
