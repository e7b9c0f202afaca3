import { moment, noteValue, type Value } from '@rosefinch/core/message';
import type { Tuning } from '@rosefinch/core/music';
import type { Session, Summary } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';

/** A session with what it came to, ready to be shown. */
export interface Sitting {
  readonly session: Session;
  readonly instrument: Instrument;
  /** Undefined when it was of the teacher's own and is no longer kept. */
  readonly tuning: Tuning | undefined;
  readonly summary: Summary;
}

/** The note that a string should have sounded. */
export function noteOf({ session, tuning }: Sitting, course: number): Value {
  const midi = tuning?.courses[course - 1]?.[0];
  return midi === undefined ? '' : noteValue(midi + (session.capo ?? 0), tuning?.accidental);
}

/** When a session began, in the time zone in which it was held. */
export function whenOf({ startedAt, zone }: Session): Value {
  return moment(startedAt, { now: startedAt, zone }, 'moment');
}
