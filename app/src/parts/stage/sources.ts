import type { InstrumentKind } from '@rosefinch/core/music';
import type { ReactNode } from 'react';
import type { Listening, Wanted } from '../listening/index.ts';

/** What can be listened to, real strings first. */
export const SOURCES: readonly Wanted[] = ['microphone', 'practice'];

/** @example nameOf('practice', 'banjo') // => 'Practice banjo' */
export function nameOf(source: Wanted, kind: InstrumentKind): string {
  return source === 'practice' ? `Practice ${kind}` : 'Microphone';
}

/** What a job listens to, and what else it can. */
export interface ListeningHere {
  readonly listening: Pick<Listening, 'source' | 'listen' | 'stop'>;
  readonly kind: InstrumentKind;
  /** Nothing can be listened to yet. */
  readonly disabled?: boolean;
  /** What the L key listens to, in a job that has it. */
  readonly usual?: Wanted;
  /** Another source: a recording that is read. */
  readonly other?: ReactNode;
}
