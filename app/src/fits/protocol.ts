import type { DriftTask } from '@rosefinch/core/drift';
import type { EarRun } from '@rosefinch/core/ear';
import type { SettlingTask } from '@rosefinch/core/settling';
import type { CouplingPrior, StringHeard } from '@rosefinch/core/strings';

/** Page → fits worker. */
export type FitRequest =
  | {
      readonly fit: 'coupling';
      readonly sittings: readonly (readonly StringHeard[])[];
      readonly prior: CouplingPrior;
    }
  | ({ readonly fit: 'settling' } & SettlingTask)
  | { readonly fit: 'ear'; readonly runs: readonly EarRun[] }
  /** Of several instruments at once: a helper process is begun for each request. */
  | { readonly fit: 'drift'; readonly tasks: readonly DriftTask[] };

export type FitOf<Kind extends FitRequest['fit']> = Omit<Extract<FitRequest, { fit: Kind }>, 'fit'>;
