import type { EpochMs } from '../units.ts';

/**
 * What lies between a reading and the one before it on the same string. `first`: nothing;
 * `again`: the same moment again; `waited`: the string dropped by itself; `played`
 * likewise, under a hand; `stretched`: it was pulled; `brought up` and `let down`: its peg
 * was turned; `retuned`: likewise, unheard; `room`: the room moved it; `new string`: another
 * string was put on; `left out`: the reading does not count.
 */
export type Step = (typeof STEPS)[number];

export const STEPS = [
  'first',
  'again',
  'waited',
  'played',
  'stretched',
  'brought up',
  'let down',
  'retuned',
  'room',
  'new string',
  'left out',
] as const;

/** What the teacher says of a reading, named by its string and moment. */
export interface Said {
  readonly course: number;
  /** Which string of a course of several; the first, or the only one, where it is missing. */
  readonly member?: number;
  readonly of: EpochMs;
  readonly step: Step;
  /** For a reading after the clock was set back: how long it really was since the one before, in ms. */
  readonly elapsed?: number;
}
