import type { Restringing } from '@rosefinch/core/records';
import type { Fitted } from '@rosefinch/core/state';
import type { Instrument } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import { useLive } from '../../data/index.ts';

const UNKNOWN: readonly (Fitted | null)[] = [];

/** When the strings of an instrument were put on, course 1 first; those of a practice instrument are never new. */
export function useFitted(instrument: Instrument, practice: boolean): readonly (Fitted | null)[] {
  const restringings = useLive((r) => r.restringings(instrument.id), instrument.id);
  return useMemo(
    () => (practice || !restringings ? UNKNOWN : fittedOf(instrument, restringings)),
    [instrument, practice, restringings],
  );
}

/** @param restringings the newest first */
export function fittedOf(
  { courses }: Pick<Instrument, 'courses'>,
  restringings: readonly Restringing[],
): (Fitted | null)[] {
  return courses.map((_, i) => {
    for (const { fittedAt, strings } of restringings) {
      const own = strings.find(({ course, member }) => course === i + 1 && member === 1);
      if (own) return { at: fittedAt, material: own.material };
    }
    return null;
  });
}
