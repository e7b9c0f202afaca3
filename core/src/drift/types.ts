import type { Cents, EpochMs } from '../units.ts';

/** How far a string moved by itself between two sessions: found in the later one less left in the earlier one. */
export interface Move {
  readonly cents: Cents;
  /** Standard error of both readings together. */
  readonly errorCents: Cents;
}

/** The time between two sessions of one instrument in one tuning. */
export interface Span {
  readonly from: EpochMs;
  readonly to: EpochMs;
  /** Course 1 first; null where a string was not read at both ends, or was changed between. */
  readonly moves: readonly (Move | null)[];
  /** It was out of the house for some of it. */
  readonly lent: boolean;
}

/** A string, as far as its drift depends on it. */
export interface DriftString {
  readonly course: number;
  /** What a common stretch of all strings does to it, the mean of all being 1: it follows from EA/T. */
  readonly share: number;
  readonly soft: boolean;
  /** When strings were put on here, as far as that is known, oldest first. */
  readonly fitted: readonly EpochMs[];
}

/** What is known of an instrument over time. */
export interface Diary {
  readonly strings: readonly DriftString[];
  /** Oldest first. */
  readonly spans: readonly Span[];
}

/** What one string does by itself. */
export type Habit = 'still' | 'slips' | 'wanders';

/** How a string moves beside what all do alike. */
export interface StringDrift {
  readonly course: number;
  /** Probability of each habit. */
  readonly habits: Readonly<Record<Habit, number>>;
  /** How far its peg lets it down in a week, cents; 0 where it does not slip. */
  readonly weekly: Cents;
  /** Standard error of that. */
  readonly weeklyError: Cents;
  /** Largest fall of its own in one span. */
  readonly largestFall: Cents;
}

/** What happened in one span. */
export interface SpanDrift {
  readonly from: EpochMs;
  readonly to: EpochMs;
  /** What all strings did alike, cents of a string of share 1. */
  readonly common: Cents;
  readonly commonError: Cents;
  /** Probability that hands moved the strings, each its own way. */
  readonly handled: number;
  /** What each string did beside it; null where nothing was read. */
  readonly own: readonly (Cents | null)[];
}

/** What keeps an instrument from staying where it was left. */
export type Cause =
  | 'peg'
  | 'new strings'
  | 'handled'
  | 'air'
  | 'one string'
  | 'still'
  | 'not enough';

/** Drift taken apart. */
export interface Drift {
  readonly cause: Cause;
  /** The strings that it is about, the worst first: those of a peg, of new strings, of one that wanders. */
  readonly courses: readonly number[];
  readonly strings: readonly StringDrift[];
  readonly spans: readonly SpanDrift[];
  /** How the common part is shared out: 0 alike, 1 by EA/T. */
  readonly byStiffness: number;
  /** What a week brings: by the air, and by chance, standard deviations in cents. */
  readonly weekly: { readonly air: Cents; readonly chance: Cents };
}
