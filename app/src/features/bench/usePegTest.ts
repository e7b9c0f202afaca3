import {
  type Advice,
  type PegTestRound,
  pegTestAdvice,
  pegTestAfter,
  skipPeg,
  startPegTest,
} from '@rosefinch/core/coach';
import { type Instrument, withCapo } from '@rosefinch/core/strings';
import { useEffect, useRef, useState } from 'react';
import { useData } from '../../data/index.ts';
import type { Bench } from './useBench.ts';

/** A round over the pegs, while it lasts. */
export interface PegTest {
  readonly advice: Advice;
  /** The string in hand; null once all were tried. */
  readonly course: number | null;
  readonly skip: () => void;
  readonly end: () => void;
}

/** Leads over the pegs: what each pluck shows is stored with the instrument. */
export function usePegTest(
  instrument: Instrument,
  bench: Bench,
): { readonly running: PegTest | null; readonly start: () => void } {
  const { repository } = useData();
  const [round, setRound] = useState<PegTestRound | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const { log, state } = bench.session;
  const seen = useRef(0);
  const course = round?.toCome[0] ?? null;

  // A string is chosen by hand while its peg is tried, so that it may be far from its note.
  const go = (next: PegTestRound) => {
    setRound(next);
    bench.act({ type: 'choose', course: next.toCome[0] ?? null });
  };

  const take = () => {
    const fresh = log.slice(seen.current);
    seen.current = log.length;
    if (!round || course === null) return;
    for (const { event } of fresh) {
      if (event.type !== 'reading' || event.reading.course !== course) continue;
      const step = pegTestAfter(round, event.reading.hz, withCapo(instrument));
      if (step.event) bench.act(step.event);
      if (step.peg)
        repository
          .savePeg(instrument.id, course, step.peg)
          .catch((error: Error) => setProblem(error.message));
      if (step.round.toCome[0] === course) setRound(step.round);
      else go(step.round);
      return;
    }
  };
  const latest = useRef(take);
  latest.current = take;
  // Only what is heard moves the round on.
  // biome-ignore lint/correctness/useExhaustiveDependencies: see above
  useEffect(() => latest.current(), [log]);

  const end = () => {
    setRound(null);
    bench.act({ type: 'choose', course: null });
  };
  return {
    start: () => {
      seen.current = log.length;
      setProblem(null);
      go(startPegTest(state.goal.order));
    },
    running: round && {
      advice: problem
        ? { say: 'What was found could not be stored.', more: problem }
        : pegTestAdvice(round, instrument),
      course,
      skip: () => go(skipPeg(round)),
      end,
    },
  };
}
