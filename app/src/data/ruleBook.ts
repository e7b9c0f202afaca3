// Loaded by itself, when something is first to be stored: what records have to be is much to load.
export { checkRecord, checkSummary, noContents, writeBackup } from '@rosefinch/core/records';
