import { centsBetween, shiftHz, type Target } from '../music/index.ts';
import type { LogEntry, Said, Session } from '../sitting/index.ts';
import type { EpochMs } from '../units.ts';
import type { Look } from './steps.ts';

/** A line of a log, as far as looks go. */
type Line = Pick<LogEntry, 'event'>;

/** A session with its log. */
export interface Logged {
  readonly session: Session;
  readonly log: readonly Line[];
}

/**
 * All readings of the strings since they were fitted, as deviations from their notes now:
 * those of the settling in the order in which they came, whatever the clock said, and
 * those of the bench put between them by their time.
 */
export function looksOf(
  own: readonly Line[],
  others: readonly Logged[],
  since: EpochMs,
  targets: readonly Target[],
): Look[] {
  const mine = own.flatMap((entry) => lookOf(entry, 0, targets));
  const theirs = others
    .flatMap(({ session, log }) => log.flatMap((e) => lookOf(e, session.capo ?? 0, targets)))
    .filter(({ at }) => at >= since)
    .sort((a, b) => a.at - b.at);
  const merged: Look[] = [];
  for (const look of mine) {
    while (theirs[0] && theirs[0].at < look.at) merged.push(theirs.shift()!);
    merged.push(look);
  }
  return [...merged, ...theirs];
}

function lookOf({ event }: Line, capo: number, targets: readonly Target[]): Look[] {
  if (event.type !== 'reading') return [];
  const { course, errorCents, hz, asked } = event.reading;
  const target = targets[course - 1];
  if (!target) return [];
  const open = shiftHz(hz, -100 * capo);
  const cents = centsBetween(target.hz, open);
  return [{ at: event.at, course, cents, errorCents, hz: open, ...(asked && { asked }) }];
}

/** What the teacher has said of the readings. */
export function saidOf(log: readonly Line[]): Said[] {
  return log.flatMap(({ event }) => (event.type === 'said' ? [event] : []));
}
