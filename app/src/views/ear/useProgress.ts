import type { EarProgress, EarRun } from '@rosefinch/core/ear';
import { problemOf } from '@rosefinch/core/errors';
import { useEffect, useState } from 'react';
import { useLive, useSettings } from '../../data/index.ts';
import { earAside } from '../../fits/index.ts';
import { useNotices } from '../../parts/frame/index.ts';

/** The ear that is practised: what it did, and what that comes to. */
export interface OneEar {
  readonly learnerId: string | null;
  readonly runs: readonly EarRun[];
  /** Null until it is worked out, beside the page. */
  readonly progress: readonly EarProgress[] | null;
}

export function useProgress(): OneEar | undefined {
  const settings = useSettings();
  const learnerId = settings?.learnerId ?? null;
  const runs = useLive((r) => r.ears.runs(learnerId), `ear ${learnerId}`);
  const notices = useNotices();
  const [progress, setProgress] = useState<readonly EarProgress[] | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the notices are not what it depends on
  useEffect(() => {
    if (!runs) return;
    const gone = new AbortController();
    earAside(runs, gone.signal).then(setProgress, (error: Error) => {
      if (!gone.signal.aborted) notices.say({ message: problemOf(error) });
    });
    return () => gone.abort();
  }, [runs]);
  return settings && runs && { learnerId, runs, progress };
}
