import type { StrumTuning } from '../listen/index.ts';
import { message, type Value } from '../message.ts';
import { findTuning, type Tuning, targetsOf } from '../music/index.ts';
import type { Instrument } from '../strings/index.ts';
import type { Hz } from '../units.ts';

/**
 * What a strum may be of instead of the instrument in hand: the sets of pitches of those that wait. One of
 * several alike has no name of its own here: which of them it is must be said.
 */
export function othersWaiting(
  { id, tuningId }: Pick<Instrument, 'id' | 'tuningId'>,
  waiting: readonly Pick<Instrument, 'id' | 'name' | 'kind' | 'tuningId'>[],
  tunings: readonly Tuning[],
  a4: Hz,
): StrumTuning[] {
  const others = waiting.filter((one) => one.id !== id && one.tuningId !== tuningId);
  const sets = [...new Set(others.map((one) => one.tuningId))];
  return sets.flatMap((set) => {
    const tuning = findTuning(set, tunings);
    const alike = others.filter((one) => one.tuningId === set);
    const [first] = alike;
    if (!tuning || !first) return [];
    const name: Value =
      alike.length === 1
        ? first.name
        : message('rounds.oneOf', { kind: first.kind, tuning: tuning.name });
    return [
      {
        id: alike.length === 1 ? first.id : set,
        name,
        hz: targetsOf(tuning, a4).map(({ hz }) => hz),
      },
    ];
  });
}
