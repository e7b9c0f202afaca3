export type { Contents } from './backup.ts';
export {
  checkFretCheck,
  checkInstrument,
  checkRestringing,
  checkTuning,
  readBackup,
  writeBackup,
} from './backup.ts';
export { instrumentWithPegKinds } from './migrations.ts';
export { saltmarshLibrary } from './saltmarsh.ts';
export type { SessionSummary } from './summary.ts';
export { summarise } from './summary.ts';
export type {
  FretCheck,
  LogEntry,
  Measurement,
  RecordedPluck,
  Recording,
  Restringing,
  Session,
  SourceKind,
} from './types.ts';
export { tellsOfInstrument } from './types.ts';
