import { noteValue } from '@rosefinch/core/message';
import { type Target, targetNote } from '@rosefinch/core/music';
import {
  LEAST_HEADROOM,
  type SettlingReport,
  type SettlingString,
  type StringHistory,
  type StringSettling,
} from '@rosefinch/core/settling';
import { type Instrument, stringLoad } from '@rosefinch/core/strings';
import type { Millimetres } from '@rosefinch/core/units';

/** Thinner plain steel breaks first: common practice, no source. */
const THIN: Millimetres = 0.3;

/** A string as the adviser knows it: its readings, and what was made of them where that has caught up. */
export function settlingString(
  history: StringHistory,
  report: SettlingReport | null,
  targets: readonly Target[],
  instrument: Instrument,
): SettlingString {
  const { course } = history;
  const target = targets[course - 1];
  const load = target && stringLoad(instrument, course, target.hz);
  const spec = instrument.courses[course - 1]?.strings[0]?.spec;
  const plainSteel = spec !== undefined && !spec.wound && spec.material === 'steel';
  return {
    course,
    note: target ? targetNote(target) : noteValue(0),
    headroom: load ? load.headroom : LEAST_HEADROOM,
    thin: plainSteel && spec.diameterMm < THIN,
    history,
    state: stateOf(history, report),
  };
}

/** What was made of these very readings, not of those before the last pluck; null until it is. */
export function stateOf(
  history: StringHistory,
  report: SettlingReport | null,
): StringSettling | null {
  const last = (h: StringHistory) => `${h.taken.length} ${h.taken.at(-1)?.step}`;
  const same = report?.strings.find(
    (string) => string.history.course === history.course && last(string.history) === last(history),
  );
  return same ?? null;
}
