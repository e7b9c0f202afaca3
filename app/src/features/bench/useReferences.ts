import { findTuning, targetsOf } from '@rosefinch/core/music';
import { planRetune, planStrings, type Reference } from '@rosefinch/core/retune';
import { homeTuning, type Instrument } from '@rosefinch/core/strings';
import { useQuery } from '@tanstack/react-query';
import { useData } from '../../data/index.ts';
import type { Bench } from './useBench.ts';

/** With a string this far out, in cents, the bench is on its way from one tuning to another. */
const RETUNING = 60;

/**
 * While the instrument is retuned: what a course can be compared with just now, best
 * first, from the strings as they were heard last. Null when nothing is far off.
 */
export function useReferences(
  instrument: Instrument,
  bench: Bench,
  course: number,
): readonly Reference[] | null {
  const { repository } = useData();
  const before = useQuery({
    queryKey: ['last pitches', instrument.id, instrument.tuningId],
    queryFn: () => repository.lastPitches(instrument),
    // What is heard from now on is in the sitting itself.
    staleTime: Number.POSITIVE_INFINITY,
    // On the way back the strings are no longer where they were before the way there.
    gcTime: 0,
  });
  const target = findTuning(instrument.tuningId);
  const home = homeTuning(instrument);
  if (!target || !home || !before.data) return null;
  const heard = new Map(before.data);
  for (const { event } of bench.session.log)
    if (event.type === 'reading') heard.set(event.reading.course, event.reading.hz);
  const homeTargets = targetsOf(home, bench.a4);
  const strings = planStrings({
    instrument,
    home,
    target,
    a4: bench.a4,
    nowHz: (c) => heard.get(c) ?? homeTargets[c - 1]?.hz ?? bench.a4,
  });
  const { steps } = planRetune(strings, 'thickest first', bench.session.state.goal.tolerance);
  if (!steps.some((step) => Math.abs(step.cents) > RETUNING)) return null;
  return steps.find((step) => step.course === course)?.references ?? null;
}
