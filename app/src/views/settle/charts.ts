import type { Restringing } from '@rosefinch/core/records';
import { type BandPoint, type StringHistory, stillSure } from '@rosefinch/core/settling';
import type { Cents, Seconds } from '@rosefinch/core/units';
import { type TimeScale, timeScale } from './SettleChart.tsx';
import { stateOf } from './settlingStrings.ts';
import type { Settling } from './useSettling.ts';

/** How time runs along a chart. */
export type TimeKind = 'log' | 'clock';

/** What all charts of one restringing have in common. */
export interface Charts {
  /** From its last reading on; null while nothing is known. */
  readonly ahead: (course: number) => readonly BandPoint[] | null;
  /** What is sure from now on, in seconds; 0 of a string that is out of tune. */
  readonly sure: (course: number) => Seconds;
  /** Seconds since the strings were fitted → place, in a drawing so wide. */
  readonly x: (width: number) => TimeScale;
  readonly lowest: Cents;
  /** Now, in seconds since the strings were fitted. */
  readonly now: Seconds;
  readonly lesson: Seconds;
}

const LEAST_CENTS = 12;
const FIRST_MINUTE: Seconds = 60;

export function chartsOf(settling: Settling, restringing: Restringing, kind: TimeKind): Charts {
  const { fresh, report } = settling;
  // A forecast from before the last pluck is none.
  const told = (course: number) =>
    fresh.some((history) => history.course === course && stateOf(history, report));
  const curves = new Map(
    report?.strings.map(({ history: { course } }, i) => [
      course,
      told(course) ? (report.curves[i] ?? null) : null,
    ]),
  );
  const now = (settling.now() - restringing.fittedAt) / 1000;
  const lesson = 60 * restringing.lessonMinutes;
  const times = fresh.flatMap(({ taken }) =>
    taken.map(({ really }) => Math.max(1, (really - restringing.fittedAt) / 1000)),
  );
  const ends = fresh.map(({ course }) => curves.get(course)?.at(-1)?.at ?? 0);
  const reach = [Math.min(FIRST_MINUTE, ...times), Math.max(now + lesson, ...ends)] as const;
  return {
    ahead: (course) => curves.get(course) ?? null,
    sure: (course) => sureFrom(settling, course),
    x: (width) => timeScale(kind, reach, width),
    lowest: Math.min(-LEAST_CENTS, ...fresh.flatMap(centsOf)),
    now,
    lesson,
  };
}

/** What is left of a string's promise. */
export function sureFrom({ fresh, report, now }: Settling, course: number): Seconds {
  const history = fresh.find((one) => one.course === course);
  const state = history && stateOf(history, report);
  return state && report ? stillSure(state, report.at, now()) : 0;
}

function centsOf({ taken }: StringHistory): Cents[] {
  return taken.filter(({ doubt }) => !doubt).map(({ cents }) => cents);
}
