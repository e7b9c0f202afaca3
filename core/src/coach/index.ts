export type { Advice, AdviceString, Outlook } from './advice.ts';
export { adviceFor, refusalAdvice } from './advice.ts';
export { aimOf, type Pull, passesToCome, standings, whyMoved } from './ahead.ts';
export type {
  BenchEvent,
  BenchGoal,
  BenchState,
  LedgerRow,
  Pass,
  RoomNote,
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
export { byEarAdvice, earVerdict } from './byEar.ts';
export { faultOf } from './faults.ts';
export { type Hearing, hearPluck } from './hear.ts';
export type { CoachString, CoachView, Fault, HeardPluck, Rule } from './heard.ts';
export { beatAdvice, pairAdvice } from './pair.ts';
export type { PegTestRound, PegTestStep } from './pegTest.ts';
export { pegTestAdvice, pegTestAfter, skipPeg, startPegTest } from './pegTest.ts';
export type { Ringing } from './sound.ts';
export { ringingOf } from './sound.ts';
