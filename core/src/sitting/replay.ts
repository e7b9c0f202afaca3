import { nth } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import { withAttributions } from './attributed.ts';
import { type BenchEvent, offBy, type StringReading } from './events.ts';

/** What the bench aims at. */
export interface BenchGoal {
  /** Course numbers in the order in which they are tuned. */
  readonly order: readonly number[];
  readonly tolerance: Cents;
}

/** Two readings that differ by less than so many standard errors show no move. */
const EDGE_SIGMAS = 2;
/** However unsure a reading is, further beyond the tolerance nothing is right. */
const WIDEST_EDGE: Cents = 1;

/** How a string stands in the present pass. */
export type Standing = 'unread' | 'low' | 'high' | 'at rest' | 'done' | 'left alone';

/** One string's readings within one pass, oldest first. */
export interface StringPass {
  readonly course: number;
  readonly readings: readonly StringReading[];
  readonly standing: Standing;
}

export interface Pass {
  /** 1 is the first time round. */
  readonly number: number;
  readonly strings: readonly StringPass[];
}

export interface BenchState {
  readonly goal: BenchGoal;
  readonly passes: readonly Pass[];
  /** The string that is worked on: the one chosen by hand, or the one read last; null before the first pluck. */
  readonly active: number | null;
  /** The string chosen by hand, null in automatic. */
  readonly chosen: number | null;
  /** What led here, oldest first: a pluck that is put to another string later changes all that came after it. */
  readonly history: readonly BenchEvent[];
}

/** The bench before anything was heard. */
export function startBench(goal: BenchGoal): BenchState {
  return { goal, passes: [emptyPass(goal, 1)], active: null, chosen: null, history: [] };
}

function emptyPass(goal: BenchGoal, number: number): Pass {
  const strings = goal.order.map((course) => ({
    course,
    readings: [],
    standing: 'unread' as const,
  }));
  return { number, strings };
}

/** The bench after one more event. Pure: the same events always give the same bench. */
export function benchAfter(state: BenchState, event: BenchEvent): BenchState {
  const history = [...state.history, event];
  if (event.type === 'attributed') return { ...replay(state.goal, settled(history)), history };
  return { ...stepped(state, event), history };
}

/** Events with every pluck at the string that it was put to in the end. */
function settled(events: readonly BenchEvent[]): BenchEvent[] {
  return withAttributions(events.map((event) => ({ event })))
    .map(({ event }) => event)
    .filter(({ type }) => type !== 'attributed');
}

function stepped(
  state: BenchState,
  event: Exclude<BenchEvent, { type: 'attributed' }>,
): BenchState {
  switch (event.type) {
    case 'reading':
      return withReading(state, event.reading);
    case 'choose':
      return choose(state, event.course);
    case 'accept':
      return accept(state, event.next);
    case 'next pass':
      return nextPass(state);
    case 'peg test':
    case 'said':
    case 'room note':
    case 'unattributed':
      return state;
  }
}

/** The bench after a whole history of events. */
export function replay(goal: BenchGoal, events: readonly BenchEvent[]): BenchState {
  return events.reduce(benchAfter, startBench(goal));
}

export function currentPass(state: BenchState): Pass {
  return nth(state.passes, state.passes.length - 1);
}

export function stringOf(pass: Pass, course: number): StringPass | undefined {
  return pass.strings.find((entry) => entry.course === course);
}

/** True for a string that needs nothing more in its pass. */
export function isClosed(entry: StringPass): boolean {
  return entry.standing === 'done' || entry.standing === 'left alone';
}

/** True when every string of the present pass is settled. */
export function passDone(state: BenchState): boolean {
  return currentPass(state).strings.every(isClosed);
}

/** True when a whole pass went by without a string that had to be moved. */
export function allInTune(state: BenchState): boolean {
  return currentPass(state).strings.every((entry) => entry.standing === 'left alone');
}

/** The next string of the pass that still needs work, after `course` in the order and round again. */
export function nextCourse(state: BenchState, course: number | null): number | null {
  const { strings } = currentPass(state);
  const from = strings.findIndex((entry) => entry.course === course);
  for (let step = 1; step <= strings.length; step++) {
    const entry = nth(strings, (from + step + strings.length) % strings.length);
    if (!isClosed(entry)) return entry.course;
  }
  return null;
}

function withReading(state: BenchState, reading: StringReading): BenchState {
  if (!state.goal.order.includes(reading.course)) return state;
  const pass = currentPass(state);
  const before = stringOf(pass, reading.course)!;
  const readings = [...before.readings, reading];
  const standing = standingOf(state, readings);
  return {
    ...replaceString(state, { course: reading.course, readings, standing }),
    // What was chosen by hand stays in hand, also while a late reading of another string comes in.
    active: state.chosen ?? reading.course,
  };
}

