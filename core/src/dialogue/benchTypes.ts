import type { Called, EarVerdict, HeardPluck } from '../coach/index.ts';
import type {
  BeatOutcome,
  ListenEvent,
  Node,
  Reading,
  Refusal,
  StringKnowledge,
  StrumLike,
  WoundPitch,
  WoundString,
} from '../listen/index.ts';
import type { Target, Tuning } from '../music/index.ts';
import type { Saying } from '../sentences/index.ts';
import type {
  BenchEvent,
  BenchState,
  Followed,
  Measurement,
  StringReading,
} from '../sitting/index.ts';
import type { Fitted, ReadAt } from '../state/index.ts';
import type { Coupling, Instrument, Peg } from '../strings/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';
import type { PegTestRound } from './pegTest.ts';
import type { WindingRound } from './winding.ts';

/** What the bench asks of the player at a moment; a pluck answers what was asked when it was made. */
export interface BenchAsked {
  /** The string that was chosen by hand. */
  readonly chosen: number | null;
  /** The string that is worked on, or that was named as the next one. */
  readonly inHand: number | null;
  /** That string was asked for by name and for nothing else. */
  readonly alone: boolean;
  /** The string that is to be turned, and how far; null where nothing is. */
  readonly told: { readonly course: number; readonly cents: Cents } | null;
  /** The next note is a reference, and no string of this instrument. */
  readonly reference: boolean;
  /** The peg that is tried, and the step that it is at: 0 is the pluck before its first turn. */
  readonly peg: { readonly course: number; readonly step: number } | null;
}

/** What the last pluck came to when it was no reading. */
export type Notice =
  | { readonly kind: 'refused'; readonly refusal: Refusal }
  /** A string by its node, or fretted: it is no reading of the open string. */
  | { readonly kind: 'touched'; readonly of: number; readonly node: Node }
  /** A strum is waited for; or it was heard: these strings of it, and not those. */
  | { readonly kind: 'strum asked' }
  | {
      readonly kind: 'strum';
      readonly heard: readonly number[];
      readonly alone: readonly number[];
      /** The tunings that it sounded like, where it was not this one. */
      readonly like: readonly Pick<StrumLike, 'id' | 'name'>[];
    }
  /** Its string is in doubt: it is kept, and put to the string that later plucks or the teacher tell. */
  | {
      readonly kind: 'doubt';
      /** The likeliest first. */
      readonly courses: readonly number[];
      /** The string that was chosen by hand, where the sound is another one's. */
      readonly chosen: number | null;
      /** It is worth a question; where it is not the next pluck may tell. */
      readonly asks: boolean;
      readonly outcome: Reading;
    };

/** What the bench leads through. */
export type Plain =
  | { readonly kind: 'tuning' }
  /** The figures are hidden. */
  | { readonly kind: 'by ear' }
  /** How near the ear came; null where the string was not heard. */
  | { readonly kind: 'verdict'; readonly verdict: EarVerdict | null }
  | { readonly kind: 'pegs'; readonly round: PegTestRound }
  /** Strings are wound up from slack. */
  | { readonly kind: 'winding'; readonly round: WindingRound };

/** … or what it does between, to go back afterwards to where it was. */
export type Led =
  | Plain
  /** A fork, a piano, a friend's string: waited for, or heard. */
  | { readonly kind: 'reference'; readonly hz: Hz | null; readonly back: Plain }
  /** Two strings sounded together: waited for, or how they beat. */
  | { readonly kind: 'pair'; readonly beat: BeatOutcome | null; readonly back: Plain };

/** The conversation at the bench, beside what its log tells. */
export interface BenchTalk {
  readonly led: Led;
  /** What was heard since the page was opened, for the coach. */
  readonly plucks: readonly HeardPluck[];
  /** The teacher has decided something since the last pluck: what it showed is answered. */
  readonly answered: boolean;
  readonly notice: Notice | null;
  /** A pluck that was taken for another instrument's and is not counted, until something else is heard. */
  readonly notOurs: { readonly hz: Hz; readonly course: number } | null;
  /** The note that sounds: time since its onset in seconds and Hz by turns. */
  readonly track: readonly number[];
  /** That note is the last pluck, not a reference or two strings compared. */
  readonly ownsTrack: boolean;
  /** The string that sounds, where it is known, and what is called out while it is turned. */
  readonly sounding: number | null;
  readonly called: Called | null;
  /** When that note was read last, in seconds since its onset; 0 where it was not read after a turn. */
  readonly readAt: Seconds;
  /** Which string a pluck was has been asked in this session: nobody is asked twice. */
  readonly questioned: boolean;
  /** All strings were found about so many semitones flat: said once, until one is brought up. */
  readonly flat: { readonly semitones: number; readonly said: boolean } | null;
  /** The newest reading, and which one it is, so that it is announced once. */
  readonly newest: { readonly reading: StringReading; readonly nth: number } | null;
}

