import { asText } from '@rosefinch/core/errors';
import { message, type Value } from '@rosefinch/core/message';
import { connect } from './line.ts';
import type { JobReport, Progress } from './protocol.ts';

/** A helper that has not taken a request by then is gone; it is begun anew once. In ms. */
const TAKEN_WITHIN_MS = 5000;
/** The longest that one is silent at its work, on a slow machine, is a small part of this. In ms. */
const SILENT_AT_MOST_MS = 60_000;

/** Somebody stopped it. */
export class Cancelled extends Error {
  override readonly name = 'Cancelled';
}

/** A job that failed, with what its helper said of it. */
class JobFailed extends Error {
  override readonly name: string = 'JobFailed';

  constructor(readonly problem: Value) {
    super(asText(problem));
  }
}

/** A helper that does not answer. */
class Silent extends JobFailed {
  override readonly name = 'Silent';
}

/** What is asked of a helper, and what its owner wants to know meanwhile. */
export interface Job<Request> {
  /** Starts the helper; again if it does not answer. */
  readonly start: () => Worker;
  readonly request: Request;
  readonly progress?: Progress;
  /** Aborting ends the helper. */
  readonly signal?: AbortSignal;
}

/**
 * Has a job done beside the page.
 * @throws Cancelled if the signal was aborted, JobFailed if the helper fails or does not answer
 */
export async function doAside<Request, Answer>(job: Job<Request>): Promise<Answer> {
  try {
    return await doOnce<Request, Answer>(job);
  } catch (error) {
    if (!(error instanceof Silent)) throw error;
    return doOnce<Request, Answer>(job);
  }
}

function doOnce<Request, Answer>({
  start,
  request,
  progress,
  signal,
}: Job<Request>): Promise<Answer> {
  return new Promise((resolve, reject) => {
    if (signal?.aborted) return reject(new Cancelled('Stopped.'));
    const end = (act: () => void) => {
      clearTimeout(timer);
      signal?.removeEventListener('abort', stop);
      line.close();
      act();
    };
    const stop = () => end(() => reject(new Cancelled('Stopped.')));
    const silent = () => end(() => reject(new Silent(message('common.helperSilent'))));
    const hear = (report: JobReport<Answer>) => {
      if (report.type === 'done') return end(() => resolve(report.answer));
      if (report.type === 'failed') return end(() => reject(new JobFailed(report.problem)));
      clearTimeout(timer);
      timer = setTimeout(silent, SILENT_AT_MOST_MS);
      if (report.type === 'progress') progress?.(report.done, report.of);
    };
    const line = connect<Request, JobReport<Answer>>(start(), hear, (problem) =>
      end(() => reject(new JobFailed(problem))),
    );
    let timer = setTimeout(silent, TAKEN_WITHIN_MS);
    signal?.addEventListener('abort', stop, { once: true });
    line.send(request);
  });
}
