export type { Settings } from '@rosefinch/core/records';
export { readAirCsv } from './airCsv.ts';
export type { StoreReport, Survey } from './archive.ts';
export { type Archiving, archiveAside } from './archiveAside.ts';
export type { Life } from './chronicle.ts';
export {
  DataProvider,
  inHandFirst,
  inHandOf,
  type Stock,
  useData,
  useLive,
  useSettings,
  useStock,
} from './context.tsx';
export { csvText, rounded } from './csv.ts';
export { type Change, RosefinchDatabase, type Shelf } from './database.ts';
export { markOpen } from './ending.ts';
export { readLink, writeLink } from './links.ts';
export { asRecords, type Draft } from './log.ts';
export { isFirstTime } from './marks.ts';
export { type Listed, type OpenPlace, Repository } from './repositories.ts';
export { backupOf } from './rules.ts';
export { canKeep, inMemory, keepStorage, storageState } from './storage.ts';
