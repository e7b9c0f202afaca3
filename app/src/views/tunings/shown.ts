import type { Tuning } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import type { Stock } from '../../data/index.ts';
import type { Card } from '../../parts/cards/index.ts';

/** A tuning with the instrument that it is shown on. */
export interface ShownTuning {
  readonly card: Card;
  readonly tuning: Tuning;
  readonly instrument: Instrument;
  readonly stock: Stock;
}
