import { centsBetween, shiftHz } from '@rosefinch/core/music';
import {
  type Instrument,
  type Peg,
  pegAfterAdvice,
  turnsFor,
  withCapo,
} from '@rosefinch/core/strings';
import { useEffect, useRef, useState } from 'react';
import { useData } from '../../data/index.ts';
import type { Bench } from './useBench.ts';

/** Smaller turns tell less of a peg than the hand's own scatter, in cents. */
const TELLING_TURN = 8;

/**
 * Learns from every turn that was advised how far a turn of that peg takes its string;
 * not while something else is asked of the hand. Answers what could not be stored.
 */
export function usePegLearning(
  instrument: Instrument,
  bench: Bench,
  advised: boolean,
): string | null {
  const { repository } = useData();
  const [problem, setProblem] = useState<string | null>(null);
  // What a practice instrument does tells nothing of a real one.
  const learn = () => {
    const learned = advised && !bench.practice ? pegLearned(instrument, bench) : null;
    if (learned)
      repository
        .savePeg(instrument.id, learned.course, learned.peg)
        .catch((error: Error) => setProblem(error.message));
  };
  const latest = useRef(learn);
  latest.current = learn;
  const count = bench.session.log.length;
  // Once for every event of the sitting, whatever else is drawn anew.
  // biome-ignore lint/correctness/useExhaustiveDependencies: see above
  useEffect(() => latest.current(), [count]);
  return problem;
}

/**
 * What the turn between the last two plucks shows of its peg, if it was made unheard: then
 * the hand went by the amount that it was told, and not by the display.
 */
function pegLearned(
  instrument: Instrument,
  bench: Bench,
): { readonly course: number; readonly peg: Peg } | null {
  const [before, last] = bench.plucks.slice(-2);
  const [earlier, reading] = [before?.reading, last?.reading];
  if (!before || !earlier || !reading || earlier.course !== reading.course) return null;
  const target = bench.targets[reading.course - 1];
  const heardTo = centsBetween(earlier.hz, before.ringing?.endHz ?? earlier.hz);
  const moved = Math.abs(centsBetween(earlier.hz, reading.hz));
  if (!target || moved < TELLING_TURN || Math.abs(heardTo) > TELLING_TURN / 2) return null;
  const sounding = withCapo(instrument);
  const wanted = shiftHz(target.hz, earlier.aim ?? 0);
  const told = turnsFor(sounding, reading.course, earlier.hz, wanted);
  if (!told) return null;
  const turn = { turns: told.turns, beforeHz: earlier.hz, afterHz: reading.hz };
  const peg = pegAfterAdvice(sounding, reading.course, turn);
  return peg && { course: reading.course, peg };
}
