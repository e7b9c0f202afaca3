export { diaryOf, type Kept } from './diary.ts';
export { driftOf } from './drift.ts';
export { type Due, dueAfter, type LeftAt } from './due.ts';
export type {
  Cause,
  Diary,
  Drift,
  DriftString,
  Habit,
  Move,
  Span,
  SpanDrift,
  StringDrift,
} from './types.ts';
