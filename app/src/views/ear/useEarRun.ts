import type { EarRun, EarTrial, ExerciseKind } from '@rosefinch/core/ear';
import { useRef } from 'react';
import { useData } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';
import { useNotices } from '../../parts/frame/index.ts';

/** What is kept of an exercise: each answer the moment it is given. */
export interface Keeping {
  readonly keep: (trial: EarTrial) => void;
  /** Keeps a run that is known as a whole. */
  readonly keepWhole: (trials: readonly EarTrial[]) => void;
  readonly end: () => void;
}

/** One exercise from its first answer to its end; nothing is kept of one without an answer. */
export function useEarRun(
  exercise: ExerciseKind,
  facts: Pick<EarRun, 'learnerId' | 'instrumentId' | 'aid'> & {
    readonly minute: boolean;
    readonly staircase?: boolean;
  },
): Keeping {
  const { repository } = useData();
  const notices = useNotices();
  const run = useRef<Omit<EarRun, 'trials' | 'doneAt'> | null>(null);
  const failed = (error: Error) => notices.say({ message: error.message });
  const { minute, staircase, learnerId, instrumentId, aid } = facts;
  const begun = () => ({
    id: newId(),
    learnerId,
    exercise,
    ...(minute && { minute: true as const }),
    ...(staircase && { staircase: true as const }),
    ...(instrumentId !== undefined && { instrumentId }),
    ...(aid !== undefined && { aid }),
    startedAt: now(),
    zone: zone(),
  });
  return {
    keep: (trial) => {
      run.current ??= begun();
      repository.ears.keep(run.current, [trial]).catch(failed);
    },
    keepWhole: (trials) => {
      repository.ears.saveRun({ ...begun(), doneAt: now(), trials }).catch(failed);
    },
    end: () => {
      if (run.current) repository.ears.endRun(run.current.id).catch(failed);
    },
  };
}
