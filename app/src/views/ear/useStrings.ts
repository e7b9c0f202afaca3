import { findTuning, type Target, targetsOf } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import type { Stock } from '../../data/index.ts';

/** What the strings of an instrument are to sound without a capo, course 1 first. */
export function useStrings(
  { tuningId }: Instrument,
  { tunings, settings: { a4 } }: Stock,
): readonly Target[] {
  return useMemo(() => {
    const tuning = findTuning(tuningId, tunings);
    return tuning ? targetsOf(tuning, a4) : [];
  }, [tuningId, tunings, a4]);
}
