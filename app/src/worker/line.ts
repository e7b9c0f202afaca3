/** A worker spoken to in its own protocol. */
export interface Line<Request> {
  send(request: Request, transfer?: Transferable[]): void;
  close(): void;
}

/** Opens the line to a worker: what it reports, and that it stopped. */
export function connect<Request, Report>(
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
