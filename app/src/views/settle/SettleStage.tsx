import { targetNote } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import {
  deviationInWords,
  settlingStepInWords,
  shortDuration,
  stringInWords,
} from '@rosefinch/core/sentences';
import type { SettlingStep } from '@rosefinch/core/settling';
import type { HeadstockView, Instrument } from '@rosefinch/core/strings';
import { allStored, shownCents, useRinging } from '../../parts/listening/index.ts';
import { PegMap, pegTurn } from '../../parts/pegs/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { Answers } from './Answers.tsx';
import { type Charts, sureFrom } from './charts.ts';
import { SizedChart } from './SizedChart.tsx';
import { isDone, settleSentence } from './settleSentence.ts';
import type { Settling } from './useSettling.ts';

interface Props {
  readonly settling: Settling;
  readonly instrument: Instrument;
  readonly restringing: Restringing;
  readonly charts: Charts;
  readonly pegsSeen: HeadstockView;
}

/** The string in hand over time, the figure, and what to do with it or what it holds. */
export function SettleStage({ settling, instrument, restringing, charts, pegsSeen }: Props) {
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
      pegs={<PegMap instrument={instrument} view={pegsSeen} turn={turnOf(settling, instrument)} />}
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

/** Steps for which the string named in them is to be raised, or lowered. */
const RAISES: Partial<Readonly<Record<SettlingStep['step'], boolean>>> = {
  'bring back': true,
  'bring up': true,
  loosen: false,
};

/** The turn that the sentence asks for; null while it asks something else. */
function turnOf({ step, question, talk }: Settling, instrument: Instrument) {
  const raises = RAISES[step.step];
  if (question || talk.notice || raises === undefined || !('course' in step)) return null;
  return pegTurn(instrument, step.course, raises);
}

const MINUTE = 60;

/** Once nothing is left to do, how long the string stays in tune; until then, its cents. */
function Figure({ settling }: { readonly settling: Settling }) {
  const t = useWords();
  const { listening, sitting, step, course, fresh } = settling;
  const last = fresh.find((one) => one.course === course)?.taken.at(-1);
  const sure = isDone(step) ? sureFrom(settling, course) : 0;
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
