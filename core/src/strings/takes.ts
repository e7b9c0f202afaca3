import type { Tuning } from '../music/index.ts';
import { MODELS } from './models.ts';
import type { Instrument } from './types.ts';

/** True if an instrument has as many strings as a tuning, and is of its kind. */
export function takesTuning({ kind, courses }: Instrument, tuning: Tuning): boolean {
  return kind === tuning.kind && courses.length === tuning.courses.length;
}

/** What a tuning is shown on: the first of these instruments that takes it, else a usual one; undefined if there is none. */
export function instrumentFor(
  tuning: Tuning,
  instruments: readonly Instrument[],
): Instrument | undefined {
  const takes = (one: Instrument) => takesTuning(one, tuning);
  return (
    instruments.find(takes) ?? MODELS.map((model) => model.build(model.id, model.name)).find(takes)
  );
}
