import type { SettlingReport } from '@rosefinch/core/settling';
import type { Coupling } from '@rosefinch/core/strings';
import type {
  AnalysisMessage,
  AnalysisRequest,
  PracticeReport,
  PracticeRequest,
  RecordingReport,
  RecordingRequest,
} from '../audio/protocol.ts';
import type { Shelf } from '../data/index.ts';
import type { ArchiveAnswers, ArchiveJob, ArchiveReport, ArchiveRequest } from './archive.ts';
import type { FitOf, FitReport, FitRequest } from './fits.ts';

/** A worker spoken to in its own protocol. */
export interface Line<Request> {
  send(request: Request, transfer?: Transferable[]): void;
  close(): void;
}

function connect<Request, Report>(
  worker: Worker,
  hear: (report: Report) => void,
  died: (message: string) => void,
): Line<Request> {
  worker.onmessage = ({ data }: MessageEvent<Report>) => hear(data);
  worker.onerror = (event) => died(event.message || 'a helper process stopped');
  worker.onmessageerror = () => died('a helper process sent something unreadable');
  return {
    send: (request, transfer = []) => worker.postMessage(request, transfer),
    close: () => worker.terminate(),
  };
}

/** Starts the analysis worker; one serves every source. */
export function startAnalysis(
  hear: (message: AnalysisMessage) => void,
  died: (message: string) => void,
): Line<AnalysisRequest> {
  const worker = new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' });
  return connect(worker, hear, died);
}

/** Starts the worker that plays the practice instrument. */
export function startPractice(
  hear: (report: PracticeReport) => void,
  died: (message: string) => void,
): Line<PracticeRequest> {
  const worker = new Worker(new URL('./practice.worker.ts', import.meta.url), { type: 'module' });
  return connect(worker, hear, died);
}

/** Starts a worker that reads one recording; closing it cancels. */
export function startRecording(
  hear: (report: RecordingReport) => void,
  died: (message: string) => void,
): Line<RecordingRequest> {
  const worker = new Worker(new URL('./recording.worker.ts', import.meta.url), { type: 'module' });
  return connect(worker, hear, died);
}

/** Learns an instrument's coupling beside the page. @throws Error if the worker fails */
export function learnCouplingAside(request: FitOf<'coupling'>): Promise<Coupling> {
  return fitAside<Coupling>({ fit: 'coupling', ...request });
}

/** Fits new strings beside the page. @throws Error if the worker fails, or when it is cancelled */
export function settleAside(task: FitOf<'settling'>, signal: AbortSignal): Promise<SettlingReport> {
  return fitAside<SettlingReport>({ fit: 'settling', ...task }, signal);
}

/** A worker that has not taken a request by then is gone; it is begun anew once. In ms. */
const TAKEN_WITHIN_MS = 5000;
/** The longest fit takes a small part of this, on a slow machine. */
const ANSWERED_WITHIN_MS = 60_000;

async function fitAside<Answer>(request: FitRequest, signal?: AbortSignal): Promise<Answer> {
  try {
    return await fitOnce<Answer>(request, signal);
  } catch (error) {
    if (!(error instanceof Silent)) throw error;
    return fitOnce<Answer>(request, signal);
  }
}

/** A worker that does not answer. */
class Silent extends Error {
  override readonly name = 'Silent';
  override readonly message = 'A helper process does not answer.';
}

function fitOnce<Answer>(request: FitRequest, signal?: AbortSignal): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('./fits.worker.ts', import.meta.url), { type: 'module' });
    const end = (act: () => void) => {
      clearTimeout(timer);
      signal?.removeEventListener('abort', stop);
      line.close();
      act();
    };
    const stop = () => end(() => reject(new Error('no longer wanted')));
    const line = connect<FitRequest, FitReport>(
      worker,
      (report) => {
        if (report.type === 'answer') return end(() => resolve(report.answer as Answer));
        clearTimeout(timer);
        timer = setTimeout(silent, ANSWERED_WITHIN_MS);
      },
      (message) => end(() => reject(new Error(message))),
    );
    const silent = () => end(() => reject(new Silent()));
    let timer = setTimeout(silent, TAKEN_WITHIN_MS);
    signal?.addEventListener('abort', stop, { once: true });
    line.send(request);
  });
}

/** One job on all that is kept, while it lasts. */
export interface Archiving<Answer> {
  readonly done: Promise<Answer>;
  /** Stops it; nothing was changed then. */
  readonly cancel: () => void;
}

/** Somebody stopped it. */
export class Cancelled extends Error {
  override readonly name = 'Cancelled';
}

/**
 * Writes, reads or checks all that is kept beside the page. Cancelling ends the worker, and with
 * it a transaction that is not over: what is stored is as it was.
 */
export function archiveAside<Job extends ArchiveJob>(
  shelf: Shelf,
  job: Job,
  progress: (done: number, of: number) => void = () => {},
): Archiving<ArchiveAnswers[Job['job']]> {
  const worker = new Worker(new URL('./archive.worker.ts', import.meta.url), { type: 'module' });
  let cancel = () => {};
  const done = new Promise<ArchiveAnswers[Job['job']]>((resolve, reject) => {
    const end = (act: () => void) => {
      line.close();
      act();
    };
    const line = connect<ArchiveRequest, ArchiveReport>(
      worker,
      (report) => {
        if (report.type === 'progress') progress(report.done, report.of);
        else if (report.type === 'failed') end(() => reject(new Error(report.message)));
        else end(() => resolve(report.answer as ArchiveAnswers[Job['job']]));
      },
      (message) => end(() => reject(new Error(message))),
    );
    cancel = () => end(() => reject(new Cancelled('Stopped.')));
    line.send({ ...job, shelf });
  });
  return { done, cancel: () => cancel() };
}
