import { targetName } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { deviationInWords, STEP_WORDS, signedCents } from '@rosefinch/core/words';
import { allStored, shownCents, useRinging } from '../../parts/listening/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { Answers } from './Answers.tsx';
import type { Charts } from './charts.ts';
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
  const { listening, targets, sitting, course, fresh } = settling;
  const history = fresh.find((one) => one.course === course);
  const { tolerance } = sitting.state.goal;
  const problem =
    listening.problem ?? (settling.problem ? { message: settling.problem, wayOn: '' } : null);
  const name = targetName(targets[course - 1]);
  return (
    <Stage
      name={name}
      under={[`string ${course}${history ? ', new' : ''}`]}
      wire={
        history && (
          <SizedChart
            name={`string ${course}, ${name}`}
            {...{ history, restringing, charts, tolerance }}
            tall
            gauge={2}
          />
        )
      }
      figure={<Figure settling={settling} />}
      sentence={settleSentence(settling, instrument, restringing)}
      problem={problem}
      aside={settling.question && <Answers settling={settling} question={settling.question} />}
    />
  );
}

function Figure({ settling: { listening, sitting, last } }: { readonly settling: Settling }) {
  const ringing = useRinging(listening.live);
  const own = ringing === null || ringing.course === last?.course ? last : null;
  const cents = shownCents(ringing, own?.cents);
  const stored = allStored(sitting.log);
  if (cents === null) return <StageFigure figure="–" note="" stored={stored} />;
  const step = cents === own?.cents ? `, ${STEP_WORDS[own.step]}` : '';
  const place = deviationInWords(cents, sitting.state.goal.tolerance);
  return (
    <StageFigure figure={signedCents(cents)} stored={stored} note={`cents, ${place}${step}`} />
  );
}
