import { TZDate } from '@date-fns/tz';
import type { EpochMs } from '../units.ts';

/** Whether two moments are of one day by the wall clock of a zone; an unknown zone counts as UTC. */
export function sameDay(one: EpochMs, other: EpochMs, zone: string): boolean {
  const day = (at: EpochMs) => new TZDate(at, zone).toDateString();
  return day(one) === day(other);
}
