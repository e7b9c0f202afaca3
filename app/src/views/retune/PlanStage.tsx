import { Button } from '@mantine/core';
import type { PlanStep } from '@rosefinch/core/retune';
import {
  capoWayInWords,
  reasonInWords,
  roundsInWords,
  type Sentence,
  stringInWords,
  warningInWords,
  wayInWords,
} from '@rosefinch/core/words';
import { fixed } from '@rosefinch/core/writing';
import type { Settings } from '../../data/index.ts';
import { ReferenceLine } from '../../parts/charts/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { capoOf, noteOf, shortStringOf, strainOf, turnsOf, type Way } from './way.ts';

interface Props {
  readonly way: Way;
  /** The step that is looked at; null where nothing moves. */
  readonly step: PlanStep | null;
  readonly settings: Settings;
  /** Takes the answer that the neck can carry the load; null while that is not asked. */
  readonly onSure: (() => void) | null;
}

const SEMITONE = 100;

/** One step of the plan: string, from and to, how far, and what to compare it with. */
export function PlanStage({ way, step, settings, onSure }: Props) {
  const { plan, instrument } = way;
  const [warning, ...others] = plan.warnings.map(warningInWords);
  const problem = warning === undefined ? null : { message: warning, wayOn: others.join(' ') };
  return (
    <Stage
      name={step ? noteOf(way, step.toHz) : '–'}
      under={
        step ? [stringInWords(instrument, step.course), `is ${noteOf(way, step.fromHz)} now`] : []
      }
      wire={
        step && (
          <div className="plan-step">
            <ReferenceLine references={step.references} leftHanded={instrument.leftHanded} />
            <p className="soft">{strainOf(step, settings)}</p>
          </div>
        )
      }
      figure={step ? <Distance way={way} step={step} /> : <StageFigure figure="0" note="steps" />}
      sentence={sentenceOf(way)}
      problem={problem}
      aside={onSure && <Button onClick={onSure}>The neck can carry that</Button>}
    />
  );
}

function Distance({ way, step }: { readonly way: Way; readonly step: PlanStep }) {
  const size = Math.abs(step.cents);
  // What is less than a semitone is told in cents.
  const [figure, unit] =
    size < SEMITONE ? [fixed(size, 1), 'cents'] : [fixed(size / SEMITONE, 1), 'semitones'];
  const sign = step.cents < 0 ? '−' : '+';
  const turns = turnsOf(way, step);
  return (
    <StageFigure
      figure={`${sign}${figure}`}
      note={`${unit}, ${step.cents < 0 ? 'loosen' : 'tighten'}${turns && `, ${turns}`}`}
    />
  );
}

function sentenceOf(way: Way): Sentence {
  const { steps, reason, passes } = way.plan;
  if (steps.length === 0) return { say: wayInWords(way), more: '' };
  const fret = capoOf(way);
  const capo = fret === null ? '' : `${capoWayInWords(way.from.name, fret)} `;
  return {
    say: wayInWords(way),
    more: `${capo}${shortStringOf(way)}${reasonInWords(reason)} ${roundsInWords(passes)}`,
  };
}
