export { withAttributions } from './attributed.ts';
export type {
  BenchEvent,
  PluckFacts,
  ReadPitch,
  RoomNote,
  StampedEvent,
  StringReading,
} from './events.ts';
export { offBy, readingFor, strummedFor } from './events.ts';
export {
  BeliefKeeper,
  type Correction,
  correctionsOf,
  type Followed,
  follow,
  pluckOf,
} from './following.ts';
export {
  cameFrom,
  FROM_ANOTHER_TUNING,
  type LastPitches,
  pitchesBefore,
  stringsNow,
} from './known.ts';
export { type LedgerRow, ledger } from './ledger.ts';
export { insistsOnIt, isOurs } from './ours.ts';
export type { BenchGoal, BenchState, Pass, Standing, StringPass } from './replay.ts';
export {
  allInTune,
  benchAfter,
  currentPass,
  inTuneReadings,
  isClosed,
  nextCourse,
  passDone,
  replay,
  startBench,
  stringOf,
} from './replay.ts';
export { type Said, STEPS, type Step } from './said.ts';
export type {
  LogEntry,
  Measurement,
  Session,
  SourceKind,
  StringSummary,
  Summary,
} from './session.ts';
export { LESSON_CENTS, MOST_NUMBER, tellsOfInstrument } from './session.ts';
export {
  emptySummary,
  inOrder,
  movedMost,
  SUMMARY_FORM,
  summarise,
  summaryAfter,
} from './summary.ts';
