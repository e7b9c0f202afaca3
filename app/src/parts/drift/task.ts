import { type DriftTask, diaryOf, type LeftAt } from '@rosefinch/core/drift';
import { STANDARD_A4, type Tuning } from '@rosefinch/core/music';
import { LESSON_CENTS } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';
import type { Life } from '../../data/index.ts';

/** A reading without a stated error. */
const USUAL_ERROR: Cents = 1;

/** What was left of an instrument in its last session; null where there was none, or another tuning. */
export function leftOf({ tuningId }: Instrument, { sittings }: Life): LeftAt | null {
  const last = sittings.at(-1);
  if (!last || last.session.tuningId !== tuningId) return null;
  const strings = last.summary.strings.filter(({ member }) => member === 1);
  return {
    at: Math.max(last.session.startedAt, ...strings.map(({ leftAt }) => leftAt ?? 0)),
    cents: strings.map(({ left }) => left),
    errorCents: strings.map(({ leftError }) => leftError ?? USUAL_ERROR),
    tolerance: LESSON_CENTS,
  };
}

/** The string that was left furthest off, where a lesson would not let it pass. */
export function leftOffIn(left: LeftAt | null): { course: number; cents: Cents } | null {
  const off = (left?.cents ?? [])
    .map((cents, i) => ({ course: i + 1, cents: cents ?? 0 }))
    .sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents))[0];
  return off && Math.abs(off.cents) > LESSON_CENTS ? off : null;
}

/** What is worked out of an instrument’s life beside the page. */
export function driftTask(instrument: Instrument, tuning: Tuning, life: Life): DriftTask {
  const diary = diaryOf({
    instrument,
    tuning,
    a4: life.sittings.at(-1)?.session.a4 ?? STANDARD_A4,
    sittings: life.sittings,
    fitted: life.restringings.flatMap(({ strings, fittedAt }) =>
      strings.map(({ course }) => ({ course, at: fittedAt })),
    ),
    loans: life.marks
      .filter(({ kind }) => kind === 'loan')
      .map(({ at, until }) => ({ from: at, to: until })),
  });
  const left = leftOf(instrument, life);
  return { diary, left: leftOffIn(left) ? null : left };
}
