import { nth } from '../maths/index.ts';
import type { Cents, Seconds } from '../units.ts';
import { creepAt } from './creep.ts';
import type { CreepFit, SettlingEvent } from './fit.ts';
import { dropsAhead, FARTHEST } from './forecast.ts';
import type { SettlingGoal, StringSettling } from './verdict.ts';

/** A place on a string's curve; time since it was fitted. */
export interface CurvePoint {
  readonly at: Seconds;
  readonly cents: Cents;
}

/** A place ahead, with its interval of 80 %. */
export interface BandPoint extends CurvePoint {
  readonly low: Cents;
  readonly high: Cents;
}

/** What is drawn of a string beside its readings. */
export interface SettlingCurve {
  /** The fitted law between two turns or pulls, one list each. */
  readonly fitted: readonly (readonly CurvePoint[])[];
  /** From the last reading on, if nobody touches the string. */
  readonly ahead: readonly BandPoint[];
}

const STEPS_AHEAD = 28;
const STEPS_BETWEEN = 8;
/** The forecast is drawn so many lessons or hold times far. */
const REACH = 3;

/** The curve of a string whose law could be fitted; null while it could not. */
export function curveOf(
  { settling, history, hold }: StringSettling,
  fit: CreepFit | null,
  goal: SettlingGoal,
): SettlingCurve | null {
  const { last } = history;
  if (settling.kind !== 'fitted' || !fit || !last) return null;
  const from = Math.max(1, (last.really - history.fittedAt) / 1000);
  const reach = Math.min(FARTHEST, REACH * Math.max(goal.lesson, hold?.expected ?? 0));
  const afters = logSteps(1, reach, STEPS_AHEAD);
  const drops = dropsAhead(settling, from, afters);
  return {
    fitted: fittedPieces(history.events, fit),
    ahead: [
      { at: from, cents: last.cents, low: last.cents, high: last.cents },
      ...drops.map(({ expected, low, high }, i) => ({
        at: from + nth(afters, i),
        cents: last.cents - expected,
        // The deepest drop is the lowest place.
        low: last.cents - high,
        high: last.cents - low,
      })),
    ],
  };
}

interface Piece {
  readonly segment: number;
  readonly rounds: number;
  readonly readings: { readonly at: Seconds; readonly cents: Cents }[];
}

/** The law between the readings, each stretch of time since a turn at its own height. */
function fittedPieces(events: readonly SettlingEvent[], fit: CreepFit): CurvePoint[][] {
  const added = [0];
  for (const jump of fit.jumps) added.push(added.at(-1)! + jump);
  const pieces = piecesOf(events);
  const dropped = (at: Seconds, rounds: number) => creepAt(fit.creep, at + (added[rounds] ?? 0));
  const heights = new Map<number, number>();
  for (const { segment } of pieces) {
    const own = pieces.filter((piece) => piece.segment === segment);
    const all = own.flatMap((p) => p.readings.map((r) => r.cents + dropped(r.at, p.rounds)));
    heights.set(segment, all.reduce((sum, value) => sum + value, 0) / all.length);
  }
  return pieces.map(({ segment, rounds, readings }) => {
    const first = nth(readings, 0).at;
    const span = readings.at(-1)!.at - first;
    return Array.from({ length: STEPS_BETWEEN + 1 }, (_, i) => {
      const at = first + Math.expm1((Math.log1p(span) * i) / STEPS_BETWEEN);
      return { at, cents: heights.get(segment)! - dropped(at, rounds) };
    });
  });
}

function piecesOf(events: readonly SettlingEvent[]): Piece[] {
  const pieces: Piece[] = [];
  let segment = 0;
  let rounds = 0;
  for (const event of events) {
    if (event.kind === 'brought up') segment++;
    else if (event.kind === 'stretch') rounds++;
    else {
      const last = pieces.at(-1);
      if (last?.segment === segment && last.rounds === rounds) last.readings.push(event);
      else pieces.push({ segment, rounds, readings: [event] });
    }
  }
  return pieces;
}

function logSteps(from: number, to: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => from * (to / from) ** (i / (count - 1)));
}
