import type { FretSheet } from '../intonation/index.ts';
import type { PluckOutcome } from '../listen/index.ts';
import type { Way } from '../settling/index.ts';
import type { SourceKind } from '../sitting/index.ts';
import type { StringSpec } from '../strings/index.ts';
import type { Cents, EpochMs, Hz, Seconds } from '../units.ts';

/** What happened to an instrument beside its sessions. */
export interface Mark {
  readonly id: string;
  readonly instrumentId: string;
  readonly kind: 'loan' | 'repair' | 'note';
  readonly at: EpochMs;
  /** When a loan or a repair was over; null while it lasts, and for a note. */
  readonly until: EpochMs | null;
  /** IANA time zone of the teacher at that moment. */
  readonly zone: string;
  readonly text: string;
}

/** What the air of the room was on one day: the mean of what a logger wrote, or what was typed. */
export interface AirOfDay {
  /** The day, as ISO 8601 writes it: there is one of each. */
  readonly id: string;
  readonly celsius?: number;
  /** Relative, in per cent. */
  readonly humidity?: number;
}

/** A record that may change, and when it was changed last. */
export type Kept<T> = T & { readonly changedAt?: EpochMs };

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
  /** How far a string may be off in a lesson, in cents; the usual where it is missing. */
  readonly lessonCents?: Cents;
  /** How these strings are settled; round by round where it is missing. */
  readonly way?: Way;
  /** When a lesson begins, if one is planned. */
  readonly lessonAt?: EpochMs | null;
  /** When to check again, soonest first, as was reckoned last. */
  readonly looks: readonly EpochMs[];
  /** The newest reading that `looks` were reckoned from. */
  readonly looksFrom?: EpochMs;
  /** Settled, or given up watching; null while it goes on. */
  readonly doneAt: EpochMs | null;
  /** On the practice instrument time can be let go by: so much, in ms. */
  readonly practiceAheadMs?: number;
}

/** A check of the frets of one instrument. */
export interface FretCheck extends FretSheet {
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
  readonly doneAt: EpochMs | null;
  /** Seed of the practice instrument that is heard, if one is. */
  readonly practiceSeed?: number;
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
