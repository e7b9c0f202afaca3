import { Button } from '@mantine/core';
import { type Sentence, sentencesOf } from '@rosefinch/core/message';
import type { PlanStep } from '@rosefinch/core/retune';
import {
  capoWayInWords,
  reasonInWords,
  roundsInWords,
  stringInWords,
  tuningName,
  warningInWords,
  wayInWords,
} from '@rosefinch/core/sentences';
import type { HeadstockView } from '@rosefinch/core/strings';
import { ReferenceLine } from '../../parts/charts/index.ts';
import { PegMap, pegTurn } from '../../parts/pegs/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { capoOf, isThere, noteOf, shortStringOf, strainOf, turnsOf, type Way } from './way.ts';

interface Props {
  readonly way: Way;
  readonly pegsSeen: HeadstockView;
  /** The step that is looked at; null where nothing moves. */
  readonly step: PlanStep | null;
  /** Takes the answer that the neck can carry the load; null while that is not asked. */
  readonly onSure: (() => void) | null;
}

const SEMITONE = 100;

/** One step of the plan: string, from and to, how far, and what to compare it with. */
export function PlanStage({ way, pegsSeen, step, onSure }: Props) {
  const t = useWords();
  const { plan, instrument } = way;
  const [warning, ...others] = plan.warnings.map(warningInWords);
  const problem =
    warning === undefined ? null : { say: warning, more: others.flatMap(sentencesOf) };
  return (
    <Stage
      name={step ? noteOf(way, step.toHz) : '–'}
      under={
        step
          ? [
              stringInWords(instrument, step.course),
              t('retune.isNow', { note: noteOf(way, step.fromHz) }),
            ]
          : []
      }
      pegs={
        <PegMap
          instrument={instrument}
          view={pegsSeen}
          turn={step && pegTurn(instrument, step.course, step.cents > 0)}
        />
      }
      wire={
        step && (
          <div className="plan-step">
            <ReferenceLine references={step.references} leftHanded={instrument.leftHanded} />
            <p className="soft">{t(strainOf(step))}</p>
          </div>
        )
      }
      figure={
        step ? (
          <Distance way={way} step={step} />
        ) : (
          <StageFigure figure="0" note={t('retune.steps')} />
        )
      }
      sentence={sentenceOf(way)}
      problem={problem}
      aside={onSure && <Button onClick={onSure}>{t('retune.theNeckCanCarryThat')}</Button>}
    />
  );
}

function Distance({ way, step }: { readonly way: Way; readonly step: PlanStep }) {
  const t = useWords();
  const size = Math.abs(step.cents);
  // What is less than a semitone is told in cents.
  const fine = size < SEMITONE;
  const sign = step.cents < 0 ? '−' : '+';
  const figure = t.number(fine ? size : size / SEMITONE, 1);
  const turns = turnsOf(way, step);
  const unit = {
    unit: fine ? 'cents' : 'semitones',
    way: step.cents < 0 ? 'loosen' : 'tighten',
  } as const;
  return (
    <StageFigure
      figure={`${sign}${figure}`}
      note={turns ? t('retune.distanceTurns', { ...unit, turns }) : t('retune.distance', unit)}
    />
  );
}

function sentenceOf(way: Way): Sentence {
  const { steps, reason, passes } = way.plan;
  if (steps.length === 0) return { say: wayInWords(way), more: null };
  const fret = capoOf(way);
  return {
    say: wayInWords(way),
    more: [
      fret === null ? null : capoWayInWords(tuningName(way.from), fret),
      shortStringOf(way),
      reasonInWords(reason),
      roundsInWords(passes),
    ].filter(isThere),
  };
}
