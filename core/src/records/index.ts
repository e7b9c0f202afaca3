export type { LogEntry, Measurement, Session, SourceKind } from './types.ts';
export { saltmarshLibrary } from './saltmarsh.ts';
