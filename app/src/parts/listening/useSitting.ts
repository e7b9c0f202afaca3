import { problemOf } from '@rosefinch/core/errors';
import type { KnownReading } from '@rosefinch/core/listen';
import type { BenchEvent, BenchState, Session, SourceKind } from '@rosefinch/core/sitting';
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import {
  keepStorage,
  type OpenPlace,
  type Repository,
  type Settings,
  useData,
} from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';
import { useNotices } from '../frame/index.ts';
import {
  type Heard,
  type Known,
  OpenSitting,
  type SittingPlan,
  type SittingStore,
} from './openSitting.ts';

/** One session with an instrument: its state, its log, and the way to add to both. */
export interface Sitting extends Known {
  /** What is known at this very moment, before anything is drawn. */
  readonly latest: () => Known;
  readonly record: (event: BenchEvent, measurement?: NonNullable<Heard['measurement']>) => void;
  /** Ends the session; returns how to undo it to it, null where nothing was heard yet. */
  readonly startAfresh: () => (() => void) | null;
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
  /** New strings have one session for as long as they are watched, known by this id. */
  readonly settling?: string;
  /** What time it is, in ms; the time of day where it is not given. */
  readonly now?: () => number;
}

/** The session that is open here. An event is shown and handed to the disk in the same breath. */
export function useSitting(place: Place, settings: Settings): Sitting {
  const { repository } = useData();
  const notices = useNotices();
  const { instrumentId, tuningId, capo, settling, practice } = place;
  const plan: SittingPlan = {
    goal: () => goalOf(place.courses, settings),
    begin: (at) => newSession(place, settings, at),
    now: () => place.now?.() ?? now(),
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: the plan of an open session is renewed below
  const sitting = useMemo(() => {
    const where = settling ?? { instrumentId, tuningId, capo, practice };
    return new OpenSitting(sittingStore(repository, where), plan);
  }, [repository, instrumentId, tuningId, capo, settling, practice]);
  sitting.replan(plan);
  useEffect(() => sitting.open(), [sitting]);
  const { session, state, log, loaded } = useSyncExternalStore(sitting.subscribe, sitting.latest);

  const startAfresh = useCallback(() => {
    const left = sitting.leave();
    if (!left) return null;
    const failed = (error: Error) => notices.say({ message: problemOf(error) });
    repository.endSession(left.id, now()).catch(failed);
    return () => {
      // What was heard meanwhile has a session of its own.
      if (sitting.latest().session !== null) return;
      repository.endSession(left.id, null).catch(failed);
      sitting.resume(left);
    };
  }, [repository, sitting, notices]);
  const record = useCallback<Sitting['record']>(
    (event, measurement) => {
      const first = sitting.latest().session === null;
      sitting.record(event, measurement);
      // The first reading is the moment from which there is something to lose.
      if (first) keepStorage();
    },
    [sitting],
  );
  return { session, state, log, loaded, latest: sitting.latest, record, startAfresh };
}

/** The records as one session sees them: that of this id, or the one that is open in a place. */
function sittingStore(
  { log, watchOpen, watchSitting }: Repository,
  where: string | OpenPlace,
): SittingStore {
  return {
    watchSession: (found) =>
      typeof where === 'string' ? watchSitting(where, found) : watchOpen(where, found),
    watchLog: (id, read) => log.watch(id, read),
    measurements: (ids) => log.measurements(ids),
    append: (session, event, measurement) => log.append(session, event, measurement),
    pending: log.outbox.pending,
    subscribe: log.outbox.subscribe,
  };
}

function goalOf(courses: number, settings: Settings): BenchState['goal'] {
  const order = Array.from({ length: courses }, (_, i) => i + 1);
  if (settings.order === 'thickestFirst') order.reverse();
  return { order, tolerance: settings.tolerance };
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

/** What the readings of a session tell of the strings. */
export function knownReadings(log: readonly Heard[]): KnownReading[] {
  return log.flatMap(({ event, measurement }) =>
    event.type === 'reading' && measurement
      ? [{ ...measurement.reading, course: event.reading.course, at: event.at }]
      : [],
  );
}
