import { centsBetween } from '../music/index.ts';
import type { BenchEvent } from '../sitting/index.ts';
import { type Instrument, judgePegTurn, type Peg, TEST_TURN } from '../strings/index.ts';
import type { Hz } from '../units.ts';
import type { PegFound, PegTask } from '../words/index.ts';

/** A round over the pegs: pluck, one small turn, pluck again. */
export interface PegTestRound {
  /** Courses still to be tried, the one in hand first; empty when the round is over. */
  readonly toCome: readonly number[];
  /** What the string in hand sounded before its turn; null until it was plucked. */
  readonly beforeHz: Hz | null;
  /** What the last turn showed. */
  readonly found: PegFound | null;
}

/** The round before the first pluck, in the order in which the strings are tuned. */
export function startPegTest(order: readonly number[]): PegTestRound {
  return { toCome: order, beforeHz: null, found: null };
}

/** What one more pluck means: the round after it, and what it showed of a peg. */
export interface PegTestStep {
  readonly round: PegTestRound;
  readonly event: Extract<BenchEvent, { type: 'peg test' }> | null;
  readonly peg: Peg | null;
}

/** The round after a pluck of the string in hand. */
export function pegTestAfter(round: PegTestRound, hz: Hz, instrument: Instrument): PegTestStep {
  const [course, ...others] = round.toCome;
  const kind = pegOf(round, instrument)?.kind;
  if (course === undefined || kind === undefined) return { round, event: null, peg: null };
  if (round.beforeHz === null)
    return { round: { ...round, beforeHz: hz, found: null }, event: null, peg: null };
  const turn = { turns: -TEST_TURN[kind], beforeHz: round.beforeHz, afterHz: hz };
  const judged = judgePegTurn(instrument, course, turn);
  if (!judged || judged.outcome === 'did not move') {
    const again = { ...round, beforeHz: null, found: { kind: 'did not move' } as const };
    return { round: again, event: null, peg: null };
  }
  const { outcome, peg } = judged;
  const cents = Math.abs(centsBetween(turn.beforeHz, turn.afterHz));
  const found: PegFound =
    outcome === 'as thought'
      ? { kind: 'as thought', course, cents }
      : { kind: 'other way', course, cents, tighten: peg.tighten };
  return {
    round: { toCome: others, beforeHz: null, found },
    event: { type: 'peg test', course, ...turn },
    peg,
  };
}

/** The round without the string in hand. */
export function skipPeg(round: PegTestRound): PegTestRound {
  return { toCome: round.toCome.slice(1), beforeHz: null, found: null };
}

/** What to do now in a round over the pegs. */
export function pegTask(round: PegTestRound, instrument: Instrument): PegTask {
  const [course] = round.toCome;
  const peg = pegOf(round, instrument);
  if (course === undefined || !peg) return { kind: 'over' };
  if (round.beforeHz === null) return { kind: 'pluck', course };
  return { kind: 'turn', turns: TEST_TURN[peg.kind], tighten: peg.tighten };
}

function pegOf({ toCome: [course] }: PegTestRound, instrument: Instrument): Peg | undefined {
  return course === undefined ? undefined : instrument.courses[course - 1]?.strings[0]?.peg;
}
