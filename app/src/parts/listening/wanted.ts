import type { SourceKind } from '@rosefinch/core/sitting';

/** A source that can be opened; a recording is read as a whole. */
export type Wanted = Exclude<SourceKind, 'recording'>;
