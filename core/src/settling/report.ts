import type { EpochMs } from '../units.ts';
import { curveOf, type SettlingCurve } from './curve.ts';
import { likeliestDrop } from './forecast.ts';
import type { StringHistory } from './history.ts';
import { looksAhead, type NextLook } from './looks.ts';
import {
  drawnFit,
  type Odd,
  oddStrings,
  type SettlingGoal,
  type StringSettling,
  settlingOf,
} from './verdict.ts';

/** Everything that is to be reckoned of an instrument with new strings. */
export interface SettlingTask {
  readonly strings: readonly StringHistory[];
  readonly now: EpochMs;
  readonly goal: SettlingGoal;
  /** IANA time zone in which looks are planned. */
  readonly zone: string;
  /** When a lesson begins, if one is planned. */
  readonly lessonAt?: EpochMs;
  /** How the strings move each other: cents of course j for one of course i at [j − 1][i − 1]. */
  readonly neck: readonly (readonly number[])[];
}

/** What came of it. */
export interface SettlingReport {
  readonly now: EpochMs;
  readonly strings: readonly StringSettling[];
  /** Null where no law could be fitted, in the order of the strings. */
  readonly curves: readonly (SettlingCurve | null)[];
  readonly odd: readonly Odd[];
  readonly looks: readonly NextLook[];
}

/** Fits every string, then judges it once more with what the others do to it by bending the neck. */
export function settlingReport({
  strings,
  now,
  goal,
  zone,
  lessonAt,
  neck,
}: SettlingTask): SettlingReport {
  const alone = strings.map((history) => settlingOf(history, now, goal));
  const all = alone.map(({ history, settling }) => {
    const relief = (hold: number) => reliefOf(history.course, alone, neck, hold);
    return settlingOf(history, now, goal, relief, settling);
  });
  return {
    now,
    strings: all,
    curves: all.map((string) => curveOf(string, drawnFit(string, goal.tolerance), goal)),
    odd: oddStrings(all, goal.tolerance),
    looks: looksAhead(all, now, goal.tolerance, {
      zone,
      ...(lessonAt !== undefined && { lessonAt }),
    }),
  };
}

/** The others drop too: the neck gives way, and this string is lifted. */
function reliefOf(
  course: number,
  strings: readonly StringSettling[],
  neck: SettlingTask['neck'],
  hold: number,
): number {
  let lifted = 0;
  for (const { settling, age, history } of strings) {
    const share = -(neck[course - 1]?.[history.course - 1] ?? 0);
    if (history.course === course || share <= 0 || settling.kind !== 'fitted') continue;
    lifted += share * likeliestDrop(settling, age, hold);
  }
  return lifted;
}
