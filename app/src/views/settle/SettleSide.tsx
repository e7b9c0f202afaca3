import { settleNoticeInWords } from '@rosefinch/core/dialogue';
import { targetName } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import {
  LEAST_HEADROOM,
  type SettlingString,
  type StringHistory,
  settlingStep,
} from '@rosefinch/core/settling';
import { type Instrument, stringLoad } from '@rosefinch/core/strings';
import type { Millimetres } from '@rosefinch/core/units';
import {
  deviationInWords,
  lessonInWords,
  STEP_WORDS,
  settlingTaskInWords,
  signedCents,
} from '@rosefinch/core/words';
import { allStored, BigFigure, SentenceLine, useRinging } from '../../parts/listening/index.ts';
import { Question } from './Question.tsx';
import type { Settling } from './useSettling.ts';

/** Thinner plain steel breaks first: common practice, no source. */
const THIN: Millimetres = 0.3;

interface Props {
  readonly settling: Settling;
  readonly instrument: Instrument;
  readonly restringing: Restringing;
}

/** The figure, what to do now, and a question about a reading. */
export function SettleSide({ settling, instrument, restringing }: Props) {
  return (
    <section className="bench-side" aria-label="What to do">
      <Now settling={settling} />
      <Advice settling={settling} instrument={instrument} restringing={restringing} />
      <Question settling={settling} />
    </section>
  );
}

function Now({ settling: { listening, targets, sitting, last } }: { settling: Settling }) {
  const ringing = useRinging(listening.live);
  const shown = ringing ?? last;
  const target = targets.find((t) => t.course === shown?.course);
  const name = target ? `string ${target.course} · ${targetName(target)}` : 'no string yet';
  const stored = allStored(sitting.log);
  if (!shown) return <BigFigure name={name} figure="–" stored={stored} note=" " />;
  const step = ringing || !last ? '' : `, ${STEP_WORDS[last.step]}`;
  const place = deviationInWords(shown.cents, sitting.state.goal.tolerance);
  return (
    <BigFigure
      name={name}
      figure={signedCents(shown.cents)}
      stored={stored}
      note={`cents, ${place}${step}`}
    />
  );
}

function Advice({ settling, instrument, restringing }: Props) {
  const { fresh, targets, talk, sitting, active } = settling;
  const { tolerance } = sitting.state.goal;
  const lesson = lessonInWords(restringing.lessonMinutes);
  const strings = fresh.map((history) => settlingString(history, settling, instrument));
  const sentence = talk.notice
    ? settleNoticeInWords(talk.notice, targets)
    : settlingTaskInWords(settlingStep(strings, active, tolerance), lesson);
  return <SentenceLine sentence={sentence} />;
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
