import type { StampedEvent } from '../coach/index.ts';
import type { Reading } from '../listen/index.ts';
import type { Cents, EpochMs, Hz } from '../units.ts';

/** Where a sound came from. */
export type SourceKind = 'practice' | 'microphone' | 'recording';

/** One sitting at the bench with one instrument and tuning. */
export interface Session {
  readonly id: string;
  readonly instrumentId: string;
  readonly tuningId: string;
  readonly a4: Hz;
  readonly tolerance: Cents;
  readonly source: SourceKind;
  readonly startedAt: EpochMs;
  /** IANA time zone of the teacher at that moment. */
  readonly zone: string;
  readonly endedAt: EpochMs | null;
}

/** A reading's full measurement and its live track, kept beside the bench event. */
export interface Measurement {
  readonly reading: Reading;
  /** Time since onset in seconds and pitch in Hz by turns. */
  readonly track: Float32Array;
}

/** One line of a session's log; `seq` counts from 0 within the session. */
export interface LogEntry {
  readonly sessionId: string;
  readonly seq: number;
  readonly event: StampedEvent;
  readonly measurement?: Measurement;
}
