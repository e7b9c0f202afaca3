export type { Contents } from './backup.ts';
export {
  BACKUP_TAIL,
  backupHead,
  checkRecord,
  checkSummary,
  noContents,
  readBackup,
  recordLine,
  salvage,
  tableFrame,
  writeBackup,
} from './backup.ts';
export type { Preference, Standing } from './merge.ts';
export { merged, standingOf } from './merge.ts';
export { instrument1to2, logEntry3to4 } from './migrations.ts';
export { saltmarshLibrary } from './saltmarsh.ts';
export type { Fault, Scanned } from './scan.ts';
export { BackupScanner } from './scan.ts';
export type { Settings, SettingsRecord, StoredSettings } from './settings.ts';
export { DEFAULT_SETTINGS } from './settings.ts';
export { TABLE_NAMES, TABLES, type TableName, type Tables } from './shapes.ts';
export {
  emptySummary,
  inOrder,
  movedMost,
  SUMMARY_FORM,
  summarise,
  summaryAfter,
} from './summary.ts';
export type {
  FretCheck,
  Kept,
  LogEntry,
  Measurement,
  RecordedPluck,
  Recording,
  Restringing,
  Session,
  SourceKind,
  StringSummary,
  Summary,
} from './types.ts';
export { tellsOfInstrument } from './types.ts';
export { SCHEMA } from './version.ts';
