import { frozenWay, type Way, wayTo } from '@rosefinch/core/retune';
import type { LastPitches } from '@rosefinch/core/sitting';
import type { Fitted } from '@rosefinch/core/state';
import type { Coupling, Instrument } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import type { Settings } from '../../data/index.ts';
import type { BenchSitting } from './useBenchSitting.ts';
import { readingIn } from './useBenchWorld.ts';

interface Beside {
  readonly coupling: Coupling;
  readonly fitted: readonly (Fitted | null)[];
  readonly settings: Settings;
}

/** The way while the instrument is retuned, planned from where the strings were before; null while that is not known. */
export function useWay(
  instrument: Instrument,
  { sitting, home, tuning, targets, a4 }: BenchSitting,
  before: LastPitches | undefined,
  { coupling, fitted, settings }: Beside,
): Way | null {
  const { log, state } = sitting;
  const { tolerance } = state.goal;
  const { planOrder: order, aiming } = settings;
  const manner = aiming ? 'by display' : 'by ear';
  const frozen = useMemo(() => {
    if (!before || !tuning || !home) return null;
    const known = { instrument, home, target: tuning, a4, coupling, before };
    return frozenWay({ ...known, order, manner, tolerance });
  }, [instrument, home, tuning, order, manner, coupling, a4, tolerance, before]);
  // Worked out after every pluck, not whenever the bench is drawn.
  return useMemo(() => {
    if (!frozen) return null;
    return wayTo(frozen, { targets, readings: log.flatMap(readingIn), fitted, bench: state });
  }, [frozen, targets, log, fitted, state]);
}
