import type { StampedEvent } from '../coach/index.ts';
import type { FretReading, Pressure } from '../intonation/index.ts';
import type { PluckOutcome, Reading } from '../listen/index.ts';
import type { StringSpec } from '../strings/index.ts';
import type { Cents, EpochMs, Hz, Seconds } from '../units.ts';

/** Where a sound came from. */
export type SourceKind = 'practice' | 'microphone' | 'recording';

/** One sitting at the bench with one instrument and tuning. */
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

/**
 * True if a sitting, or a check, tells of the instrument itself. A practice instrument is none
 * but on the demo's shelf, and whose a recording is only the teacher can say.
 */
export function tellsOfInstrument(
  { source, adopted }: Pick<Session, 'source' | 'adopted'>,
  demo: boolean,
): boolean {
  if (source === 'recording') return adopted === true;
  return demo || source === 'microphone';
}

/** New strings put on an instrument; the newest one of a string says how old it is. */
export interface Restringing {
  readonly id: string;
  readonly instrumentId: string;
  readonly fittedAt: EpochMs;
  /** IANA time zone of the teacher at that moment. */
  readonly zone: string;
  readonly strings: readonly {
    readonly course: number;
    readonly material: StringSpec['material'];
  }[];
  /** How long a lesson must hold, in minutes. */
  readonly lessonMinutes: number;
  /** When a lesson begins, if one is planned. */
  readonly lessonAt?: EpochMs;
  /** When to look again, soonest first, as was reckoned last. */
  readonly looks: readonly EpochMs[];
  /** The newest reading that `looks` were reckoned from. */
  readonly looksFrom?: EpochMs;
  /** Settled, or given up watching; null while it goes on. */
  readonly doneAt: EpochMs | null;
  /** On the practice instrument time can be let go by: so much, in ms. */
  readonly practiceAheadMs?: number;
}

/** A check of the frets of one instrument. */
export interface FretCheck {
  readonly id: string;
  readonly instrumentId: string;
  readonly tuningId: string;
  readonly a4: Hz;
  readonly source: SourceKind;
  readonly startedAt: EpochMs;
  /** IANA time zone of the teacher at that moment. */
  readonly zone: string;
  /** Fret of the capo that was on, if any: frets are counted from it, and it stands for the nut. */
  readonly capo?: number;
  /** Strings, frets and pressures that are asked for. */
  readonly courses: readonly number[];
  readonly frets: readonly number[];
  readonly pressures: readonly Pressure[];
  readonly readings: readonly FretReading[];
  readonly doneAt: EpochMs | null;
  /** Seed of the practice instrument that is heard, if one is. */
  readonly practiceSeed?: number;
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

/** One pluck of a recording. */
export interface RecordedPluck {
  readonly start: Seconds;
  readonly length: Seconds;
  readonly outcome: PluckOutcome;
  /** Time since onset in seconds and pitch in Hz by turns. */
  readonly track: Float32Array;
  readonly clipped: boolean;
}

/** The report of one recording. Its sound is not kept. */
export interface Recording {
  readonly id: string;
  readonly name: string;
  readonly readAt: EpochMs;
  readonly sampleRate: Hz;
  readonly duration: Seconds;
  /** Least and greatest sample of equal stretches, by turns. */
  readonly envelope: Float32Array;
  readonly plucks: readonly RecordedPluck[];
  readonly warnings: readonly string[];
  /** The session that its readings were put to. */
  readonly sessionId: string | null;
}
