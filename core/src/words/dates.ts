import type { EpochMs } from '../units.ts';

/**
 * Dates as the reader writes them, in the zone in which they were taken. A zone that this
 * browser does not know is shown in universal time, and said to be.
 */
function written(
  at: EpochMs,
  zone: string,
  options: Intl.DateTimeFormatOptions,
  reader: string,
): string {
  try {
    return new Intl.DateTimeFormat(reader, { ...options, timeZone: zone }).format(at);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return `${new Intl.DateTimeFormat(reader, { ...options, timeZone: 'UTC' }).format(at)} UTC`;
  }
}

/** @example dayInWords(at, 'Europe/London', 'en-GB') // => '26 Oct 2026' */
export function dayInWords(at: EpochMs, zone: string, reader: string): string {
  return written(at, zone, { dateStyle: 'medium' }, reader);
}

/** @example momentInWords(at, 'Europe/London', 'en-GB') // => '26 Oct 2026, 07:00' */
export function momentInWords(at: EpochMs, zone: string, reader: string): string {
  return written(at, zone, { dateStyle: 'medium', timeStyle: 'short' }, reader);
}

const DAY_MS = 86_400_000;

/** A day as one speaks of it, without the hour. @example dayAsSaid(at, 'Europe/Berlin', now, 'en-GB') // => 'Thu 3 Dec' */
export function dayAsSaid(at: EpochMs, zone: string, now: EpochMs, reader: string): string {
  const day = (when: number) => written(when, zone, { dateStyle: 'short' }, reader);
  if (day(at) === day(now)) return 'today';
  if (day(at) === day(now + DAY_MS)) return 'tomorrow';
  if (day(at) === day(now - DAY_MS)) return 'yesterday';
  const year = (when: number) => written(when, zone, { year: 'numeric' }, reader);
  const options = { weekday: 'short', day: 'numeric', month: 'short' } as const;
  return year(at) === year(now)
    ? written(at, zone, options, reader)
    : written(at, zone, { day: 'numeric', month: 'short', year: 'numeric' }, reader);
}

/** A moment as the wall clock of a zone tells it, the day only where it is not today. @example whenInWords(at, 'Europe/Berlin', now, 'en-GB') // => 'tomorrow 07:00' */
export function whenInWords(at: EpochMs, zone: string, now: EpochMs, reader: string): string {
  const day = (when: number) => written(when, zone, { dateStyle: 'short' }, reader);
  const time = written(at, zone, { timeStyle: 'short' }, reader);
  if (day(at) === day(now)) return `today ${time}`;
  if (day(at) === day(now + DAY_MS)) return `tomorrow ${time}`;
  if (day(at) === day(now - DAY_MS)) return `yesterday ${time}`;
  const options = { weekday: 'short', day: 'numeric', month: 'short' } as const;
  return `${written(at, zone, options, reader)} ${time}`;
}
