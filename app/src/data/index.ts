export { DataProvider, type Stock, useData, useLive, useSettings, useStock } from './context.tsx';
export { csvText, rounded } from './csv.ts';
export { RosefinchDatabase, type Shelf } from './database.ts';
export { backupText, planRestore, type RestorePlan, readingsCsv } from './files.ts';
export { Repository } from './repositories.ts';
export type { Settings } from './settings.ts';
