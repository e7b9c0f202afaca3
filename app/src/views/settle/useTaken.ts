import type { Target } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import {
  historyOf,
  looksOf,
  type StringHistory,
  saidOf,
  stepsOf,
  type Taken,
  withNeck,
  withRoom,
} from '@rosefinch/core/settling';
import type { BenchState } from '@rosefinch/core/sitting';
import type { Coupling } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import { useLive } from '../../data/index.ts';
import type { Heard } from '../../parts/listening/index.ts';

interface Sources {
  readonly log: readonly Heard[];
  readonly state: BenchState;
  readonly targets: readonly Target[];
  readonly matrix: Coupling['matrix'];
}

/** Every reading since the strings were put on, with its place in the procedure. */
export interface TakenStrings {
  readonly taken: ReadonlyMap<number, readonly Taken[]>;
  /** New strings, in the order in which they are tuned. */
  readonly fresh: readonly StringHistory[];
  /** The others. */
  readonly old: readonly StringHistory[];
}

export function useTaken(
  { instrumentId, fittedAt: since, strings }: Restringing,
  { log, state, targets, matrix }: Sources,
): TakenStrings {
  const sittings = useLive((r) => r.sittingsSince(instrumentId, since), `${instrumentId} ${since}`);
  const { tolerance, order } = state.goal;
  return useMemo(() => {
    const others = (sittings ?? []).filter(({ session }) => session.work !== 'settling');
    const steps = stepsOf(looksOf(log, others, since, targets), saidOf(log), tolerance);
    const isNew = (course: number) => strings.some((s) => s.course === course);
    const taken = withRoom(withNeck(steps, matrix), isNew);
    const material = (course: number) =>
      strings.find((s) => s.course === course)?.material ?? 'steel';
    const all = order.map((c) => historyOf(c, since, taken.get(c) ?? [], material(c)));
    return {
      taken,
      fresh: all.filter(({ course }) => isNew(course)),
      old: all.filter(({ course }) => !isNew(course)),
    };
  }, [sittings, log, since, targets, tolerance, matrix, strings, order]);
}
