export type { Contents } from './backup.ts';
export {
  backupHead,
  backupTail,
  checkRecord,
  checkSummary,
  noContents,
  readBackup,
  recordLine,
  salvage,
  tableFrame,
  writeBackup,
} from './backup.ts';
export { checkLinked, type Linked } from './link.ts';
export type { Newness, Preference } from './merge.ts';
export { merged, newnessOf } from './merge.ts';
export { CODED_IN_7, instrument1to2, logEntry3to4, record6to7 } from './migrations.ts';
export type { Fault, Scanned } from './scan.ts';
export { BackupScanner } from './scan.ts';
export type { Settings, SettingsRecord, StoredSettings } from './settings.ts';
export { DEFAULT_SETTINGS } from './settings.ts';
export { TABLE_NAMES, TABLES, type TableName, type Tables } from './shapes.ts';
export { SumsOfTables } from './sums.ts';
export type {
  AirOfDay,
  FretCheck,
  Kept,
  Mark,
  RecordedPluck,
  Recording,
  Restringing,
} from './types.ts';
export { SCHEMA } from './version.ts';
