import { message, type Value } from '@rosefinch/core/message';

/** A worker spoken to in its own protocol. */
export interface Line<Request> {
  send(request: Request, transfer?: Transferable[]): void;
  close(): void;
}

/** Opens the line to a worker: what it reports, and that it stopped. */
export function connect<Request, Report>(
  worker: Worker,
  hear: (report: Report) => void,
  died: (problem: Value) => void,
): Line<Request> {
  worker.onmessage = ({ data }: MessageEvent<Report>) => hear(data);
  worker.onerror = (event) => died(event.message || message('troubles.helperStopped'));
  worker.onmessageerror = () => died(message('troubles.helperUnreadable'));
  return {
    send: (request, transfer = []) => worker.postMessage(request, transfer),
    close: () => worker.terminate(),
  };
}
