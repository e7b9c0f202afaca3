export { DataProvider, useData, useSettings } from './context.tsx';
export { RosefinchDatabase, type Shelf } from './database.ts';
export { Repository } from './repositories.ts';
export type { Settings } from './settings.ts';
