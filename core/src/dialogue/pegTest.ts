import { centsBetween } from '../music/index.ts';
import type { PegFound, PegTask } from '../sentences/index.ts';
import type { BenchEvent } from '../sitting/index.ts';
import {
  centsPerTurn,
  type Instrument,
  judgePegTurn,
  type Peg,
  type Reversal,
  TEST_TURN,
  withPeg,
} from '../strings/index.ts';
import type { Hz } from '../units.ts';

/**
 * The turns by which a peg is tried: which way it works, how far a turn takes the string once
 * nothing is left to take up, and what is lost when it goes back. A string is never brought above where it was.
 */
const TURNS: readonly { readonly way: -1 | 1; readonly reversal: Reversal }[] = [
  { way: -1, reversal: 'unknown' },
  { way: -1, reversal: 'onward' },
  { way: 1, reversal: 'reversed' },
];

/** A round over the pegs: pluck, two small turns down and one back, a pluck after each. */
export interface PegTestRound {
  /** Courses still to be tried, the one in hand first; empty when the round is over. */
  readonly toCome: readonly number[];
  /** What the string in hand sounded at last; null until it was plucked. */
  readonly beforeHz: Hz | null;
  /** How many of its turns were made. */
  readonly turned: number;
  /** Its peg as its turns have shown it so far. */
  readonly peg: Peg | null;
  /** What the last turn showed. */
  readonly found: PegFound | null;
}

/** The round before the first pluck, in the order in which the strings are tuned. */
export function startPegTest(order: readonly number[]): PegTestRound {
  return { toCome: order, beforeHz: null, turned: 0, peg: null, found: null };
}

/** What one more pluck means: the round after it, and what it showed of a peg. */
export interface PegTestStep {
  readonly round: PegTestRound;
  readonly event: Extract<BenchEvent, { type: 'peg test' }> | null;
  readonly peg: Peg | null;
}

/** The round after a pluck of the string in hand. */
export function pegTestAfter(round: PegTestRound, hz: Hz, instrument: Instrument): PegTestStep {
  const [course] = round.toCome;
  const tried = pegOf(round, instrument);
  const next = TURNS[round.turned];
  if (course === undefined || !tried || !next) return { round, event: null, peg: null };
  if (round.beforeHz === null)
    return { round: { ...round, beforeHz: hz, found: null }, event: null, peg: null };
  const turn = { turns: next.way * TEST_TURN[tried.kind], beforeHz: round.beforeHz, afterHz: hz };
  const judged = judgePegTurn(withPeg(instrument, course, tried), course, turn, next.reversal);
  if (!judged || judged.outcome === 'did not move') {
    const again = { ...startPegTest(round.toCome), found: { kind: 'did not move' } as const };
    return { round: again, event: null, peg: null };
  }
  const { peg } = judged;
  const event = { type: 'peg test', course, ...turn } as const;
  const cents = Math.abs(centsBetween(turn.beforeHz, turn.afterHz));
  if (judged.outcome === 'other way') {
    // It is turned back, and tried the way it works.
    const found = { kind: 'other way', course, cents, tighten: peg.tighten } as const;
    return { round: { ...startPegTest(round.toCome), peg, found }, event, peg };
  }
  const turned = round.turned + 1;
  if (turned < TURNS.length) {
    const found = { kind: 'as thought', course, cents } as const;
    return { round: { ...round, beforeHz: hz, turned, peg, found }, event, peg };
  }
  const found = measured(withPeg(instrument, course, peg), course, { peg, hz });
  return { round: { ...startPegTest(round.toCome.slice(1)), found }, event, peg };
}

function measured(
  instrument: Instrument,
  course: number,
  { peg, hz }: { readonly peg: Peg; readonly hz: Hz },
): PegFound {
  const cents = centsPerTurn(instrument, course, hz) ?? 0;
  const { error = 1, play } = peg.measured ?? {};
  return { kind: 'measured', course, centsPerTurn: cents, error, play: play?.turns ?? 0 };
}

/** The round without the string in hand. */
export function skipPeg(round: PegTestRound): PegTestRound {
  return startPegTest(round.toCome.slice(1));
}

/** What to do now in a round over the pegs. */
export function pegTask(round: PegTestRound, instrument: Instrument): PegTask {
  const [course] = round.toCome;
  const peg = pegOf(round, instrument);
  const next = TURNS[round.turned];
  if (course === undefined || !peg || !next) return { kind: 'over' };
  if (round.beforeHz === null) return { kind: 'pluck', course };
  return { kind: 'turn', turns: next.way * TEST_TURN[peg.kind], tighten: peg.tighten };
}

function pegOf({ toCome: [course], peg }: PegTestRound, instrument: Instrument): Peg | undefined {
  if (course === undefined) return undefined;
  return peg ?? instrument.courses[course - 1]?.strings[0]?.peg;
}
