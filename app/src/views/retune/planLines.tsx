import { noteName } from '@rosefinch/core/music';
import type { PlanStep, PlanString } from '@rosefinch/core/retune';
import { referenceInWords } from '@rosefinch/core/words';
import type { Settings } from '../../data/index.ts';
import { ofPair, type WireLine } from '../../parts/wires/index.ts';
import { moveInWords, noteOf, strainOf, turnsOf, type Way } from './way.ts';

/** A line of the plan for every string, the highest number first: its wire runs from its note now to its target. */
export function planLines(way: Way, inHand: PlanStep | null, settings: Settings): WireLine[] {
  return [...way.strings].reverse().map((string) => {
    const { course, nowHz, targetMidi } = string;
    const nth = way.plan.steps.findIndex((step) => step.course === course);
    const step = way.plan.steps[nth];
    const target = noteName(targetMidi, way.target.accidental);
    const active = course === inHand?.course;
    const name = noteOf(way, nowHz);
    const base = {
      course,
      name,
      ...ofPair(way.instrument, course, name),
      active,
      chosen: active,
    };
    const picture = <Slope key={course} string={string} step={step} nth={nth + 1} />;
    const then = thenInWords(way, course);
    if (!step)
      return { ...base, picture, to: target, word: `stays${then}`, says: `stays ${target}${then}` };
    return {
      ...base,
      picture,
      to: target,
      word: `${moveInWords(step)}${then || againstInWords(step.references)}`,
      says: `step ${nth + 1}, to ${target}, ${moveInWords(step)}, ${turnsOf(way, step)}; ${strainOf(step, settings)}`,
    };
  });
}

/** What it is set right by once all are near; nothing where a figure leads. */
function thenInWords({ plan }: Way, course: number): string {
  const at = plan.fine.findIndex((step) => step.course === course);
  const step = plan.fine[at];
  return step ? ` · right ${ordinal(at)}${againstInWords(step.references)}` : '';
}

/** @example ordinal(0) // => '1st' */
const ordinal = (at: number) => ['1st', '2nd', '3rd'][at] ?? `${at + 1}th`;

/** What the string is compared with, as short as it can be said. */
function againstInWords([best]: PlanStep['references']): string {
  if (!best) return ' · by the tone';
  return ` · ${referenceInWords(best).replace(/\.$/, '')}`;
}

/** A full tilt, in per cent of the wire’s height: so far up or down goes an octave and more. */
const MOST_TILT = 30;
const TILT_A_SEMITONE = 9;
const MIDDLE = 50;

interface SlopeProps {
  readonly string: PlanString;
  readonly step: PlanStep | undefined;
  /** Which step it is; 0 for none. */
  readonly nth: number;
}

function Slope({ string: { course }, step, nth }: SlopeProps) {
  const semitones = (step?.cents ?? 0) / 100;
  const tilt = Math.max(-MOST_TILT, Math.min(MOST_TILT, TILT_A_SEMITONE * semitones));
  return (
    <>
      <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true" className="slope">
        <line
          x1={0}
          x2={100}
          y1={MIDDLE + tilt / 2}
          y2={MIDDLE - tilt / 2}
          stroke={step ? 'var(--rose)' : 'var(--ink)'}
          strokeWidth={0.8 + 0.4 * course}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      {nth > 0 && <span className="step-number">{nth}</span>}
    </>
  );
}
