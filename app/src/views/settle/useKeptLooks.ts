import type { Restringing } from '@rosefinch/core/records';
import type { SettlingReport } from '@rosefinch/core/settling';
import { useEffect, useRef } from 'react';
import { useData } from '../../data/index.ts';

/**
 * Keeps the looks that the report names, for the shelf: anew with every reading and every word
 * on one, never by time alone. With them stands the newest reading that they know of.
 */
export function useKeptLooks(restringing: Restringing, report: SettlingReport | null): void {
  const { repository } = useData();
  const kept = useRef<string | null>(null);
  const { id, looksFrom } = restringing;
  useEffect(() => {
    if (!report) return;
    const taken = report.strings.flatMap(({ history }) => history.taken);
    const newest = Math.max(...taken.map(({ at }) => at));
    const heard = JSON.stringify(taken.map(({ at, step }) => [at, step]));
    const known = kept.current === null ? newest === looksFrom : kept.current === heard;
    kept.current = heard;
    if (known || taken.length === 0) return;
    const looks = report.looks.map(({ at }) => Math.round(at));
    void repository.changeRestringing(id, { looks, looksFrom: newest });
  }, [repository, id, looksFrom, report]);
}
