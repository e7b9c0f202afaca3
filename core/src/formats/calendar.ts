import { createEvents, type EventAttributes } from 'ics';
import { FormatError } from '../errors.ts';
import { message } from '../message.ts';
import type { EpochMs } from '../units.ts';

/** A moment to look at an instrument again. */
export interface CalendarLook {
  /** Stays the same for the same look, so that a calendar replaces it. */
  readonly id: string;
  readonly at: EpochMs;
  readonly minutes: number;
  readonly title: string;
  readonly text: string;
}

/** So long before it a calendar reminds of a look. */
const ALARM_MINUTES = 5;

/**
 * Looks as iCalendar (RFC 5545), in universal time, so that no time zone and no change of
 * clocks moves them.
 * @throws FormatError if a look cannot be written
 */
export function writeCalendar(looks: readonly CalendarLook[]): string {
  const events = looks.map(
    ({ id, at, minutes, title, text }): EventAttributes => ({
      uid: `${id}@rosefinch.invalid`,
      start: at,
      startInputType: 'utc',
      startOutputType: 'utc',
      duration: { minutes },
      title,
      description: text,
      alarms: [
        {
          action: 'display',
          description: title,
          trigger: { minutes: ALARM_MINUTES, before: true },
        },
      ],
    }),
  );
  const { error, value } = createEvents(events, { productId: '-//Rosefinch//Settling//EN' });
  if (error || !value)
    throw new FormatError(message('problems.calendar', { reason: error?.message ?? '' }));
  return value;
}
