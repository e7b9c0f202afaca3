// What the archive worker needs: no views, no React.
export {
  checkStore,
  type Restoring,
  restoreArchive,
  type StoreReport,
  type Survey,
  surveyArchive,
  type Written,
  writeArchive,
} from './archive.ts';
export { clearAll, type Undone, undoChange } from './changes.ts';
export { RosefinchDatabase, type Shelf } from './database.ts';
export { writeInstrument } from './handover.ts';
export type { Draft } from './log.ts';
export { writeReadings } from './readings.ts';
