export type { Advice, AdviceString, Outlook } from './advice.ts';
export { adviceFor, refusalAdvice } from './advice.ts';
export { aimOf, passesToCome, standings } from './ahead.ts';
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
  offBy,
  passDone,
  readingFor,
  replay,
  startBench,
  stringOf,
} from './bench.ts';
export type { PegTestRound, PegTestStep } from './pegTest.ts';
export { pegTestAdvice, pegTestAfter, skipPeg, startPegTest } from './pegTest.ts';