/**
 * Where a string stands after its readings of this pass. It is done when two
 * plucks in a row agree; it was left alone when it never had to move.
 */
function standingOf(state: BenchState, readings: readonly StringReading[]): Standing {
  const { tolerance } = state.goal;
  const last = nth(readings, readings.length - 1);
  const left = lastOfEarlierPass(state, last.course);
  const earlier = readings[readings.length - 2] ?? left;
  const right = inTuneReadings(readings, tolerance, left);
  if (!right.at(-1)) return offBy(last) < 0 ? 'low' : 'high';
  const neverMoved = right.every((one) => one);
  const wasRight =
    right.at(-2) ?? (left !== undefined && Math.abs(offBy(left)) <= edgeOf(left, tolerance));
  // A string that was just turned shows only at the next pluck that it stays.
  if (last.moving || last.turned || !earlier || !wasRight || !agree(earlier, last, tolerance))
    return 'at rest';
  return neverMoved ? 'left alone' : 'done';
}

/** As far from its note as what was right and did not move may read. */
function edgeOf({ errorCents }: StringReading, tolerance: Cents): Cents {
  return tolerance + Math.min(WIDEST_EDGE, EDGE_SIGMAS * errorCents);
}

/**
 * Which readings of one string are in tune: within the tolerance of the aim, or at its very edge where the reading
 * before was in tune and nothing moved as far as two readings can tell, so that no string is sent round for ever.
 * The one definition of “in tune”: Tune, rounds, their sheets and summaries all go by it.
 * @param left the last reading before these
 */
export function inTuneReadings(
  readings: readonly StringReading[],
  tolerance: Cents,
  left?: StringReading,
): boolean[] {
  let before = left && Math.abs(offBy(left)) <= edgeOf(left, tolerance) ? left : undefined;
  return readings.map((reading) => {
    const off = Math.abs(offBy(reading));
    const errors = before ? Math.hypot(before.errorCents, reading.errorCents) : 0;
    const stays =
      before !== undefined && Math.abs(offBy(reading) - offBy(before)) <= EDGE_SIGMAS * errors;
    const right = off <= tolerance || (stays && off <= edgeOf(reading, tolerance));
    before = right ? reading : undefined;
    return right;
  });
}

/**
 * Two readings in tune agree when they are no further apart than the tolerance; one of them must have rung
 * out, and of two strums neither may be less sure than half of it.
 */
function agree(a: StringReading, b: StringReading, tolerance: Cents): boolean {
  const strummed = a.strummed && b.strummed;
  const unsure = strummed && EDGE_SIGMAS * Math.max(a.errorCents, b.errorCents) > tolerance;
  return Math.abs(a.cents - b.cents) <= tolerance && !a.moving && !(a.short && b.short) && !unsure;
}

/** What a string was left at in the pass before the present one. */
export function lastOfEarlierPass(state: BenchState, course: number): StringReading | undefined {
  const earlier = state.passes[state.passes.length - 2];
  return earlier && stringOf(earlier, course)?.readings.at(-1);
}

function choose(state: BenchState, course: number | null): BenchState {
  if (course !== null && !state.goal.order.includes(course)) return state;
  return { ...state, chosen: course, active: course ?? state.active };
}

/** Takes the active string as it is and goes on to the next one, or to the one that is asked for. */
function accept(state: BenchState, wanted?: number): BenchState {
  const course = state.active;
  if (course === null) return { ...state, active: wanted ?? nextCourse(state, null) };
  const entry = stringOf(currentPass(state), course)!;
  const moved = entry.readings.some((r) => Math.abs(offBy(r)) > state.goal.tolerance);
  const accepted =
    entry.readings.length === 0 || isClosed(entry)
      ? state
      : replaceString(state, { ...entry, standing: moved ? 'done' : 'left alone' });
  const next = wanted ?? nextCourse(accepted, course) ?? course;
  return { ...accepted, active: next, chosen: state.chosen === null ? null : next };
}

/** Begins the next pass from the first string; refused while nothing was read in this one. */
function nextPass(state: BenchState): BenchState {
  const pass = currentPass(state);
  if (pass.strings.every((entry) => entry.readings.length === 0)) return state;
  const passes = [...state.passes, emptyPass(state.goal, pass.number + 1)];
  return { ...state, passes, active: state.goal.order[0] ?? null, chosen: null };
}

function replaceString(state: BenchState, entry: StringPass): BenchState {
  const pass = currentPass(state);
  const strings = pass.strings.map((old) => (old.course === entry.course ? entry : old));
  return { ...state, passes: [...state.passes.slice(0, -1), { ...pass, strings }] };
}
