import { TZDate } from '@date-fns/tz';
import type { Cents, EpochMs } from '../units.ts';
import { FARTHEST, holdOf } from './forecast.ts';
import type { StringSettling } from './verdict.ts';

/** A look that is due. */
export interface NextLook {
  readonly at: EpochMs;
  /** The string that is expected to be the first to leave the tolerance. */
  readonly course: number;
  /** At night nobody looks: by the morning it may have left. */
  readonly late: boolean;
}

/** Nobody looks before or after these hours of the day. */
const FROM_HOUR = 7;
const TO_HOUR = 21;
const DAY_MS = 86_400_000;
/** Sooner than this the next look is no look but the same sitting, in ms. */
const SOONEST_MS = 10 * 60_000;
const MOST_LOOKS = 12;

/**
 * When to look again: first at the lower end of the time that the first string holds, then,
 * all brought to their notes each time, as long as they are expected to; in the teacher's
 * waking hours, for a fortnight.
 * @param zone IANA time zone of the teacher
 */
export function looksAhead(
  strings: readonly StringSettling[],
  now: EpochMs,
  tolerance: Cents,
  zone: string,
): NextLook[] {
  const looks: NextLook[] = [];
  let from = now;
  while (looks.length < MOST_LOOKS) {
    const first = firstToLeave(strings, now, from, tolerance, looks.length === 0);
    if (!first) break;
    const due = from + Math.max(SOONEST_MS, 1000 * first.holds);
    if (due > now + FARTHEST * 1000) break;
    const at = inWakingHours(due, from, zone);
    looks.push({ at, course: first.course, late: at > due });
    from = at;
  }
  return looks;
}

/** The string that leaves first after a look, and how long it holds. */
function firstToLeave(
  strings: readonly StringSettling[],
  now: EpochMs,
  from: EpochMs,
  tolerance: Cents,
  asItIs: boolean,
): { course: number; holds: number } | null {
  let first: { course: number; holds: number } | null = null;
  for (const { settling, age, hold, history } of strings) {
    if (settling.kind !== 'fitted' || !hold) continue;
    const later = { at: age + (from - now) / 1000, cents: 0, errorCents: 0 };
    // The first look errs on the safe side; the later ones are planned anew by then.
    const holds =
      asItIs && hold.expected > 0 ? hold.low : holdOf(settling, later, tolerance).expected;
    if (!first || holds < first.holds) first = { course: history.course, holds };
  }
  return first;
}

/** The last waking moment before it is due, or, where that is past already, the next morning. */
function inWakingHours(due: EpochMs, from: EpochMs, zone: string): EpochMs {
  const wanted = new TZDate(due, zone);
  const hour = wanted.getHours();
  if (hour >= FROM_HOUR && hour < TO_HOUR) return due;
  // Days are those of the calendar, so that a day of 23 or 25 hours ends when it ends.
  const evening = new TZDate(hour < FROM_HOUR ? due - DAY_MS : due, zone);
  evening.setHours(TO_HOUR, 0, 0, 0);
  if (evening.getTime() > from + SOONEST_MS) return evening.getTime();
  const morning = new TZDate(hour < FROM_HOUR ? due : due + DAY_MS, zone);
  morning.setHours(FROM_HOUR, 0, 0, 0);
  return morning.getTime();
}
