import type { Mark } from '@rosefinch/core/records';
import type { Cents, EpochMs } from '@rosefinch/core/units';
import type { Life } from '../../data/index.ts';

/** A year of one instrument in one line. */
export interface YearLine {
  readonly sittings: number;
  /** How far the furthest string was off, in the middle of the sessions; null without any. */
  readonly offBy: Cents | null;
  /** Sessions in which nothing had to be done. */
  readonly right: number;
  readonly sets: readonly EpochMs[];
  readonly marks: readonly Mark[];
}

/** What a life held in a calendar year of this machine's clock. */
export function yearLine({ sittings, restringings, marks }: Life, year: number): YearLine {
  const within = (at: EpochMs) => new Date(at).getFullYear() === year;
  const own = sittings.filter(({ session }) => within(session.startedAt));
  const off = own
    .map(({ summary }) => Math.max(0, ...summary.strings.map(({ found }) => Math.abs(found ?? 0))))
    .sort((a, b) => a - b);
  const tolerance = own.at(-1)?.session.tolerance ?? 0;
  return {
    sittings: own.length,
    offBy: off[Math.floor(off.length / 2)] ?? null,
    right: off.filter((cents) => cents <= tolerance).length,
    sets: restringings.map(({ fittedAt }) => fittedAt).filter(within),
    marks: marks.filter(({ at, until }) => within(at) || (until !== null && within(until))),
  };
}
