import type { Refusal } from '../listen/index.ts';
import type { Coupling } from '../strings/index.ts';
import type { Hz } from '../units.ts';
import type { Advice, AdviceString } from './advice.ts';
import type { BenchState, StringReading } from './bench.ts';
import type { Ringing } from './sound.ts';

/** The mistakes that the coach knows, by name. */
export type Rule =
  | 'wrong octave'
  | 'another string'
  | 'a semitone off'
  | 'floppy or tight'
  | 'too slack'
  | 'wrong peg'
  | 'does not move'
  | 'wrong way'
  | 'too fast'
  | 'unheard turn'
  | 'hard pluck'
  | 'clipped'
  | 'too faint'
  | 'slips back'
  | 'to and fro'
  | 'no arrival'
  | 'near breaking'
  | 'in tune with itself'
  | 'still moving';

/** A mistake that the last pluck shows, and what to do about it. */
export interface Fault {
  readonly rule: Rule;
  readonly advice: Advice;
  /** The A4 with which all strings would be right, where they agree with each other. */
  readonly a4?: Hz;
}

/** One pluck as the coach knows it: what a microphone and the keys can tell. */
export interface HeardPluck {
  /** Null when it gave none. */
  readonly reading: StringReading | null;
  readonly refusal: Refusal | null;
  /** The course that was chosen by hand then, if one was. */
  readonly chosen: number | null;
  /** What its live track told, as far as it was followed. */
  readonly ringing: Ringing | null;
  readonly levelDbfs: number | null;
  readonly clipped: boolean;
}

/** What a string is to the coach. */
export interface CoachString extends AdviceString {
  /** Semitones from a pitch up to where it breaks. */
  readonly headroom?: (hz: Hz) => number;
}

/** What the plucks are judged against. */
export interface CoachView {
  readonly state: BenchState;
  readonly strings: readonly CoachString[];
  readonly coupling: Coupling;
  readonly a4: Hz;
  /** On the way from one tuning to another strings are meant to be far off. */
  readonly retuning: boolean;
}

/** A reading with the plucks of the same string right before it. */
export interface Visit {
  readonly heard: readonly HeardPluck[];
  readonly last: HeardPluck;
  readonly reading: StringReading;
  /** Readings of this string in a row, the last one included, oldest first. */
  readonly row: readonly StringReading[];
  /** The pluck before in that row. */
  readonly before: HeardPluck | null;
  readonly string: CoachString;
  readonly view: CoachView;
}

/** Readings of a course at the end of the plucks with no other string between. */
export function rowOf(heard: readonly HeardPluck[], course: number): StringReading[] {
  const row: StringReading[] = [];
  for (let i = heard.length - 1; i >= 0; i--) {
    const { reading } = heard[i]!;
    if (!reading) continue;
    if (reading.course !== course) break;
    row.unshift(reading);
  }
  return row;
}