/** What is true beside the conversation at the moment of an input. */
export interface BenchWorld {
  readonly state: BenchState;
  /** Readings of the session so far. */
  readonly heard: readonly ReadAt[];
  /** When the strings were put on, course 1 first; null where it is not known. */
  readonly fitted: readonly (Fitted | null)[];
  /** Null where the tuning is no longer known. */
  readonly tuning: Tuning | null;
  readonly targets: readonly Target[];
  readonly strings: readonly StringKnowledge[];
  /** What the log tells of all strings together. */
  readonly followed: Followed;
  /** Cents of every course from before the session, course 1 first, where they are known. */
  readonly before: readonly (Cents | null)[];
  readonly coupling: Coupling;
  /** Strings are brought to where they land once the others are tuned. */
  readonly aiming: boolean;
  /** As it sounds, with its capo on. */
  readonly instrument: Instrument;
  readonly a4: Hz;
  /** What is heard tells nothing of the instrument itself. */
  readonly practice: boolean;
  readonly listening: boolean;
  /** The string that a plan takes next, while there is one. */
  readonly planned: number | undefined;
  /** On the way from one tuning to another. */
  readonly retuning: boolean;
  /** Advice for one bold movement, not for many small ones. */
  readonly bold: boolean;
}

/** What the ear tells the bench. */
export type BenchHearing =
  | Extract<ListenEvent, { type: 'onset' | 'track' | 'outcome' | 'strum' | 'released' }>
  | { readonly type: 'pair'; readonly beat: BeatOutcome }
  | { readonly type: 'wound'; readonly pitch: WoundPitch };

export type BenchInput =
  | { readonly type: 'heard'; readonly heard: BenchHearing; readonly asked: BenchAsked }
  | { readonly type: 'accept' }
  | { readonly type: 'next pass' }
  | { readonly type: 'choose'; readonly course: number | null }
  /** Puts an earlier pluck, known by its pitch, to a string. */
  | { readonly type: 'attribute'; readonly hz: Hz; readonly course: number }
  /** Hides the figures, or shows them. */
  | { readonly type: 'by ear' }
  /** Begins to compare two strings, or ends it. */
  | { readonly type: 'compare' }
  /** Waits for a reference, or leaves it. */
  | { readonly type: 'reference' }
  | { readonly type: 'take A4'; readonly a4: Hz }
  /** Begins a round over the pegs, or ends it. */
  | { readonly type: 'peg test' }
  /** Waits for a strum over all strings, or no longer. */
  | { readonly type: 'strum' }
  /** Begins to wind strings up from slack, the one that is chosen or all; or ends it. */
  | { readonly type: 'wind' }
  | { readonly type: 'sound target' }
  | { readonly type: 'start afresh' }
  /** Another source is about to be opened. */
  | { readonly type: 'listen' };

/** What is to be done in the world. */
export type BenchEffect =
  | {
      readonly do: 'record';
      readonly event: BenchEvent;
      readonly measurement?: Pick<Measurement, 'reading' | 'track'>;
    }
  /** An earlier pluck was put to another string than before: told in one line that can be undone. */
  | {
      readonly do: 'tell correction';
      readonly hz: Hz;
      readonly from: number;
      readonly to: number;
    }
  | { readonly do: 'save peg'; readonly course: number; readonly peg: Peg }
  /** Waits for two strings near a pitch; null waits no longer. */
  | { readonly do: 'expect pair'; readonly hz: Hz | null }
  /** Takes the next sound for a strum, or no longer. */
  | { readonly do: 'expect strum'; readonly expected: boolean }
  /** Follows a string while it is wound, and reads plucks meanwhile or not; null follows none. */
  | {
      readonly do: 'follow winding';
      readonly string: WoundString | null;
      readonly inSession: boolean;
    }
  /** Told aloud where that is wanted, whether it is right. */
  | { readonly do: 'say'; readonly saying: Saying; readonly right: boolean }
  | { readonly do: 'sound'; readonly hz: Hz }
  /** The note that rings is not shown any more: it belongs to no string that is worked on. */
  | { readonly do: 'stop showing note' }
  | { readonly do: 'start afresh'; readonly undoable: boolean }
  | { readonly do: 'save A4'; readonly a4: Hz };
