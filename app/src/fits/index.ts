import type { DriftTask, Told } from '@rosefinch/core/drift';
import type { EarProgress, EarRun } from '@rosefinch/core/ear';
import type { SettlingReport } from '@rosefinch/core/settling';
import type { Coupling } from '@rosefinch/core/strings';
import { doAside } from '../worker/index.ts';
import type { FitOf, FitRequest } from './protocol.ts';

const start = () => new Worker(new URL('./fits.worker.ts', import.meta.url), { type: 'module' });

/** Learns an instrument's coupling beside the page. @throws Error if the helper fails */
export function learnCouplingAside(task: FitOf<'coupling'>): Promise<Coupling> {
  return doAside<FitRequest, Coupling>({ start, request: { fit: 'coupling', ...task } });
}

/** Fits new strings beside the page. @throws Error if the helper fails, Cancelled if aborted */
export function settleAside(task: FitOf<'settling'>, signal: AbortSignal): Promise<SettlingReport> {
  return doAside<FitRequest, SettlingReport>({
    start,
    request: { fit: 'settling', ...task },
    signal,
  });
}

/** Takes the drift of instruments apart beside the page. @throws Error if the helper fails, Cancelled if aborted */
export function driftAside(tasks: readonly DriftTask[], signal: AbortSignal): Promise<Told[]> {
  return doAside<FitRequest, Told[]>({ start, request: { fit: 'drift', tasks }, signal });
}

/** What all runs of an ear come to, worked out beside the page. @throws Error if the helper fails, Cancelled if aborted */
export function earAside(runs: readonly EarRun[], signal: AbortSignal): Promise<EarProgress[]> {
  return doAside<FitRequest, EarProgress[]>({ start, request: { fit: 'ear', runs }, signal });
}
