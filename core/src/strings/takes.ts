import type { Tuning } from '../music/index.ts';
import { MODELS, type Model } from './models.ts';
import type { Instrument } from './types.ts';

/** True if an instrument has as many strings as a tuning, and is of its kind. */
export function takesTuning({ kind, courses }: Instrument, tuning: Tuning): boolean {
  return kind === tuning.kind && courses.length === tuning.courses.length;
}

/**
 * What a tuning is shown on: the first of these instruments that takes it, else a usual one; undefined if there is none.
 * @param nameOf what a usual one is called
 */
export function instrumentFor(
  tuning: Tuning,
  instruments: readonly Instrument[],
  nameOf: (model: Model) => string,
): Instrument | undefined {
  const takes = (one: Instrument) => takesTuning(one, tuning);
  return (
    instruments.find(takes) ??
    MODELS.map((model) => model.build(model.id, nameOf(model))).find(takes)
  );
}
