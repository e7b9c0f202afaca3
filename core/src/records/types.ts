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

/** A record that may change, and when it was changed last. */
export type Kept<T> = T & { readonly changedAt?: EpochMs };

/** What one string of a sitting came to. */
export interface StringSummary {
  readonly course: number;
  /** Which string of a course of several; 1 is the first. */
  readonly member: number;
  /** The first reading of the sitting, in cents from the string's target. */
  readonly found: Cents | null;
  /** The last one. */
  readonly left: Cents | null;
  readonly leftHz: Hz | null;
  readonly leftAt: EpochMs | null;
  readonly plucks: number;
}

/** A sitting in small: what lists show and views look for, without its log. */
export interface Summary {
  /** The sitting's own. */
  readonly id: string;
  readonly instrumentId: string;
  readonly startedAt: EpochMs;
  /** Which way of summing up made it; another one is made anew. */
  readonly form: number;
  readonly strings: readonly StringSummary[];
  readonly passes: number;
  /** Something was read since the present pass began. */
  readonly passBegun: boolean;
  readonly plucks: number;
  readonly events: number;
  /** Number of the newest event in it. */
  readonly upTo: number;
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
    /** Of a course of several strings; all of them where it is missing. */
    readonly member?: number;
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

/** One line of a sitting's log. */
export interface LogEntry {
  /** A UUID: stored once, however often it comes. */
  readonly id: string;
  readonly sessionId: string;
  /** Where it was stored first. */
  readonly machine: string;
  /**
   * Its place in the log, given as it is stored: above every number that was there. The time
   * of day is a field of the event and orders nothing.
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
