import type { EarRun, EarTrial, ExerciseKind } from '@rosefinch/core/ear';
import { problemOf } from '@rosefinch/core/errors';
import { useRef } from 'react';
import { useData } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';
import { useNotices } from '../../parts/frame/index.ts';

/** What is kept of an exercise: each answer the moment it is given. */
export interface Keeping {
  readonly keep: (trial: EarTrial) => void;
  /** Keeps a run that is known as a whole, with the instrument and the help that it was done with. */
  readonly keepWhole: (
    trials: readonly EarTrial[],
    done: Pick<EarRun, 'instrumentId' | 'aid'>,
  ) => void;
  readonly end: () => void;
}

/** One exercise from its first answer to its end; nothing is kept of one without an answer. */
export function useEarRun(
  exercise: ExerciseKind,
  facts: Pick<EarRun, 'learnerId'> & {
    readonly minute: boolean;
    readonly staircase?: boolean;
  },
): Keeping {
  const { repository } = useData();
  const notices = useNotices();
  const run = useRef<Omit<EarRun, 'trials' | 'doneAt'> | null>(null);
  const failed = (error: Error) => notices.say({ message: problemOf(error) });
  const { minute, staircase, learnerId } = facts;
  const begun = () => ({
    id: newId(),
    learnerId,
    exercise,
    ...(minute && { minute: true as const }),
    ...(staircase && { staircase: true as const }),
    startedAt: now(),
    zone: zone(),
  });
  return {
    keep: (trial) => {
      run.current ??= begun();
      repository.ears.keep(run.current, [trial]).catch(failed);
    },
    keepWhole: (trials, done) => {
      repository.ears.saveRun({ ...begun(), ...done, doneAt: now(), trials }).catch(failed);
    },
    end: () => {
      if (run.current) repository.ears.endRun(run.current.id).catch(failed);
    },
  };
}
