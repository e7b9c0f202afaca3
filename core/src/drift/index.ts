export { type AirAt, humidityAt, type WithAir, withAir } from './air.ts';
export { diaryOf, type Kept } from './diary.ts';
export { type DriftTask, driftOf, type Told } from './drift.ts';
export type { Due, LeftAt } from './due.ts';
export { type Spares, sparesFor } from './spares.ts';
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
export {
  type Heard,
  heardOf,
  type Sign,
  type Wear,
  type WearVerdict,
  wornStrings,
} from './wear.ts';
