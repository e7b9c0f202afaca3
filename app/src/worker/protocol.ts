import type { Value } from '@rosefinch/core/message';

/** What a helper that does one job says of it. */
export type JobReport<Answer> =
  /** It has the request, and is still at it. */
  | { readonly type: 'here' }
  | { readonly type: 'progress'; readonly done: number; readonly of: number }
  | { readonly type: 'done'; readonly answer: Answer }
  | { readonly type: 'failed'; readonly problem: Value };

/** Told how far a job is: so much done of so much, in any unit; of 0 where nobody knows how much there is. */
export type Progress = (done: number, of: number) => void;
