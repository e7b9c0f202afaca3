import { shiftHz } from '@rosefinch/core/music';
import { type Way, wayTo } from '@rosefinch/core/retune';
import type { LastPitches } from '@rosefinch/core/sitting';
import type { Coupling, Instrument } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import type { Settings } from '../../data/index.ts';
import type { Heard } from '../../parts/listening/index.ts';
import type { BenchSitting } from './useBenchSitting.ts';

/** The way while the instrument is retuned, from the strings as they were heard last; null when nothing is far off. */
export function useWay(
  instrument: Instrument,
  { sitting, home, tuning, a4, capo }: BenchSitting,
  before: LastPitches | undefined,
  { coupling, settings }: { readonly coupling: Coupling; readonly settings: Settings },
): Way | null {
  const { log, state } = sitting;
  const { tolerance } = state.goal;
  const { planOrder: order } = settings;
  // Planned anew after every pluck, not whenever the bench is drawn.
  return useMemo(() => {
    if (!before || !tuning || !home) return null;
    const heard = heardNow(before, log, capo);
    return wayTo({ instrument, home, target: tuning, order, coupling, a4, tolerance, heard });
  }, [instrument, home, tuning, order, coupling, a4, capo, tolerance, before, log]);
}

/** Open strings throughout: a capo changes neither the way nor the frets counted from it. */
function heardNow(before: LastPitches, log: readonly Heard[], capo: number): LastPitches {
  const heard = new Map(before);
  for (const { event } of log)
    if (event.type === 'reading')
      heard.set(event.reading.course, shiftHz(event.reading.hz, -100 * capo));
  return heard;
}
