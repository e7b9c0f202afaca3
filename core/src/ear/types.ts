import type { Cents, EpochMs } from '../units.ts';

/** What an ear is practised by. */
export const EXERCISES = [
  'direction',
  'match',
  'beats',
  'string',
  'pure',
  'sing',
  'whole',
  'touch',
  'class',
] as const;
export type ExerciseKind = (typeof EXERCISES)[number];

/** Somebody who learns to hear, by a name or initials of the teacher’s choice. */
export interface Learner {
  readonly id: string;
  readonly name: string;
}

/** One question and what came of it. */
export interface EarTrial {
  readonly at: EpochMs;
  /** Register and timbre, interval, chord, string or fret: whatever may be heard differently. */
  readonly cell: string;
  /** What was to be heard: how far it was out. */
  readonly asked: Cents;
  /** What was answered, where it was an answer. */
  readonly answer?: string;
  /** Of so many answers one was right: what a guesser finds. Where one was to be found. */
  readonly among?: number;
  /** What was left, or how far the answer was off, where it was a deed. */
  readonly off?: Cents;
  /** From when it could be answered. */
  readonly tookMs?: number;
  /** How it was turned: milliseconds and cents by turns. */
  readonly path?: readonly number[];
  /** Hands of a class, by answer. */
  readonly hands?: Readonly<Record<string, number>>;
}

/** One exercise done at one time. */
export interface EarRun {
  readonly id: string;
  /** Whose ear; null without a name. */
  readonly learnerId: string | null;
  readonly exercise: ExerciseKind;
  /** Questions by the classic staircase instead of those that tell most. */
  readonly staircase?: true;
  /** Five questions, then stop. */
  readonly minute?: true;
  readonly startedAt: EpochMs;
  /** IANA time zone of the teacher at that moment. */
  readonly zone: string;
  /** Null while it goes on. */
  readonly doneAt: EpochMs | null;
  /** The instrument that was used, where one was. */
  readonly instrumentId?: string;
  /** By what it was brought back: the display, one tone, or the ear alone. */
  readonly aid?: 'display' | 'allTones' | 'oneTone' | 'memory';
  readonly trials: readonly EarTrial[];
}

export const REGISTERS = ['low', 'middle', 'high'] as const;
export type Register = (typeof REGISTERS)[number];

/** What a note sounds like: plucked, or an even tone. */
export const TIMBRES = ['pluck', 'tone'] as const;
export type EarTimbre = (typeof TIMBRES)[number];
