export type { Advice, AdviceString } from './advice.ts';
export { adviceFor, refusalAdvice } from './advice.ts';
export type {
  BenchEvent,
  BenchGoal,
  BenchState,
  LedgerRow,
  Pass,
  StampedEvent,
  Standing,
  StringPass,
  StringReading,
} from './bench.ts';
export {
  allInTune,
  benchAfter,
  currentPass,
  isSettled,
  ledger,
  nextCourse,
  passDone,
  readingFor,
  replay,
  startBench,
  stringOf,
} from './bench.ts';
