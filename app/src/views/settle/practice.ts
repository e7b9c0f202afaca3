import type { Target } from '@rosefinch/core/music';
import { creepAt, freshCreep } from '@rosefinch/core/practice';
import type { Restringing } from '@rosefinch/core/records';
import { lastCounted, type Taken } from '@rosefinch/core/settling';
import type { Instrument } from '@rosefinch/core/strings';
import type { PracticeStart } from '../../sound/index.ts';

const RATE = 48_000;
/** A new practice string that nobody heard yet stands this low; one that was on before, so much. */
const FRESH_CENTS = -24;
const OLD_CENTS = -1.5;

/**
 * The practice instrument with its new strings as they are by now: each where it was heard
 * last, less what it has crept since by its own law.
 */
export function practiceStart(
  instrument: Instrument,
  targets: readonly Target[],
  restringing: Restringing,
  taken: ReadonlyMap<number, readonly Taken[]>,
  at: { readonly now: number; readonly seed: number },
): PracticeStart {
  const { now, seed } = at;
  const strings = targets.map(({ course }) => {
    const fresh = restringing.strings.find((string) => string.course === course);
    const known = taken.get(course) ?? [];
    const last = lastCounted(known);
    if (!fresh) return { creep: null, cents: last?.cents ?? OLD_CENTS };
    // By the moment of fitting, not by its id: ids are drawn by chance, and a test would hang on that.
    const creep = freshCreep(String(restringing.fittedAt), course, fresh.material);
    const pulled = known.filter(({ step }) => step === 'stretched').length * creep.jump;
    const age = (at: number) => Math.max(1, (at - restringing.fittedAt) / 1000) + pulled;
    const since = last ? creepAt(creep, age(now)) - creepAt(creep, age(last.really)) : 0;
    return {
      creep: { creep: [creep], age: age(now) },
      cents: (last?.cents ?? FRESH_CENTS) - since,
    };
  });
  return {
    instrument,
    targetsHz: targets.map(({ hz }) => hz),
    detuneCents: strings.map(({ cents }) => cents),
    creep: strings.map(({ creep }) => creep),
    seed,
    sampleRate: RATE,
  };
}
