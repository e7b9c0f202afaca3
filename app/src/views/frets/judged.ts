import { type Judgement, judgementOf, type Neck, neckOf } from '@rosefinch/core/intonation';
import { findTuning, type Target, type Tuning, targetsOf } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { type Instrument, withCapo } from '@rosefinch/core/strings';

/** What the open strings of a check sound; none for a tuning that is not there any more. */
export function checkTargets(
  { tuningId, a4, capo }: Pick<FretCheck, 'tuningId' | 'a4' | 'capo'>,
  tunings: readonly Tuning[],
): readonly Target[] {
  const tuning = findTuning(tuningId, tunings);
  return tuning ? targetsOf(tuning, a4, capo) : [];
}

/** The neck of a check that was made with a capo or without. */
export function neckUnder(
  instrument: Instrument,
  { capo = 0, courses }: Pick<FretCheck, 'capo' | 'courses'>,
  targets: readonly Target[],
): Neck {
  const hz = targets.map((target) => target.hz);
  return neckOf(withCapo({ ...instrument, capo }), hz, { capo: capo > 0, courses });
}

/** What a check comes to that was read before. */
export function judgedBefore(
  instrument: Instrument,
  check: FretCheck,
  tunings: readonly Tuning[],
): Judgement {
  return judgementOf(neckUnder(instrument, check, checkTargets(check, tunings)), check);
}
