import type { CouplingPrior, StringHeard } from '@rosefinch/core/strings';

/** Page → fits worker. */
export interface CouplingRequest {
  readonly sittings: readonly (readonly StringHeard[])[];
  readonly prior: CouplingPrior;
}
