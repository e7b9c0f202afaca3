import type { Setup } from '@rosefinch/core/attribution';
import { findTuning, type Target, targetsOf, tuningsFor } from '@rosefinch/core/music';
import { setupFor } from '@rosefinch/core/state';
import type { Instrument } from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';

const TOLERANCE: Cents = 2;

/** An instrument in its own tuning of which nothing is known yet, tuned from its thickest string on. */
export function firstSession(instrument: Instrument): {
  readonly targets: readonly Target[];
  readonly order: readonly number[];
  readonly setup: Setup;
} {
  const tuning = findTuning(instrument.tuningId)!;
  const targets = targetsOf(tuning, 440);
  const order = targets.map(({ course }) => course).reverse();
  const setup = setupFor({
    instrument,
    targets,
    before: [],
    tunings: tuningsFor(tuning.kind, targets.length),
    goal: { order, tolerance: TOLERANCE },
  });
  return { targets, order, setup };
}
