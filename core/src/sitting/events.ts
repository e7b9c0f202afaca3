import type { Presence, StrumString } from '../listen/index.ts';
import { centsBetween } from '../music/index.ts';
import type { PegTurn } from '../strings/index.ts';
import type { Cents, Dbfs, EpochMs, Hz } from '../units.ts';
import type { Said } from './said.ts';

/** A reading that was put to a string of the bench. */
export interface StringReading {
  readonly course: number;
  /** Which string of a course of several; the first, or the only one, where it is missing. */
  readonly member?: number;
  /** Deviation from the string's target. */
  readonly cents: Cents;
  readonly errorCents: Cents;
  readonly moving: boolean;
  /** Where the string stood after it was turned while it rang: it takes another pluck to close the string. */
  readonly turned?: true;
  /** The note was cut short: two such never close a string. */
  readonly short?: boolean;
  /** Heard in a strum, with all others: two such close a string only where their error allows it. */
  readonly strummed?: boolean;
  readonly hz: Hz;
  /** New strings: what was asked for before this pluck, to pull the string or to leave it alone. */
  readonly asked?: 'pull' | 'leave';
  /**
   * Where the string was to be brought, in cents from its target, so that it lands there
   * once the others have been tuned; absent is 0.
   */
  readonly aim?: Cents;
}

/** What a reading tells whatever string it is put to. */
export type ReadPitch = Pick<StringReading, 'hz' | 'errorCents' | 'moving' | 'short' | 'turned'>;

/** How far a reading lies from where its string was to be brought. */
export function offBy({ cents, aim = 0 }: StringReading): Cents {
  return cents - aim;
}

/** What a microphone and the keys told of a pluck beside its pitch: which string it was is judged by it. */
export interface PluckFacts {
  /** B, where the sound alone told it. */
  readonly inharmonicity?: number;
  readonly levelDbfs?: Dbfs;
  /** The string that was chosen by hand when it began, and the one that the screen asked for. */
  readonly chosen?: number;
  readonly asked?: number;
  /** It is the note of the pluck before, whose string was turned while it rang. */
  readonly sameNote?: true;
  /** The screen asked for that string by name and for nothing else. */
  readonly alone?: true;
  /** What the screen had told to turn since the pluck before: which string, and how far. */
  readonly told?: { readonly course: number; readonly cents: Cents };
  /** How near it was plucked. */
  readonly presence?: Presence;
  /** It was taken for another instrument's. */
  readonly others?: true;
}

/** Everything that can happen on the bench; stored in this form, replayed after a reload. */
export type BenchEvent =
  | { readonly type: 'reading'; readonly reading: StringReading; readonly pluck?: PluckFacts }
  /** A pluck whose string is not known yet: it is kept until later ones tell, or the teacher does. */
  | {
      readonly type: 'unattributed';
      readonly pitch: ReadPitch;
      readonly pluck: PluckFacts;
    }
  /**
   * The pluck of exactly this pitch belongs to that string, whatever it was put to before;
   * `cents` and `aim` are as of a reading.
   */
  | {
      readonly type: 'attributed';
      readonly hz: Hz;
      readonly course: number;
      readonly cents: Cents;
      readonly aim?: Cents;
      readonly by: 'evidence' | 'teacher';
    }
  | { readonly type: 'choose'; readonly course: number | null; readonly member?: number }
  /** `next` is the string to go on to, where a plan says so. */
  | { readonly type: 'accept'; readonly next?: number }
  | { readonly type: 'next pass' }
  /** A peg was turned by a known amount; the readings beside it are in the log too. */
  | ({ readonly type: 'peg test'; readonly course: number; readonly member?: number } & PegTurn)
  /** What the teacher says of a reading of a settling string. */
  | ({ readonly type: 'said' } & Said)
  | { readonly type: 'room note'; readonly note: RoomNote };

/** What the room is like, as far as the teacher keeps it. */
export interface RoomNote {
  readonly celsius?: number;
  /** Relative, in per cent. */
  readonly humidity?: number;
  /** The instrument has just come in from elsewhere: it moves until it has the room's warmth. */
  readonly broughtIn?: true;
  readonly text?: string;
}

/** An event with the moment it happened. */
export type StampedEvent = BenchEvent & { readonly at: EpochMs };

/** A string of a strum; `aim` is where it is to be brought. */
export function strummedFor(
  { course, cents, errorCents, hz }: StrumString,
  aim: Cents = 0,
): StringReading {
  return {
    course,
    cents,
    errorCents,
    moving: false,
    strummed: true,
    hz,
    ...(aim !== 0 && { aim }),
  };
}

/** Puts a reading to a string; `aim` is where that string is to be brought. */
export function readingFor(
  course: number,
  reading: ReadPitch,
  targetHz: Hz,
  aim: Cents = 0,
): StringReading {
  return {
    course,
    cents: centsBetween(targetHz, reading.hz),
    errorCents: reading.errorCents,
    moving: reading.moving,
    ...(reading.short && { short: true }),
    ...(reading.turned && { turned: true }),
    hz: reading.hz,
    ...(aim !== 0 && { aim }),
  };
}
