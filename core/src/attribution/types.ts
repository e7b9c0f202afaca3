import type { Target } from '../music/index.ts';
import type { Cents, Dbfs, Hz } from '../units.ts';

/** What is known of a string before the session. */
export interface StringPrior {
  readonly target: Target;
  /** Where it was left, or stands in the tuning it comes from, in cents from its target. */
  readonly before?: Cents;
  /** It is an old string among new ones: it stands about where it was left. */
  readonly kept?: boolean;
  /** ln(B·f²) with its standard deviation: from readings of other days, or from its gauge. */
  readonly stiffness?: { readonly mean: number; readonly sigma: number };
}

/** Everything that one session is judged by, unchanged while it lasts. */
export interface Setup {
  /** Course 1 first. */
  readonly strings: readonly StringPrior[];
  /** Course numbers in the order in which they are tuned. */
  readonly order: readonly number[];
  /** Other tunings that the strings may come from: cents of every course from its target, course 1 first. */
  readonly tunings: readonly (readonly Cents[])[];
  /** Within this a string counts as in tune. */
  readonly tolerance: Cents;
  /** The strings are known to be new. */
  readonly fresh?: boolean;
}

/** A string that is to be turned by so many cents; positive raises it. */
export interface Turn {
  readonly course: number;
  readonly cents: Cents;
}

/** What a microphone and the keys tell of one pluck. */
export interface Pluck {
  readonly hz: Hz;
  /** B, where the sound alone tells it. */
  readonly inharmonicity?: number;
  readonly levelDbfs?: Dbfs;
  /** The string that was chosen by hand when it began. */
  readonly chosen: number | null;
  /** The string that the screen asked for. */
  readonly asked: number | null;
  /** The screen asked for that string by name and for nothing else ("pluck string 3 alone"). */
  readonly alone?: boolean;
  /** What the screen had told to turn since the pluck before, if anything: which string, and how far. */
  readonly told?: Turn;
  /** The teacher said that it was this string. */
  readonly named?: number;
}

/** The partial whose node is touched: 2 at fret 12, 3 at 7 or 19, 4 at 5. */
export type Node = 2 | 3 | 4;

/** Which string a pluck is put to, or why to none. */
export type Attribution =
  | { readonly kind: 'known'; readonly course: number; readonly probability: number }
  | {
      readonly kind: 'doubt';
      /** The likeliest first, as many as it takes to hold the right one nearly certainly; at least two. */
      readonly courses: readonly number[];
      /** How likely the first one is. */
      readonly probability: number;
      /** The first one would be known, had not another one been chosen by hand. */
      readonly otherwiseSure: boolean;
      /** Two strings hold nearly all of it: one question settles it. */
      readonly worthAsking: boolean;
    }
  | { readonly kind: 'touched'; readonly of: number; readonly node: Node }
  /** No string of this instrument can sound so. */
  | { readonly kind: 'none' };
