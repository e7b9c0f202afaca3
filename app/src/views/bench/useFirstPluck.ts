import { useEffect } from 'react';
import { useData } from '../../data/index.ts';
import { pace } from '../../environment.ts';
import type { Listening } from '../../parts/listening/index.ts';
import type { BenchSitting } from './useBenchSitting.ts';

/** A first visit: the practice guitar sounds its first string by itself, this long after opening. In ms. */
const FIRST_PLUCK_MS = 700;
const STRENGTH = 0.55;

/** An empty bench begins to sound by itself, so that a first visit needs one click. */
export function useFirstPluck(
  { sitting, source: { practice }, targets }: BenchSitting,
  { source, hands }: Listening,
): void {
  const { shelf } = useData();
  const { loaded, latest } = sitting;
  const silent = loaded && practice === (source === 'practice' && shelf !== 'demo');
  const { length: strings } = targets;
  useEffect(() => {
    if (!hands || !silent || latest().log.length > 0) return;
    const pluck = () => {
      if (latest().log.length === 0) hands.pluck(strings, STRENGTH);
    };
    const timer = setTimeout(pluck, pace === 'fast' ? 0 : FIRST_PLUCK_MS);
    return () => clearTimeout(timer);
  }, [hands, silent, latest, strings]);
}
