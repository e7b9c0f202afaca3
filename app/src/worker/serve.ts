import { problemOf } from '@rosefinch/core/errors';
import { monotonic } from '../environment.ts';
import type { JobReport, Progress } from './protocol.ts';

/** The page is told no more often than this how far it is, in ms. */
const TOLD_EVERY_MS = 100;
/** While it waits for the disk a helper says so often that it is there, in ms. */
const HERE_EVERY_MS = 2000;

/** The whole of a helper that does one job: takes the request, works, answers or says why not. */
export function serve<Request, Answer>(
  work: (request: Request, progress: Progress) => Answer | Promise<Answer>,
): void {
  const report = (message: JobReport<Answer>) => postMessage(message);
  let told = Number.NEGATIVE_INFINITY;
  const progress: Progress = (done, of) => {
    if (monotonic() - told < TOLD_EVERY_MS) return;
    told = monotonic();
    report({ type: 'progress', done, of });
  };
  self.onmessage = async ({ data }: MessageEvent<Request>) => {
    report({ type: 'here' });
    const timer = setInterval(() => report({ type: 'here' }), HERE_EVERY_MS);
    try {
      report({ type: 'done', answer: await work(data, progress) });
    } catch (error) {
      report({ type: 'failed', problem: problemOf(error) });
    }
    clearInterval(timer);
  };
}
