import type { Refusal } from '../listen/index.ts';
import type { Target } from '../music/index.ts';
import type { BenchState, StringReading } from '../sitting/index.ts';
import type { Coupling, TightenDirection } from '../strings/index.ts';
import type { Hz, Semitones } from '../units.ts';
import type { Ringing } from './ringing.ts';

/** One pluck as the coach knows it: what a microphone and the keys can tell. */
export interface HeardPluck {
  /** Null when it gave none. */
  readonly reading: StringReading | null;
  /** Its pitch, where it had one: it may be put to a string later. */
  readonly hz?: Hz;
  readonly refusal: Refusal | null;
  /** The course that was chosen by hand then, if one was. */
  readonly chosen: number | null;
  /** What its live track told, as far as it was followed. */
  readonly ringing: Ringing | null;
  readonly levelDbfs: number | null;
  readonly clipped: boolean;
  /** Turns of the button that were asked for before it, positive tightens; missing where none were. */
  readonly told?: number;
}

/** What a string is to the coach. */
export interface CoachString {
  readonly target: Target;
  readonly tighten: TightenDirection;
  /** Turns of its button from one pitch to another; a guess where no turn was measured. */
  readonly turnsTo?: (fromHz: Hz, toHz: Hz) => TurnSize | null;
  /** From a pitch up to where it breaks. */
  readonly headroom?: (hz: Hz) => Semitones;
}

/** How far a button is to be turned. */
export interface TurnSize {
  readonly turns: number;
  /** By physics alone: no turn of this peg was measured yet. */
  readonly guess: boolean;
  /** The smallest turn that the hand makes on this peg, where that was seen. */
  readonly least?: number;
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
  /** The reading before in that row. */
  readonly earlier: StringReading | null;
  /** The pluck before in that row. */
  readonly before: HeardPluck | null;
  readonly string: CoachString;
  readonly view: CoachView;
}

/** Readings of a course at the end of the plucks with no other string between. */
export function rowOf(heard: readonly HeardPluck[], course: number): StringReading[] {
  const readings = heard.flatMap(({ reading }) => reading ?? []);
  return readings.slice(readings.findLastIndex((one) => one.course !== course) + 1);
}
