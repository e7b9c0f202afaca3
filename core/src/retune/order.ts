import { assertRange } from '../errors.ts';
import { nth } from '../maths/index.ts';

/** Strings to be moved, as entries 0…count − 1 with the thickest first; subsets are bit masks. */
export interface OrderProblem {
  readonly count: number;
  /** Load on the neck before the first step, and what each entry adds, in N. */
  readonly startLoad: number;
  readonly loadChange: readonly number[];
  /** True if the entry can be compared with a string that is right once `moved` have been moved. */
  readonly hasReference: (entry: number, moved: number) => boolean;
  /**
   * True if the entry, moved after `moved`, will be pulled out of tolerance by those still
   * to come and must be looked at again; absent while nobody knows.
   */
  readonly drifts?: (entry: number, moved: number) => boolean;
}

export interface BestOrder {
  readonly order: readonly number[];
  /** Steps that have no string to compare with. */
  readonly unreferenced: number;
  /** Between the highest and the lowest load on the way, in N. */
  readonly range: number;
  /** Steps that must be looked at again. */
  readonly rechecks: number;
}

/** One way to have moved a subset: what it cost so far. */
interface Way {
  readonly unreferenced: number;
  readonly lowest: number;
  readonly highest: number;
  readonly rechecks: number;
  /** The order so far as a number in base 16: of equal length, the smaller comes first by thickness. */
  readonly code: number;
}

/** Loads closer than this count as equal, in N. */
const SAME = 1e-9;
const MOST_STRINGS = 12;

/**
 * The order with the fewest steps without a reference, then the smallest range of
 * load, then the fewest strings to be looked at again, then the thickest strings first: exactly, by dynamic programming over
 * subsets. A subset keeps every way that no other beats in all respects at once.
 * @throws RangeMisuse for more than 12 strings.
 */
export function bestOrder(problem: OrderProblem): BestOrder {
  const { count, startLoad, loadChange } = problem;
  assertRange('strings to be moved', count, 0, MOST_STRINGS);
  const loads = loadsOf(startLoad, loadChange);
  const ways: Way[][] = Array.from({ length: 1 << count }, () => []);
  nth(ways, 0).push({
    unreferenced: 0,
    lowest: startLoad,
    highest: startLoad,
    rechecks: 0,
    code: 0,
  });
  for (let moved = 0; moved < ways.length; moved++) {
    for (let entry = 0; entry < count; entry++) {
      if (moved & (1 << entry)) continue;
      const next = moved | (1 << entry);
      const load = nth(loads, next);
      const extra = problem.hasReference(entry, moved) ? 0 : 1;
      const again = problem.drifts?.(entry, moved) ? 1 : 0;
      for (const way of nth(ways, moved))
        keep(nth(ways, next), {
          unreferenced: way.unreferenced + extra,
          lowest: Math.min(way.lowest, load),
          highest: Math.max(way.highest, load),
          rechecks: way.rechecks + again,
          code: 16 * way.code + entry,
        });
    }
    if (moved < ways.length - 1) ways[moved] = [];
  }
  const best = nth(ways, ways.length - 1).reduce((a, b) => (isBetter(b, a) ? b : a));
  return {
    order: decode(best.code, count),
    unreferenced: best.unreferenced,
    range: best.highest - best.lowest,
    rechecks: best.rechecks,
  };
}

function loadsOf(start: number, change: readonly number[]): Float64Array {
  const loads = new Float64Array(1 << change.length).fill(start);
  for (let moved = 0; moved < loads.length; moved++)
    change.forEach((newtons, entry) => {
      if (moved & (1 << entry)) loads[moved] = nth(loads, moved) + newtons;
    });
  return loads;
}

/**
 * Adds a way unless another is at least as good in all respects; drops those that it
 * beats. What is still to come costs every way of a subset the same number of steps
 * without a reference, so only the fewest are kept.
 */
function keep(ways: Way[], way: Way): void {
  const fewest = ways[0]?.unreferenced ?? way.unreferenced;
  if (way.unreferenced > fewest) return;
  if (way.unreferenced < fewest) ways.length = 0;
  for (const other of ways) if (beats(other, way)) return;
  let kept = 0;
  for (const other of ways) if (!beats(way, other)) ways[kept++] = other;
  ways.length = kept;
  ways.push(way);
}

function beats(a: Way, b: Way): boolean {
  return (
    a.lowest >= b.lowest - SAME &&
    a.highest <= b.highest + SAME &&
    (a.rechecks < b.rechecks || (a.rechecks === b.rechecks && a.code <= b.code))
  );
}

function isBetter(a: Way, b: Way): boolean {
  const wider = a.highest - a.lowest - (b.highest - b.lowest);
  if (Math.abs(wider) > SAME) return wider < 0;
  return a.rechecks !== b.rechecks ? a.rechecks < b.rechecks : a.code < b.code;
}

function decode(code: number, count: number): number[] {
  const order: number[] = [];
  for (let rest = code, i = 0; i < count; i++, rest = Math.floor(rest / 16))
    order.unshift(rest % 16);
  return order;
}
