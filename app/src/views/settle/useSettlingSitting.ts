import { findTuning, type Target, targetsOf } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import type { EpochMs, Seconds } from '@rosefinch/core/units';
import { useCallback, useMemo, useRef, useState } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import { now as timeOfDay } from '../../environment.ts';
import {
  type Sitting,
  type SourceOfSitting,
  useSitting,
  useSource,
} from '../../parts/listening/index.ts';

/** The session of new strings, its notes, and what time it is for them. */
export interface SettlingSitting {
  readonly sitting: Sitting;
  readonly source: SourceOfSitting;
  readonly targets: readonly Target[];
  readonly now: () => EpochMs;
  /** On the practice instrument: puts its time so much ahead. */
  readonly skipTime: (seconds: Seconds) => void;
}

/** Opens the one session in which the strings of a restringing are watched. */
export function useSettlingSitting(
  { id: instrumentId, tuningId }: Instrument,
  { settings, tunings }: Stock,
  restringing: Restringing,
): SettlingSitting {
  const { now, skipTime } = usePracticeClock(restringing);
  const tuning = findTuning(tuningId, tunings);
  const source = useSource();
  const { latest, practice, seed } = source;
  const courses = tuning ? tuning.courses.length : 0;
  const { id } = restringing;
  const place = useMemo(() => {
    // Practice on a real instrument's strings has a session of its own.
    const settling = practice ? `${id}-practice` : id;
    const heard = { source: latest, practice, seed };
    return { instrumentId, tuningId, capo: 0, courses, ...heard, settling, now };
  }, [instrumentId, tuningId, courses, latest, id, now, practice, seed]);
  const sitting = useSitting(place, settings);
  const { a4 } = sitting.session ?? settings;
  const targets = useMemo(() => (tuning ? targetsOf(tuning, a4) : []), [tuning, a4]);
  return { sitting, source, targets, now, skipTime };
}

/** The time of day, ahead of it by what practice has skipped. */
function usePracticeClock({ id, practiceAheadMs = 0 }: Restringing) {
  const { repository } = useData();
  const ahead = useRef(0);
  // Kept a moment later: time that was let go by since must not come back.
  ahead.current = Math.max(ahead.current, practiceAheadMs);
  const [now] = useState(() => () => timeOfDay() + ahead.current);
  const skipTime = useCallback(
    (seconds: Seconds) => {
      ahead.current += 1000 * seconds;
      void repository.changeRestringing(id, { practiceAheadMs: ahead.current });
    },
    [repository, id],
  );
  return { now, skipTime };
}
