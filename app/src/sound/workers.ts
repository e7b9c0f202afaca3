import type { Value } from '@rosefinch/core/message';
import { connect, type Line } from '../worker/index.ts';
import type {
  AnalysisMessage,
  AnalysisRequest,
  PracticeReport,
  PracticeRequest,
} from './protocol.ts';

/** Starts the analysis worker; one serves every source. */
export function startAnalysis(
  hear: (message: AnalysisMessage) => void,
  died: (problem: Value) => void,
): Line<AnalysisRequest> {
  const worker = new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' });
  return connect(worker, hear, died);
}

/** Starts the worker that plays the practice instrument. */
export function startPractice(
  hear: (report: PracticeReport) => void,
  died: (problem: Value) => void,
): Line<PracticeRequest> {
  const worker = new Worker(new URL('./practice.worker.ts', import.meta.url), { type: 'module' });
  return connect(worker, hear, died);
}

/** Makes a helper that reads one recording. */
export function makeReader(): Worker {
  return new Worker(new URL('./recording.worker.ts', import.meta.url), { type: 'module' });
}
