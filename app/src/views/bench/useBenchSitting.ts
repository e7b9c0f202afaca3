import { findTuning, type Target, type Tuning, targetsOf } from '@rosefinch/core/music';
import { homeTuning, type Instrument } from '@rosefinch/core/strings';
import type { Hz } from '@rosefinch/core/units';
import { useMemo } from 'react';
import type { Stock } from '../../data/index.ts';
import {
  type Sitting,
  type SourceOfSitting,
  useSitting,
  useSource,
} from '../../parts/listening/index.ts';

/** The session of the bench, and what its strings are to be brought to. */
export interface BenchSitting {
  readonly sitting: Sitting;
  readonly source: SourceOfSitting;
  readonly tuning: Tuning | undefined;
  readonly home: Tuning | undefined;
  readonly targets: readonly Target[];
  /** The reference pitch of this session. */
  readonly a4: Hz;
  /** Fret of the capo; 0 without. */
  readonly capo: number;
}

/** Opens the session of an instrument at the bench. */
export function useBenchSitting(
  instrument: Instrument,
  { settings, tunings }: Stock,
): BenchSitting {
  const tuning = findTuning(instrument.tuningId, tunings);
  const { id, tuningId, capo = 0 } = instrument;
  const source = useSource();
  const { latest, practice, seed } = source;
  const courses = tuning ? tuning.courses.length : 0;
  const place = useMemo(
    () => ({ instrumentId: id, tuningId, capo, courses, source: latest, practice, seed }),
    [id, tuningId, capo, courses, latest, practice, seed],
  );
  const sitting = useSitting(place, settings);
  // A session keeps the reference it began with: its readings are measured against that.
  const { a4 } = sitting.session ?? settings;
  const targets = useMemo(() => (tuning ? targetsOf(tuning, a4, capo) : []), [tuning, a4, capo]);
  return { sitting, source, tuning, home: homeTuning(instrument, tunings), targets, a4, capo };
}
