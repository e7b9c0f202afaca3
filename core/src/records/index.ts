export { saltmarshLibrary } from './saltmarsh.ts';
export type { LogEntry, Measurement, Session, SourceKind } from './types.ts';
