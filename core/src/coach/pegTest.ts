import { centsBetween } from '../music/index.ts';
import {
  type Instrument,
  judgePegTurn,
  loosen,
  type Peg,
  TEST_TURN,
  turnInWords,
} from '../strings/index.ts';
import type { Hz } from '../units.ts';
import type { Advice } from './advice.ts';
import type { BenchEvent } from './bench.ts';

/** A round over the pegs: pluck, one small turn, pluck again. */
export interface PegTestRound {
  /** Courses still to be tried, the one in hand first; empty when the round is over. */
  readonly toCome: readonly number[];
  /** What the string in hand sounded before its turn; null until it was plucked. */
  readonly beforeHz: Hz | null;
  /** What the last string came to. */
  readonly said: string;
}

/** The round before the first pluck, in the order in which the strings are tuned. */
export function startPegTest(order: readonly number[]): PegTestRound {
  return { toCome: order, beforeHz: null, said: '' };
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
  const kind = instrument.courses[(course ?? 0) - 1]?.strings[0]?.peg.kind;
  if (course === undefined || kind === undefined) return { round, event: null, peg: null };
  if (round.beforeHz === null)
    return { round: { ...round, beforeHz: hz, said: '' }, event: null, peg: null };
  const turn = { turns: -TEST_TURN[kind], beforeHz: round.beforeHz, afterHz: hz };
  const judged = judgePegTurn(instrument, course, turn);
  if (!judged || judged.outcome === 'did not move')
    return {
      round: {
        ...round,
        beforeHz: null,
        said: 'It did not move. Trace the string to its peg with a finger.',
      },
      event: null,
      peg: null,
    };
  const size = Math.abs(centsBetween(turn.beforeHz, turn.afterHz)).toFixed(0);
  const said =
    judged.outcome === 'as thought'
      ? `String ${course} went down ${size} cents, as thought.`
      : `It went up ${size} cents: turn it back. String ${course} tightens ${judged.peg.tighten}.`;
  return {
    round: { toCome: others, beforeHz: null, said },
    event: { type: 'peg test', course, ...turn },
    peg: judged.peg,
  };
}

/** The round without the string in hand. */
export function skipPeg(round: PegTestRound): PegTestRound {
  return { toCome: round.toCome.slice(1), beforeHz: null, said: '' };
}

/** What to do now in a round over the pegs. */
export function pegTestAdvice(round: PegTestRound, instrument: Instrument): Advice {
  const [course] = round.toCome;
  const peg = course && instrument.courses[course - 1]?.strings[0]?.peg;
  if (!peg) return { say: round.said || 'The pegs are known.', more: 'All pegs were tried.' };
  if (round.beforeHz === null)
    return round.said
      ? { say: round.said, more: `Now pluck string ${course}.` }
      : { say: `Pluck string ${course}.`, more: 'Then one small turn shows how its peg works.' };
  return {
    say: `Turn its button ${turnInWords(TEST_TURN[peg.kind])} ${loosen(peg.tighten)}, then pluck.`,
    more: 'It is thought to loosen that way. Should it go up, turn it back.',
  };
}
