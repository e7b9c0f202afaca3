import type { EpochMs } from '../units.ts';

/** How an instrument of a round stands. */
export type Standing =
  | 'waiting'
  /** Right as it was found. */
  | 'right'
  /** Put right. */
  | 'done'
  /** Called up and found off: to be tuned later. */
  | 'off'
  | 'skipped'
  | 'needsString'
  | 'toRepairer';

/** One instrument of a round. */
export interface RoundEntry {
  readonly instrumentId: string;
  /** What it is called by, from 1 on; it keeps it. */
  readonly number: number;
  readonly standing: Standing;
  /** How long it was thought to take as the round was made. */
  readonly minutes?: number;
  /** The session that tells what was found and left. */
  readonly sessionId?: string;
  readonly from?: EpochMs;
  readonly to?: EpochMs;
}

/** Instruments that are tuned before something, one after the other. */
export interface Round {
  readonly id: string;
  /** @example 'Class of eight' */
  readonly name: string;
  /** In a roll call each is called and strummed once, and the next one follows whatever was heard. */
  readonly way: 'anyOrder' | 'rollCall';
  readonly madeAt: EpochMs;
  /** IANA time zone of the teacher at that moment. */
  readonly zone: string;
  /** When it is to be done; null for no hurry. */
  readonly by: EpochMs | null;
  /** In the order in which they are taken. */
  readonly entries: readonly RoundEntry[];
  /** The instrument in hand; null before the first and after the last. */
  readonly inHand: string | null;
  readonly endedAt: EpochMs | null;
}

/** What happens in a round. */
export type RoundInput =
  /** This one is in hand now, whatever the order says. */
  | { readonly type: 'take'; readonly instrumentId: string }
  /** The one in hand is over with; another tab may have booked it before: then nothing happens. */
  | {
      readonly type: 'book';
      readonly instrumentId: string;
      readonly standing: Exclude<Standing, 'waiting'>;
      readonly sessionId?: string;
    }
  /** It waits again; of the one in hand, until the others are done with. */
  | { readonly type: 'put back'; readonly instrumentId: string }
  | { readonly type: 'end' };
