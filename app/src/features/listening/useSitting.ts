import type { BenchEvent, BenchState, StampedEvent } from '@rosefinch/core/coach';
import { benchAfter, replay } from '@rosefinch/core/coach';
import type { KnownReading } from '@rosefinch/core/listen';
import type { LogEntry, Measurement, Session, SourceKind } from '@rosefinch/core/records';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type Settings, useData } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';

/** One sitting with an instrument: its state, its log, and the way to add to both. */
export interface Sitting {
  /** The sitting's own record; null before its first event. */
  readonly session: Session | null;
  readonly state: BenchState;
  readonly log: readonly LogEntry[];
  readonly loaded: boolean;
  /** What is known at this very moment, before anything is drawn. */
  readonly latest: () => Pick<Sitting, 'session' | 'state' | 'log'>;
  /** What went wrong when storing, null when all is stored. */
  readonly problem: string | null;
  readonly record: (event: BenchEvent, measurement?: Measurement) => void;
  /** Ends the sitting; answers the way back to it, null where nothing was heard yet. */
  readonly startAfresh: () => (() => void) | null;
}

interface Known {
  readonly session: Session | null;
  readonly log: readonly LogEntry[];
  readonly state: BenchState;
}

export interface Place {
  readonly instrumentId: string;
  readonly tuningId: string;
  /** Fret of the capo; 0 without. */
  readonly capo: number;
  readonly courses: number;
  /** What is listened to. */
  readonly source: () => SourceKind;
  /** What is heard is practice, and tells nothing of the instrument itself. */
  readonly practice: boolean;
  /** Seed of the practice instrument. */
  readonly seed: number;
  /** New strings have one sitting for as long as they are watched, known by this id. */
  readonly settling?: string;
  /** What time it is, in ms; the time of day where it is not given. */
  readonly now?: () => number;
}

/**
 * Keeps the sitting in the database. An event is shown and handed to the disk in the same breath; what
 * could not be stored is tried again with the next one.
 */
export function useSitting(place: Place, settings: Settings): Sitting {
  const { repository } = useData();
  const { instrumentId, tuningId, capo, settling, practice } = place;
  const goal = useRef(goalOf(place.courses, settings, settings.tolerance));
  goal.current = goalOf(place.courses, settings, settings.tolerance);
  const [sitting, setSitting] = useState<Known>(() => empty(goal.current));
  const [loaded, setLoaded] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  // Events are numbered and stored in the order in which they come, one after the other.
  const latest = useRef(sitting);
  const queue = useRef<Promise<void>>(Promise.resolve());
  const unstored = useRef<LogEntry[]>([]);

  const show = useCallback((next: Known) => {
    latest.current = next;
    setSitting(next);
  }, []);

  useEffect(() => {
    let stale = false;
    show(empty(goal.current));
    setLoaded(false);
    const opening =
      settling === undefined
        ? repository.openSession(instrumentId, { tuningId, capo }, practice)
        : repository.sitting(settling);
    opening
      .then((found) => {
        if (stale) return;
        // What was heard before it was there has begun a sitting of its own, and stays.
        if (found && latest.current.session === null)
          show(resumed(found.session, found.log, goal.current));
        setLoaded(true);
      })
      .catch((error: Error) => setProblem(error.message));
    return () => {
      stale = true;
    };
  }, [repository, instrumentId, tuningId, capo, settling, practice, show]);

  const record = useCallback(
    (event: BenchEvent, measurement?: Measurement) => {
      const at = place.now?.() ?? now();
      const stamped: StampedEvent = { ...event, at };
      const before = latest.current;
      const session = before.session ?? newSession(place, settings, at);
      const seq = before.log.length;
      const entry: LogEntry = {
        sessionId: session.id,
        seq,
        event: stamped,
        ...(measurement && { measurement }),
      };
      show({ session, log: [...before.log, entry], state: benchAfter(before.state, event) });
      unstored.current.push(entry);
      queue.current = queue.current
        .then(async () => {
          const waiting = [...unstored.current];
          if (waiting.length === 0) return;
          await repository.append(session, waiting);
          unstored.current.splice(0, waiting.length);
          setProblem(null);
          // The first reading is the moment from which there is something to lose.
          if (seq === 0) await navigator.storage?.persist?.();
        })
        .catch((error: Error) => setProblem(error.message));
    },
    [place, settings, repository, show],
  );

  const startAfresh = useCallback(() => {
    const before = latest.current;
    const { session } = before;
    show(empty(goal.current));
    if (!session) return null;
    const keep = (endedAt: number | null) => {
      queue.current = queue.current
        .then(() => repository.endSession(session.id, endedAt))
        .catch((error: Error) => setProblem(error.message));
    };
    keep(now());
    return () => {
      // What was heard meanwhile has a sitting of its own.
      if (latest.current.session !== null) return;
      keep(null);
      show(before);
    };
  }, [repository, show]);

  const { session, state, log } = sitting;
  const current = useCallback(() => latest.current, []);
  return { session, state, log, loaded, latest: current, problem, record, startAfresh };
}

function goalOf(courses: number, settings: Settings, tolerance: number): BenchState['goal'] {
  const order = Array.from({ length: courses }, (_, i) => i + 1);
  if (settings.order === 'thickest first') order.reverse();
  return { order, tolerance };
}

function empty(goal: BenchState['goal']): Known {
  return { session: null, log: [], state: replay(goal, []) };
}

/** A stored sitting as it was: its own tolerance holds, whatever was set since. */
function resumed(session: Session, log: readonly LogEntry[], goal: BenchState['goal']): Known {
  const events = log.map((entry) => entry.event);
  return { session, log, state: replay({ ...goal, tolerance: session.tolerance }, events) };
}

function newSession(place: Place, settings: Settings, at: number): Session {
  return {
    id: place.settling ?? newId(),
    instrumentId: place.instrumentId,
    tuningId: place.tuningId,
    a4: settings.a4,
    ...(place.capo > 0 && { capo: place.capo }),
    tolerance: settings.tolerance,
    source: place.source(),
    startedAt: at,
    zone: zone(),
    endedAt: null,
    ...(place.settling !== undefined && { work: 'settling' as const }),
    ...(place.source() === 'practice' && { practiceSeed: place.seed }),
  };
}

/** What the readings of a sitting tell of the strings. */
export function knownReadings(log: readonly LogEntry[]): KnownReading[] {
  return log.flatMap(({ event, measurement }) =>
    event.type === 'reading' && measurement
      ? [{ ...measurement.reading, course: event.reading.course, at: event.at }]
      : [],
  );
}
