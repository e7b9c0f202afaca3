import { type KnownReading, knowledgeOf, whoSounded } from '@rosefinch/core/listen';
import type { Target } from '@rosefinch/core/music';
import type { RecordedPluck, Recording } from '@rosefinch/core/records';
import type { Session } from '@rosefinch/core/sitting';
import { readingFor } from '@rosefinch/core/sitting';
import type { Cents, Hz, Seconds } from '@rosefinch/core/units';
import type { Draft } from '../../data/index.ts';

/** No record holds a longer name. */
const LONGEST_NAME = 200;

/** Where and when a recording is read. */
export interface ReadingPlace {
  readonly instrumentId: string;
  readonly tuningId: string;
  readonly targets: readonly Target[];
  readonly a4: Hz;
  /** Fret of the capo; 0 without. */
  readonly capo: number;
  readonly tolerance: Cents;
  readonly now: number;
  /** IANA time zone of the teacher. */
  readonly zone: string;
}

/** Makes a session of its own from a recording's plucks: those whose string is certain. */
export function sessionOf(
  recordingId: string,
  plucks: readonly RecordedPluck[],
  place: ReadingPlace,
): { session: Session; log: Draft[] } {
  const session: Session = {
    id: `${recordingId}-session`,
    instrumentId: place.instrumentId,
    tuningId: place.tuningId,
    a4: place.a4,
    ...(place.capo > 0 && { capo: place.capo }),
    tolerance: place.tolerance,
    source: 'recording',
    startedAt: place.now,
    zone: place.zone,
    endedAt: place.now,
  };
  const log: Draft[] = [];
  const known: KnownReading[] = [];
  for (const { outcome, track, start } of plucks) {
    if (outcome.kind !== 'reading') continue;
    const identity = whoSounded(outcome, knowledgeOf(place.targets, known), null);
    const target = identity.kind === 'known' ? place.targets[identity.course - 1] : undefined;
    if (!target) continue;
    known.push({ ...outcome, course: target.course });
    const at = Math.round(place.now + 1000 * start);
    const reading = readingFor(target.course, outcome, target.hz);
    const event = { type: 'reading' as const, reading, at };
    log.push({
      // The same whenever this recording is put away again.
      id: `${session.id}-${log.length}`,
      session,
      event,
      measurement: { reading: outcome, track },
    });
  }
  return { session, log };
}

/** The report that is kept of a recording. */
export function recordingOf(
  id: string,
  file: { name: string },
  sound: { sampleRate: Hz; duration: Seconds; warnings: readonly string[] },
  read: { plucks: readonly RecordedPluck[]; envelope: Float32Array },
  sessionId: string | null,
  now: number,
): Recording {
  const { sampleRate, duration, warnings } = sound;
  return {
    id,
    name: file.name.slice(0, LONGEST_NAME),
    readAt: now,
    sampleRate,
    duration,
    warnings,
    ...read,
    sessionId,
  };
}
