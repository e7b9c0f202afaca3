import type { Reading } from '../listen/index.ts';
import type { Cents, EpochMs, Hz } from '../units.ts';
import type { StampedEvent } from './events.ts';

/** A lesson lets a string be off by so much where nobody has said otherwise: more than strings are tuned to. */
export const LESSON_CENTS: Cents = 5;

/** Where a sound came from. */
export type SourceKind = 'practice' | 'microphone' | 'recording';

/** One session at the bench with one instrument and tuning. */
export interface Session {
  readonly id: string;
  readonly instrumentId: string;
  readonly tuningId: string;
  readonly a4: Hz;
  /** Fret of the capo that was on, if any: its targets lie so many semitones above the tuning's. */
  readonly capo?: number;
  readonly tolerance: Cents;
  readonly source: SourceKind;
  readonly startedAt: EpochMs;
  /** IANA time zone of the teacher at that moment. */
  readonly zone: string;
  readonly endedAt: EpochMs | null;
  /** New strings were settled: they were pulled between their readings, and drop by themselves. */
  readonly work?: 'settling';
  /** Whether this recording is the instrument as it was then, once the teacher has said so. */
  readonly adopted?: boolean;
  /** Seed of the practice instrument that was heard. */
  readonly practiceSeed?: number;
}

/** What each source tells of the instrument: of a recording only the teacher can say whose it is. */
const TELLS: Readonly<Record<SourceKind, 'always' | 'on the demo’s shelf' | 'when adopted'>> = {
  microphone: 'always',
  practice: 'on the demo’s shelf',
  recording: 'when adopted',
};

/** True if a session, or a check, tells of the instrument itself; a practice instrument is none but in the demo. */
export function tellsOfInstrument(
  { source, adopted }: Pick<Session, 'source' | 'adopted'>,
  demo: boolean,
): boolean {
  const tells = TELLS[source];
  if (tells === 'when adopted') return adopted === true;
  return demo || tells === 'always';
}

/** What one string of a session came to. */
export interface StringSummary {
  readonly course: number;
  /** Which string of a course of several; 1 is the first. */
  readonly member: number;
  /** The first reading of the session, in cents from the string's target. */
  readonly found: Cents | null;
  /** Standard error of that. */
  readonly foundError: Cents | null;
  /** The last one. */
  readonly left: Cents | null;
  readonly leftError: Cents | null;
  readonly leftHz: Hz | null;
  /** Whether the last one was in tune, as Tune judges it; null without one. */
  readonly inTune?: boolean | null;
  /** What the last one was to be, in cents from the target; 0 where it is missing. */
  readonly leftAim?: Cents;
  readonly leftAt: EpochMs | null;
  readonly plucks: number;
}

/** A session in small: what lists show and views look for, without its log. */
export interface Summary {
  /** The session's own. */
  readonly id: string;
  readonly instrumentId: string;
  readonly startedAt: EpochMs;
  /** Which way of summing up made it; another one is made anew. */
  readonly form: number;
  /** What counts as in tune, in cents from the aim. */
  readonly tolerance?: Cents;
  readonly strings: readonly StringSummary[];
  readonly passes: number;
  /** Something was read since the present pass began. */
  readonly passBegun: boolean;
  readonly plucks: number;
  readonly events: number;
  /** Number of the newest event in it. */
  readonly upTo: number;
}

/** The highest number an event can have: no browser counts that far. */
export const MOST_NUMBER = 1e9;

/** One line of a session's log. */
export interface LogEntry {
  /** A UUID: stored once, however often it comes. */
  readonly id: string;
  readonly sessionId: string;
  /** Where it was stored first. */
  readonly machine: string;
  /**
   * Its place in the log: above every number in its session and every one that this machine gave before, also of
   * events that were deleted. The time of day is a field of the event and orders nothing.
   */
  readonly number: number;
  readonly event: StampedEvent;
}

/** The full measurement behind a reading of the log, kept apart: few views want it. */
export interface Measurement {
  /** The log entry's. */
  readonly id: string;
  readonly sessionId: string;
  readonly reading: Reading;
  /** The live track: time since onset in seconds and pitch in Hz by turns. */
  readonly track: Float32Array;
}
