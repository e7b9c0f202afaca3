import type { Identity, Reading, StringKnowledge } from '../listen/index.ts';
import { identify } from '../listen/index.ts';
import type { Coupling } from '../strings/index.ts';
import type { Cents } from '../units.ts';
import { aimOf, standings } from './ahead.ts';
import type { BenchState, StringReading } from './bench.ts';
import { readingFor } from './bench.ts';

/** Which course a sound belongs to: the one chosen by hand, or the one it can only be. */
export function whichCourse(
  sound: { readonly hz: number; readonly inharmonicity?: number },
  state: Pick<BenchState, 'chosen'>,
  strings: readonly StringKnowledge[],
): Identity {
  if (state.chosen !== null) return { kind: 'known', course: state.chosen };
  return identify(sound, strings);
}

/**
 * A pluck put to its string, with where that string is to be brought; or the doubt about
 * which one it is. `coupling` null aims at the target itself.
 * @param heard the readings of the sitting so far
 * @param before cents of every course from before the sitting, course 1 first, where they are known
 */
export function hearPluck(
  reading: Reading,
  state: BenchState,
  strings: readonly StringKnowledge[],
  heard: readonly StringReading[],
  coupling: Coupling | null,
  before: readonly (Cents | null)[] = state.goal.order.map(() => null),
): StringReading | Exclude<Identity, { kind: 'known' }> {
  const identity = whichCourse(reading, state, strings);
  if (identity.kind !== 'known') return identity;
  const { course } = identity;
  const target = strings.find((string) => string.target.course === course)?.target;
  if (!target) return { kind: 'none' };
  const plain = readingFor(course, reading, target.hz);
  if (!coupling) return plain;
  const now = standings([...heard, plain], before, coupling);
  return readingFor(course, reading, target.hz, aimOf(state, course, now, coupling));
}
