import { nth } from '../maths/index.ts';
import { centsBetween, type Target, type Tuning, targetsOf } from '../music/index.ts';
import {
  type BenchState,
  currentPass,
  FROM_ANOTHER_TUNING,
  isClosed,
  type LastPitches,
  offBy,
  type StringReading,
} from '../sitting/index.ts';
import {
  aimOf,
  type Comparison,
  comparedStrings,
  comparisonsFor,
  type Fitted,
  type ReadAt,
  type StringState,
  stateOf,
} from '../state/index.ts';
import type { Coupling, Instrument } from '../strings/index.ts';
import type { Cents, Hz } from '../units.ts';
import { type Manner, type Plan, type PlanOrder, planRetune } from './plan.ts';
import { planStrings } from './strings.ts';

/** What is left of the way; nearer strings are for the passes. */
const TO_GO: Cents = 15;

/** The way to a tuning, as it is after the last pluck. */
export interface Way {
  /** Some string had to be brought over from another tuning when the session began. */
  readonly retuning: boolean;
  /** A string is still far off: on the way from one tuning to another, not in the passes after it. */
  readonly far: boolean;
  /** Strings that come next, in the order that was planned before the first pluck. */
  readonly next: readonly number[];
  /** Found so far off that the plan had to change: they come first. */
  readonly unforeseen: readonly number[];
  /** What each string can be compared with just now, best first. */
  readonly references: ReadonlyMap<number, readonly Comparison[]>;
}

/** What a way is planned from: nothing of it changes while a session lasts. */
export interface WayFrom {
  readonly instrument: Instrument;
  readonly home: Tuning;
  readonly target: Tuning;
  readonly order: PlanOrder;
  readonly manner: Manner;
  readonly coupling: Coupling;
  readonly a4: Hz;
  readonly tolerance: Cents;
  /** What the open strings were heard at last before this session. */
  readonly before: LastPitches;
}

/** A way as it was planned when its session began. */
export interface FrozenWay extends WayFrom {
  readonly plan: Plan;
  /** Cents of every course from the target before the first pluck, course 1 first. */
  readonly off: readonly Cents[];
}

/** What is true at the moment. */
export interface WayNow {
  /** Of the target tuning, with a capo on where there is one. */
  readonly targets: readonly Target[];
  /** What was read in this session. */
  readonly readings: readonly ReadAt[];
  /** When the strings were put on, course 1 first, where it is known. */
  readonly fitted?: readonly (Fitted | null)[];
  readonly bench: BenchState;
}

/** Plans the way from where the strings were before the session; its order stays, whatever they do. */
export function frozenWay(from: WayFrom): FrozenWay {
  const { instrument, home, target, a4, order, tolerance, coupling, manner, before } = from;
  const present = targetsOf(home, a4);
  const nowHz = (course: number) => before.get(course) ?? present[course - 1]?.hz ?? a4;
  const strings = planStrings({ instrument, home, target, a4, nowHz });
  const { bridge } = instrument;
  return {
    ...from,
    plan: planRetune(strings, order, tolerance, { bridge, coupling, manner }),
    off: targetsOf(target, a4).map(({ course, hz }) => centsBetween(hz, nowHz(course))),
  };
}

/** The way as it is after the last pluck. Nothing comes next where no string had to be brought over. */
export function wayTo(way: FrozenWay, now: WayNow): Way {
  const { instrument, target, a4, coupling, manner, off } = way;
  const { readings, targets, bench, fitted = [] } = now;
  // As the bench knows them: only what comes from another tuning is known unheard.
  const before = off.map((cents) => (isFar(cents) ? cents : null));
  const state = stateOf({ readings, before, coupling, fitted });
  const strings = comparedStrings(target, instrument, { targets, a4, state });
  const left = state.map((string) => leftOf(string, readings));
  const far = left.some(isFar);
  const unforeseen = state
    .filter((s, i) => s.from === 'this sitting' && isFar(nth(left, i)) && !isFar(nth(off, i)))
    .map(({ course }) => course);
  const aim = (course: number) =>
    manner === 'by display' ? aimOf(bench, course, state, coupling) : 0;
  const wish = (course: number) => ({ aim: aim(course), about: far && manner === 'by ear' });
  const retuning = off.some(isFar);
  const next = () => (far ? [...unforeseen, ...toGo(way, now, left)] : toSetRight(way.plan, bench));
  return {
    retuning,
    far: far && retuning,
    next: retuning ? next() : [],
    unforeseen: retuning ? unforeseen : [],
    references: new Map(
      targets.map(({ course }) => [course, comparisonsFor(course, strings, wish(course))]),
    ),
  };
}

const isFar = (cents: Cents) => Math.abs(cents) > FROM_ANOTHER_TUNING;

/**
 * How far a string still has to go: from its note as it stands, or from where it was to be brought when it was
 * read last. One that was aimed far from its note has arrived there, and goes to its note as the others are turned.
 */
function leftOf({ course, cents }: StringState, readings: readonly StringReading[]): Cents {
  const last = readings.findLast((reading) => reading.course === course);
  const now = Math.abs(cents ?? 0);
  return last ? Math.min(now, Math.abs(offBy(last))) : now;
}

/** Those that stay are read, and tuned, before anything leans on them; then those that are still to be brought over. */
function toGo(
  { plan: { steps }, tolerance, off }: FrozenWay,
  { readings, bench }: WayNow,
  left: readonly Cents[],
): number[] {
  const isBrought = (course: number) => isFar(nth(off, course - 1));
  const stay = off.map((_, i) => i + 1).filter((course) => !isBrought(course));
  const isLeft = (course: number) => {
    // Those that were found far off come before.
    if (isFar(nth(left, course - 1))) return false;
    const entry = currentPass(bench).strings.find((s) => s.course === course);
    if (entry && isClosed(entry)) return false;
    const last = readings.findLast((reading) => reading.course === course);
    return last === undefined || Math.abs(offBy(last)) > tolerance;
  };
  const way = steps
    .map(({ course }) => course)
    .filter((course) => isBrought(course) && nth(left, course - 1) > TO_GO);
  return [...stay.reverse().filter(isLeft), ...way];
}

/** All are near: by ear each is set right in the order in which one can be compared with another. */
function toSetRight({ fine }: Plan, bench: BenchState): number[] {
  const open = new Set(
    currentPass(bench)
      .strings.filter((entry) => !isClosed(entry))
      .map(({ course }) => course),
  );
  return fine.map(({ course }) => course).filter((course) => open.has(course));
}
