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
import type { FitOf, FitRequest } from './fits.ts';

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

function fitAside<Answer>(request: FitRequest, signal?: AbortSignal): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('./fits.worker.ts', import.meta.url), { type: 'module' });
    const fail = (message: string) => {
      line.close();
      reject(new Error(message));
    };
    const line = connect<FitRequest, Answer>(
      worker,
      (answer) => {
        line.close();
        resolve(answer);
      },
      fail,
    );
    signal?.addEventListener('abort', () => fail('no longer wanted'), { once: true });
    line.send(request);
  });
}
