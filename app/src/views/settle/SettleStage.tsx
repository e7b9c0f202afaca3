import { targetNote } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import {
  deviationInWords,
  settlingStepInWords,
  shortDuration,
  stringInWords,
} from '@rosefinch/core/sentences';
import type { SettlingStep } from '@rosefinch/core/settling';
import type { Instrument } from '@rosefinch/core/strings';
import { allStored, shownCents, useRinging } from '../../parts/listening/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { Answers } from './Answers.tsx';
import { type Charts, sureFrom } from './charts.ts';
import { SizedChart } from './SizedChart.tsx';
import { settleSentence } from './settleSentence.ts';
import type { Settling } from './useSettling.ts';

interface Props {
  readonly settling: Settling;
  readonly instrument: Instrument;
  readonly restringing: Restringing;
  readonly charts: Charts;
}

/** The string in hand over time, the figure, and what to do with it or what it holds. */
export function SettleStage({ settling, instrument, restringing, charts }: Props) {
  const t = useWords();
  const { listening, targets, course, fresh } = settling;
  const history = fresh.find((one) => one.course === course);
  const problem =
    listening.problem ?? (settling.problem ? { say: settling.problem, more: null } : null);
  const name = targetNote(targets[course - 1]);
  return (
    <Stage
      name={name}
      under={[stringInWords(instrument, course), ...(history ? [t('settle.newOne')] : [])]}
      wire={
        history && (
          <SizedChart
            name={t('common.stringAndNote', { string: course, note: name })}
            {...{ history, restringing, charts }}
            tolerance={settling.goal.tolerance}
            tall
            gauge={2}
          />
        )
      }
      figure={<Figure settling={settling} />}
      sentence={settleSentence(settling, restringing)}
      problem={problem}
      aside={settling.question && <Answers settling={settling} question={settling.question} />}
    />
  );
}

/** At rest what counts is how long it is sure; while it is worked on, its cents. */
const SURE_AT: ReadonlySet<SettlingStep['step']> = new Set(['all hold', 'leave alone']);
const MINUTE = 60;

function Figure({ settling }: { readonly settling: Settling }) {
  const t = useWords();
  const { listening, sitting, step, course, fresh } = settling;
  const last = fresh.find((one) => one.course === course)?.taken.at(-1);
  const sure = SURE_AT.has(step.step) ? sureFrom(settling, course) : 0;
  const ringing = useRinging(listening.live);
  // What rings of another string is not the figure of this one.
  const cents = shownCents(ringing?.course === course ? ringing : null, last?.cents);
  const stored = allStored(sitting.log);
  if (cents === null) return <StageFigure figure="–" note="" stored={stored} />;
  if (sure >= MINUTE && cents === last?.cents)
    return (
      <StageFigure
        figure={shortDuration(sure)}
        stored={stored}
        note={t('settle.sureFromNowItStood', { cents: t.signed(cents) })}
      />
    );
  const place = deviationInWords(cents, sitting.state.goal.tolerance);
  return (
    <StageFigure
      figure={t.signed(cents)}
      stored={stored}
      note={
        last && cents === last.cents
          ? t('settle.centsPlaceStep', { place, step: settlingStepInWords(last.step) })
          : t('settle.centsPlace', { place })
      }
    />
  );
}
