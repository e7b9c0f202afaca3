import type { NoteValue } from '../message.ts';
import type { TightenDirection } from '../strings/index.ts';
import type { Cents, Hz, Semitones } from '../units.ts';
import type { TurnSize } from './heard.ts';

/** The mistakes that the coach knows, each with what its sentence needs to know. */
export interface FaultFacts {
  /** Chosen by hand one string, heard another one. */
  'another string': { readonly heard: number; readonly chosen: number };
  'too slack': { readonly course: number; readonly tighten: TightenDirection };
  /** `touched`: a harmonic, or a fretted note, rather than a string that stands there. */
  'wrong octave': {
    readonly octaves: number;
    readonly tighten: TightenDirection;
    readonly touched: boolean;
  };
  /** Higher than its string can stand: it was fretted or touched. */
  'out of reach': { readonly course: number; readonly semitones: Semitones };
  'floppy or tight': object;
  /** The string before did not move while it was worked on, and this one has. */
  'wrong peg': { readonly moved: number; readonly by: Cents; readonly stuck: number };
  'wrong way': { readonly side: 'low' | 'high'; readonly tighten: TightenDirection };
  'unheard turn': { readonly cents: Cents };
  'slips back': { readonly cents: Cents };
  'does not move': object;
  /** It stood still under the peg, then went past its note at once. */
  'sticks at the nut': { readonly jumped: Cents };
  'to and fro': {
    readonly tighten: TightenDirection;
    /** To somewhat below the note; null where nothing is known of the peg. */
    readonly turn: TurnSize | null;
  };
  /** In cents a second. */
  'too fast': { readonly speed: number };
  'a semitone off': {
    readonly heard: NoteValue;
    readonly wanted: NoteValue;
    readonly high: boolean;
    readonly tighten: TightenDirection;
    /** To the note; null where nothing is known of the peg. */
    readonly turn: TurnSize | null;
  };
  'near breaking': { readonly course: number; readonly headroom: Semitones };
  'no arrival': { readonly plucks: number };
  /** A string that has moved again after so many passes. */
  'still moving': { readonly course: number; readonly passes: number };
  /** All strings of the first round are off by the same amount: right for another A4, or so many semitones away. */
  'in tune with itself': {
    readonly cents: Cents;
    readonly ownA4: Hz;
    readonly a4: Hz;
    /** Whole semitones, where it is that; 0 where A4 is the likelier reason. */
    readonly semitones: Semitones;
  };
  clipped: object;
  'hard pluck': { readonly cents: Cents };
  'too faint': object;
}

export type Rule = keyof FaultFacts;

/** A mistake that the last pluck shows, with its figures. */
export type Fault = { readonly [R in Rule]: { readonly rule: R } & FaultFacts[R] }[Rule];
