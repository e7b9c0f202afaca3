import type { SettlingReport, SettlingTask } from '@rosefinch/core/settling';
import type { Coupling, CouplingPrior, StringHeard } from '@rosefinch/core/strings';

/** Page → fits worker; each is answered once. */
export type FitRequest =
  | {
      readonly fit: 'coupling';
      readonly sittings: readonly (readonly StringHeard[])[];
      readonly prior: CouplingPrior;
    }
  | ({ readonly fit: 'settling' } & SettlingTask);

export type FitOf<Kind extends FitRequest['fit']> = Omit<Extract<FitRequest, { fit: Kind }>, 'fit'>;

/** Fits worker → page: that the request has come, then the answer. */
export type FitReport =
  | { readonly type: 'here' }
  | { readonly type: 'answer'; readonly answer: Coupling | SettlingReport };
