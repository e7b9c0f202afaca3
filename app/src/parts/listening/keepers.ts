import type { Setup } from '@rosefinch/core/attribution';
import { BeliefKeeper, type BenchGoal } from '@rosefinch/core/sitting';

/** One keeper of what is believed for each goal: a session keeps the goal that it began with. */
export function keepersOf(setup: (goal: BenchGoal) => Setup): (goal: BenchGoal) => BeliefKeeper {
  const keepers = new WeakMap<BenchGoal, BeliefKeeper>();
  return (goal) => {
    const there = keepers.get(goal);
    if (there) return there;
    const keeper = new BeliefKeeper(setup(goal));
    keepers.set(goal, keeper);
    return keeper;
  };
}
