import { nth } from '../maths/index.ts';
import { type BenchState, currentPass, isClosed, type StringReading } from '../sitting/index.ts';
import { aimFor, type Coupling, passesNeeded } from '../strings/index.ts';
import type { Cents } from '../units.ts';
import type { StringState } from './strings.ts';

/** A coupling that is known no better than this, as a share, is not aimed by. */
export const KNOWN_ENOUGH = 0.4;
/** So many standard errors of an aim are left open. */
const SURE = 2;
/** An aim below this is within what a hand can set. */
const LEAST_AIM: Cents = 1;

/**
 * Where to bring a course so that it lands on its target once the strings still to come
 * in this pass have been tuned; 0 while the coupling is not known well enough.
 */
export function aimOf(
  state: BenchState,
  course: number,
  now: readonly StringState[],
  coupling: Coupling,
): Cents {
  if (coupling.error > KNOWN_ENOUGH) return 0;
  const toCome = currentPass(state)
    .strings.filter((s) => s.course !== course && !isClosed(s) && isKnown(now[s.course - 1]))
    .map((s) => s.course);
  const deviations = now.map(({ cents }) => cents ?? 0);
  const aim = aimFor(deviations, [course, ...toCome], coupling);
  if (Math.abs(aim) < LEAST_AIM) return 0;
  // Known no better than this, any place within it is as good: the nearest one is never too far.
  const open = Math.max(0, SURE * coupling.error * Math.abs(aim) - state.goal.tolerance);
  const own = now[course - 1]?.cents ?? aim;
  return Math.min(aim + open, Math.max(aim - open, own));
}

const isKnown = (string: StringState | undefined) => string !== undefined && string.cents !== null;

/** Passes still to come, the last look included, from where the strings stand now. */
export function passesToCome(
  state: BenchState,
  now: readonly StringState[],
  coupling: Coupling,
): number {
  const deviations = now.map(({ cents }) => cents ?? 0);
  return passesNeeded(deviations, state.goal.order, coupling, state.goal.tolerance);
}

/** What pulled a string along since it was left: the string that did most of it, and how far that one went. */
export interface Pull {
  readonly course: number;
  readonly cents: Cents;
}

/**
 * Which string's turning explains most of a string's move since its reading before the
 * last; null where the turns explain less than half of it.
 */
export function whyMoved(
  readings: readonly StringReading[],
  course: number,
  { matrix }: Coupling,
): Pull | null {
  const found = readings.findLastIndex((r) => r.course === course);
  const left = readings.findLastIndex((r, i) => i < found && r.course === course);
  if (left < 0) return null;
  const turned = new Map<number, Cents>();
  for (let i = left + 1; i < found; i++) {
    const [before, now] = [nth(readings, i - 1), nth(readings, i)];
    if (before.course === now.course)
      turned.set(now.course, (turned.get(now.course) ?? 0) + now.cents - before.cents);
  }
  const row = matrix[course - 1] ?? [];
  const pulls = [...turned].map(([by, cents]) => ({
    course: by,
    cents,
    pull: (row[by - 1] ?? 0) * cents,
  }));
  const moved = nth(readings, found).cents - nth(readings, left).cents;
  const explained = pulls.reduce((sum, { pull }) => sum + pull, 0);
  const most = pulls.sort((a, b) => Math.abs(b.pull) - Math.abs(a.pull))[0];
  if (!most || Math.abs(moved - explained) > Math.abs(moved) / 2) return null;
  return { course: most.course, cents: most.cents };
}
