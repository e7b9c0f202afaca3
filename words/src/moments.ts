import type { MomentForm } from '@rosefinch/core/message';
import { DAY_MS, type EpochMs } from '@rosefinch/core/units';

/** The zone, the present time and the locale in which a moment is written. */
export interface Telling {
  readonly zone: string;
  readonly now: EpochMs;
  /** By whose custom it is written. */
  readonly locale: string;
}

/**
 * Dates as the reader writes them, in the zone in which they were taken. A zone that this
 * browser does not know is shown in universal time, and said to be.
 */
function written(
  at: EpochMs,
  { zone, locale }: Telling,
  options: Intl.DateTimeFormatOptions,
): string {
  try {
    return new Intl.DateTimeFormat(locale, { ...options, timeZone: zone }).format(at);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return `${new Intl.DateTimeFormat(locale, { ...options, timeZone: 'UTC' }).format(at)} UTC`;
  }
}

/** Which of the days that have a word of their own a moment lies in. */
function nearDay(at: EpochMs, telling: Telling) {
  const day = (when: EpochMs) => written(when, telling, { dateStyle: 'short' });
  if (day(at) === day(telling.now)) return 'today';
  if (day(at) === day(telling.now + DAY_MS)) return 'tomorrow';
  return day(at) === day(telling.now - DAY_MS) ? 'yesterday' : null;
}

/**
 * A moment in a form.
 * @param say a day that has a word of its own, with or without a time: today, tomorrow 07:00
 */
export function momentFigure(
  at: EpochMs,
  form: MomentForm,
  telling: Telling,
  say: (day: 'today' | 'tomorrow' | 'yesterday', time: string | null) => string,
): string {
  if (form === 'day') return written(at, telling, { dateStyle: 'medium' });
  if (form === 'moment') return written(at, telling, { dateStyle: 'medium', timeStyle: 'short' });
  const near = nearDay(at, telling);
  if (form === 'spoken day') return near ? say(near, null) : spokenDay(at, telling);
  const time = written(at, telling, { timeStyle: 'short' });
  if (near === 'today' && form === 'time') return time;
  if (near) return say(near, time);
  const options = { weekday: 'short', day: 'numeric', month: 'short' } as const;
  return `${written(at, telling, options)} ${time}`;
}

function spokenDay(at: EpochMs, telling: Telling): string {
  const year = (when: number) => written(when, telling, { year: 'numeric' });
  return year(at) === year(telling.now)
    ? written(at, telling, { weekday: 'short', day: 'numeric', month: 'short' })
    : written(at, telling, { day: 'numeric', month: 'short', year: 'numeric' });
}
