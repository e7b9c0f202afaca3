import { findTuning, noteName } from '@rosefinch/core/music';
import type { Session, SessionSummary } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';

/** A session with what it came to, ready to be shown. */
export interface Sitting {
  readonly session: Session;
  readonly instrument: Instrument;
  readonly summary: SessionSummary;
}

/** The note that a string of a session's tuning should sound. */
export function noteOf(session: Session, course: number): string {
  const midi = findTuning(session.tuningId)?.courses[course - 1]?.[0];
  return midi === undefined ? '' : noteName(midi);
}

/** When a session began, in the time zone in which it was held. */
export function whenOf(session: Session): string {
  return new Intl.DateTimeFormat('en-GB', {
    dateStyle: 'medium',
    timeStyle: 'short',
    timeZone: session.zone,
  }).format(session.startedAt);
}
