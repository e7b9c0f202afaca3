import type { Tuning } from '@rosefinch/core/music';
import type { Judged } from '../../parts/drift/index.ts';

/** An instrument of the shelf with the tuning that it is in. */
export interface Shelved extends Judged {
  readonly tuning: Tuning | undefined;
}
