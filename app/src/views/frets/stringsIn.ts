import type { Wear } from '@rosefinch/core/drift';
import { isBridgeCheck, scatteringStrings } from '@rosefinch/core/intonation';
import type { Tuning } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { judgedBefore } from './judged.ts';

type OfStrings = Pick<Wear, 'falseStrings' | 'scattering'>;

const NOTHING: OfStrings = { falseStrings: [], scattering: [] };

/** What a check tells of the strings themselves: those that are false, and those whose notes lie about. */
export function stringsIn(
  instrument: Instrument,
  check: FretCheck | undefined,
  tunings: readonly Tuning[],
): OfStrings {
  if (!check || isBridgeCheck(check) || check.readings.length === 0) return NOTHING;
  const { verdict } = judgedBefore(instrument, check, tunings);
  const faults = verdict.kind === 'at fault' ? verdict.faults : [];
  return {
    falseStrings: faults.flatMap(({ part, cents }) =>
      part.kind === 'string' ? [{ course: part.course, cents }] : [],
    ),
    scattering: scatteringStrings(check.readings),
  };
}
