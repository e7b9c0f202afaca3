import { type Tuning, targetsOf } from '../music/index.ts';
import type { LastPitches } from '../sitting/index.ts';
import type { Coupling, Instrument } from '../strings/index.ts';
import type { Cents, Hz } from '../units.ts';
import { type PlanOrder, planRetune, type Reference } from './plan.ts';
import { planStrings } from './strings.ts';

/** With a string this far out the bench is on its way from one tuning to another. */
const RETUNING: Cents = 60;
/** What is left of the way; nearer strings are for the passes. */
const TO_GO: Cents = 15;

/** The way to a tuning, as it is after the last pluck. */
export interface Way {
  /** Strings that still have a way to go, in the plan's order. */
  readonly toGo: readonly number[];
  /** What each string can be compared with just now, best first; those that need not move have none. */
  readonly references: ReadonlyMap<number, readonly Reference[]>;
}

/** What a way is planned from. */
export interface WayFrom {
  readonly instrument: Instrument;
  readonly home: Tuning;
  readonly target: Tuning;
  readonly order: PlanOrder;
  readonly coupling: Coupling;
  readonly a4: Hz;
  readonly tolerance: Cents;
  /** What the open strings were heard at last. */
  readonly heard: LastPitches;
}

/** The way that is left to a tuning; null when nothing is far off. */
export function wayTo(from: WayFrom): Way | null {
  const { instrument, home, target, order, coupling, a4, tolerance, heard } = from;
  const homeTargets = targetsOf(home, a4);
  const nowHz = (course: number) => heard.get(course) ?? homeTargets[course - 1]?.hz ?? a4;
  const strings = planStrings({ instrument, home, target, a4, nowHz });
  const { bridge } = instrument;
  const { steps } = planRetune(strings, order, tolerance, { bridge, coupling });
  if (!steps.some((step) => Math.abs(step.cents) > RETUNING)) return null;
  return {
    toGo: steps.filter((step) => Math.abs(step.cents) > TO_GO).map((step) => step.course),
    references: new Map(steps.map((step) => [step.course, step.references])),
  };
}
