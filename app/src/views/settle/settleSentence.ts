import { settleNoticeInWords } from '@rosefinch/core/dialogue';
import { targetName } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import {
  LEAST_HEADROOM,
  type SettlingString,
  type StringHistory,
  settlingStep,
  worstVerdict,
} from '@rosefinch/core/settling';
import { type Instrument, stringLoad } from '@rosefinch/core/strings';
import type { Millimetres } from '@rosefinch/core/units';
import {
  doubtInWords,
  headlineOf,
  lessonInWords,
  oddTaskInWords,
  type Sentence,
  settlingTaskInWords,
} from '@rosefinch/core/words';
import { locale } from '../../environment.ts';
import type { Settling } from './useSettling.ts';

/** Thinner plain steel breaks first: common practice, no source. */
const THIN: Millimetres = 0.3;
/** When nothing is left to do, what holds comes first. */
const AT_REST = new Set(['all hold', 'leave alone']);

/** The one sentence of new strings: a question before a notice, a notice before what is to be done, and with it what they hold. */
export function settleSentence(
  settling: Settling,
  instrument: Instrument,
  restringing: Restringing,
): Sentence {
  const { fresh, targets, talk, sitting, active, question } = settling;
  if (question?.doubt) return doubtInWords(question.course, question.doubt);
  if (talk.notice) return settleNoticeInWords(talk.notice, targets);
  const strings = fresh.map((history) => settlingString(history, settling, instrument));
  const step = settlingStep(strings, active, sitting.state.goal.tolerance);
  const task = settlingTaskInWords(step, lessonInWords(restringing.lessonMinutes));
  const verdict = verdictNow(settling, restringing);
  if (verdict === null) return task;
  if (AT_REST.has(step.step)) return { say: verdict, more: `${task.say} ${task.more}` };
  return { say: task.say, more: `${verdict} ${task.more}` };
}

/** What the instrument holds, and what is odd about one of its strings. */
function verdictNow({ report }: Settling, { lessonMinutes, zone }: Restringing): string | null {
  if (!report) return null;
  const worst = worstVerdict(report.strings);
  const clock = { now: report.now, zone, reader: locale() };
  const odd = report.odd.map(oddTaskInWords);
  return [worst ? headlineOf(worst, lessonMinutes, clock) : '', ...odd].filter(Boolean).join(' ');
}

function settlingString(
  history: StringHistory,
  { targets, report }: Settling,
  instrument: Instrument,
): SettlingString {
  const { course } = history;
  const target = targets[course - 1];
  const load = target && stringLoad(instrument, course, target.hz);
  const spec = instrument.courses[course - 1]?.strings[0]?.spec;
  const plainSteel = spec !== undefined && !spec.wound && spec.material === 'steel';
  return {
    course,
    note: targetName(target),
    headroom: load ? load.headroom : LEAST_HEADROOM,
    thin: plainSteel && spec.diameterMm < THIN,
    state: report?.strings.find((string) => sameReadings(string.history, history)) ?? null,
  };
}

/** The fit is of these very readings, not of those before the last pluck. */
function sameReadings(a: StringHistory, b: StringHistory): boolean {
  const last = (h: StringHistory) => `${h.taken.length} ${h.taken.at(-1)?.step}`;
  return a.course === b.course && last(a) === last(b);
}
