import { type Message, message } from '@rosefinch/core/message';
import type { InstrumentKind } from '@rosefinch/core/music';
import type { ReactNode } from 'react';
import type { Listening, Wanted } from '../listening/index.ts';

/** What each source is called; real strings come first. */
const NAMES: Readonly<Record<Wanted, (kind: InstrumentKind) => Message>> = {
  microphone: () => message('common.microphone'),
  practice: (kind) => message('common.practiceSource', { kind }),
};

export const SOURCES = Object.keys(NAMES) as readonly Wanted[];

/** @example nameOf('practice', 'banjo') // ‘Practice banjo’ */
export function nameOf(source: Wanted, kind: InstrumentKind): Message {
  return NAMES[source](kind);
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
