import {
  type Advice,
  type PegTestRound,
  pegTestAdvice,
  pegTestAfter,
  skipPeg,
  startPegTest,
} from '@rosefinch/core/coach';
import { type Instrument, withCapo } from '@rosefinch/core/strings';
import { type RefObject, useRef, useState } from 'react';
import { useData } from '../../data/index.ts';
import type { Bench, BenchAsked } from './useBench.ts';

/** A round over the pegs, while it lasts. */
export interface PegTest {
  readonly advice: Advice;
  /** The string in hand; null once all were tried. */
  readonly course: number | null;
  readonly skip: () => void;
  readonly end: () => void;
}

/** The round over the pegs, known before the bench hears anything. */
export interface PegRound {
  readonly round: PegTestRound | null;
  readonly set: (round: PegTestRound | null) => void;
  readonly asked: BenchAsked['peg'];
  /** Told of every reading by the bench. */
  readonly onReading: RefObject<
    (reading: { course: number; hz: number }, asked: BenchAsked) => void
  >;
}

export function usePegRound(): PegRound {
  const [round, set] = useState<PegTestRound | null>(null);
  const [course] = round?.toCome ?? [];
  const asked = round && course !== undefined ? { course, turned: round.beforeHz !== null } : null;
  const onReading = useRef(() => {});
  return { round, set, asked, onReading };
}

/** Leads over the pegs: what each pluck shows is stored with the instrument. */
export function usePegTest(
  instrument: Instrument,
  bench: Bench,
  { round, set, onReading }: PegRound,
): { readonly running: PegTest | null; readonly start: () => void } {
  const { repository } = useData();
  const [problem, setProblem] = useState<string | null>(null);
  const { state } = bench.session;
  const course = round?.toCome[0] ?? null;

  // A string is chosen by hand while its peg is tried, so that it may be far from its note.
  const go = (next: PegTestRound) => {
    set(next);
    bench.act({ type: 'choose', course: next.toCome[0] ?? null });
  };

  /** Only a pluck of the string in hand, made after its step was asked for, moves the round on. */
  onReading.current = (reading, { peg }) => {
    if (!round || course === null || reading.course !== course) return;
    if (peg?.course !== course || peg.turned !== (round.beforeHz !== null)) return;
    const step = pegTestAfter(round, reading.hz, withCapo(instrument));
    if (step.event) bench.act(step.event);
    // A practice instrument's pegs tell nothing of a real one's.
    if (step.peg && !bench.practice)
      repository
        .savePeg(instrument.id, course, step.peg)
        .catch((error: Error) => setProblem(error.message));
    if (step.round.toCome[0] === course) set(step.round);
    else go(step.round);
  };

  const end = () => {
    set(null);
    bench.act({ type: 'choose', course: null });
  };
  return {
    start: () => {
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
