import { isBridgeCheck } from '@rosefinch/core/intonation';
import type { Tuning } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';
import { judgedBefore } from './judged.ts';

/** Strings that a check has found false in themselves, with how far off they take a note. */
export function falseStrings(
  instrument: Instrument,
  check: FretCheck,
  tunings: readonly Tuning[],
): { readonly course: number; readonly cents: Cents }[] {
  if (isBridgeCheck(check) || check.readings.length === 0) return [];
  const { verdict } = judgedBefore(instrument, check, tunings);
  if (verdict.kind !== 'at fault') return [];
  return verdict.faults.flatMap(({ part, cents }) =>
    part.kind === 'string' ? [{ course: part.course, cents }] : [],
  );
}
