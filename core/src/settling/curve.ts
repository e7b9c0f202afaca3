import { nth } from '../maths/index.ts';
import type { Cents, Seconds } from '../units.ts';
import type { StringHistory } from './history.ts';
import { aheadOf, FARTHEST } from './outlook.ts';
import type { Judged, SettlingGoal } from './verdict.ts';

/** A place ahead on a string's curve, with its interval of 80 %; time since it was fitted. */
export interface BandPoint {
  readonly at: Seconds;
  readonly cents: Cents;
  readonly low: Cents;
  readonly high: Cents;
}

const STEPS_AHEAD = 28;
/** The forecast is drawn so many lessons or hold times far. */
const REACH = 3;

/** Where a string will stand from its last reading on, if nobody touches it. */
export function curveOf({ draws, settling }: Judged, goal: SettlingGoal): BandPoint[] {
  const { history, stands, lifted } = settling;
  const { last, material } = history;
  if (!last || draws.length === 0) return [];
  const from = startOf(history);
  const hold = (stands ?? lifted).hold.expected;
  const reach = Math.min(FARTHEST, REACH * Math.max(goal.lesson, hold));
  const afters = logSteps(1, reach, STEPS_AHEAD);
  return [
    { at: from, cents: last.cents, low: last.cents, high: last.cents },
    ...aheadOf(draws, afters, material).map(({ expected, low, high }, i) => ({
      at: from + nth(afters, i),
      cents: expected,
      low,
      high,
    })),
  ];
}

function startOf({ last, fittedAt }: StringHistory): Seconds {
  return Math.max(1, last ? (last.really - fittedAt) / 1000 : 1);
}

function logSteps(from: number, to: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => from * (to / from) ** (i / (count - 1)));
}
