import { doAside, type Progress } from '../worker/index.ts';
import type { ArchiveAnswers, ArchiveJob, ArchiveRequest } from './archiveJobs.ts';
import type { Shelf } from './database.ts';

const start = () => new Worker(new URL('./archive.worker.ts', import.meta.url), { type: 'module' });

/** One job on all that is kept, while it lasts. */
export interface Archiving<Answer> {
  readonly done: Promise<Answer>;
  /** Stops it; nothing was changed then. */
  readonly cancel: () => void;
}

/**
 * Writes, reads or checks all that is kept beside the page. Cancelling ends the worker, and with
 * it a transaction that is not over: what is stored is as it was.
 */
export function archiveAside<Job extends ArchiveJob>(
  shelf: Shelf,
  job: Job,
  progress: Progress = () => {},
): Archiving<ArchiveAnswers[Job['job']]> {
  const stop = new AbortController();
  const request: ArchiveRequest = { ...job, shelf };
  const { signal } = stop;
  return { done: doAside({ start, request, progress, signal }), cancel: () => stop.abort() };
}
