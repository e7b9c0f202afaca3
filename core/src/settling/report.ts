import type { EpochMs } from '../units.ts';
import { type BandPoint, curveOf } from './curve.ts';
import type { StringHistory } from './history.ts';
import { looksAhead, type NextLook } from './looks.ts';
import { judgedString, type SettlingGoal, type StringSettling } from './verdict.ts';

/** Everything that is to be reckoned of an instrument with new strings. */
export interface SettlingTask {
  readonly strings: readonly StringHistory[];
  readonly goal: SettlingGoal;
  /** IANA time zone in which looks are planned. */
  readonly zone: string;
  /** When a lesson begins, if one is planned. */
  readonly lessonAt: EpochMs | null;
}

/** What came of it: as of the newest reading, so that time alone changes nothing. */
export interface SettlingReport {
  readonly at: EpochMs;
  /** Those that were read, in the order in which they were given. */
  readonly strings: readonly StringSettling[];
  /** From its last reading on, in the order of the strings. */
  readonly curves: readonly (readonly BandPoint[])[];
  readonly looks: readonly NextLook[];
  /** The lesson that was planned and has not begun, as of that reading. */
  readonly lessonAt: EpochMs | null;
}

/** Judges every string that was read. */
export function settlingReport({ strings, goal, zone, lessonAt }: SettlingTask): SettlingReport {
  const read = strings.filter(({ last }) => last !== null);
  const at = Math.max(0, ...read.map(({ last }) => last?.really ?? 0));
  const planned = lessonAt !== null && lessonAt > at ? lessonAt : null;
  const ahead = planned === null ? 0 : (planned - at) / 1000;
  const all = read.map((history) =>
    judgedString(history, (at - (history.last?.really ?? at)) / 1000, ahead, goal),
  );
  return {
    at,
    strings: all.map(({ settling }) => settling),
    curves: all.map((judged) => curveOf(judged, goal)),
    looks: looksAhead(all, at, goal, { zone, lessonAt: planned }),
    lessonAt: planned,
  };
}
