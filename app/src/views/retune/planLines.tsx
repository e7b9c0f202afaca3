import { list, type Message, message, noteValue, type Value } from '@rosefinch/core/message';
import type { PlanStep, PlanString } from '@rosefinch/core/retune';
import { referenceInShort } from '@rosefinch/core/sentences';
import { ofPair, type WireLine } from '../../parts/wires/index.ts';
import { isThere, moveInWords, noteOf, strainOf, turnsOf, type Way } from './way.ts';

/** A line of the plan for every string, the highest number first: its wire runs from its note now to its target. */
export function planLines(way: Way, inHand: PlanStep | null): WireLine[] {
  return [...way.strings].reverse().map((string) => {
    const { course, nowHz, targetMidi } = string;
    const nth = way.plan.steps.findIndex((step) => step.course === course);
    const step = way.plan.steps[nth];
    const target = noteValue(targetMidi, way.target.accidental);
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
      return {
        ...base,
        picture,
        to: target,
        word: list([message('retune.stays'), ...then], 'points'),
        says: list([message('retune.staysAt', { note: target }), ...then], 'points'),
      };
    return {
      ...base,
      picture,
      to: target,
      word: list(
        [moveInWords(step), ...(then.length > 0 ? then : [againstInWords(step.references)])],
        'points',
      ),
      says: list(
        [
          message('retune.stepTo', { step: nth + 1, note: target, move: moveInWords(step) }),
          list([turnsOf(way, step), strainOf(step)].filter(isThere), 'semicolons'),
        ],
        'commas',
      ),
    };
  });
}

/** What it is set right by once all are near; nothing where a figure leads. */
function thenInWords({ plan }: Way, course: number): readonly Value[] {
  const at = plan.fine.findIndex((step) => step.course === course);
  const step = plan.fine[at];
  return step
    ? [message('retune.rightNth', { place: at + 1 }), againstInWords(step.references)]
    : [];
}

/** What the string is compared with, as short as it can be said. */
function againstInWords([best]: PlanStep['references']): Message {
  return best ? referenceInShort(best) : message('retune.byTheTone');
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
