import { findTuning, shiftHz, targetsOf } from '@rosefinch/core/music';
import { planRetune, planStrings, type Reference } from '@rosefinch/core/retune';
import { type Coupling, homeTuning, type Instrument } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import type { Stock } from '../../data/index.ts';
import type { Heard } from '../listening/index.ts';
import type { Bench } from './useBench.ts';
import { useLastPitches } from './useLastPitches.ts';

/** With a string this far out, in cents, the bench is on its way from one tuning to another. */
const RETUNING = 60;
/** What is left of the way; nearer strings are for the passes. */
const TO_GO = 15;

/** The way to the tuning, as it is after the last pluck. */
export interface BenchPlan {
  /** Strings that still have a way to go, in the plan's order. */
  readonly toGo: readonly number[];
  /** What a course can be compared with just now, best first; null when it need not move. */
  readonly referencesOf: (course: number) => readonly Reference[] | null;
}

/** The plan while the instrument is retuned, from the strings as they were heard last; null when nothing is far off. */
export function usePlan(
  instrument: Instrument,
  stock: Stock,
  bench: Bench,
  coupling: Coupling,
): BenchPlan | null {
  const before = useLastPitches(instrument);
  const { log, state } = bench.session;
  const { a4, capo } = bench;
  const { tolerance } = state.goal;
  // Planned anew after every pluck, not whenever the bench is drawn.
  return useMemo(
    () =>
      before
        ? planNow({
            instrument,
            stock,
            coupling,
            a4,
            tolerance,
            heard: heardNow(before, log, capo),
          })
        : null,
    [instrument, stock, coupling, a4, capo, tolerance, before, log],
  );
}

/** Open strings throughout: a capo changes neither the way nor the frets counted from it. */
function heardNow(
  before: ReadonlyMap<number, number>,
  log: readonly Heard[],
  capo: number,
): ReadonlyMap<number, number> {
  const heard = new Map(before);
  for (const { event } of log)
    if (event.type === 'reading')
      heard.set(event.reading.course, shiftHz(event.reading.hz, -100 * capo));
  return heard;
}

interface Planned {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly coupling: Coupling;
  readonly a4: number;
  readonly tolerance: number;
  readonly heard: ReadonlyMap<number, number>;
}

function planNow({ instrument, stock, coupling, a4, tolerance, heard }: Planned): BenchPlan | null {
  const target = findTuning(instrument.tuningId, stock.tunings);
  const home = homeTuning(instrument, stock.tunings);
  if (!target || !home) return null;
  const homeTargets = targetsOf(home, a4);
  const strings = planStrings({
    instrument,
    home,
    target,
    a4,
    nowHz: (c) => heard.get(c) ?? homeTargets[c - 1]?.hz ?? a4,
  });
  const { steps } = planRetune(strings, stock.settings.planOrder, tolerance, {
    bridge: instrument.bridge,
    coupling,
  });
  if (!steps.some((step) => Math.abs(step.cents) > RETUNING)) return null;
  return {
    toGo: steps.filter((step) => Math.abs(step.cents) > TO_GO).map((step) => step.course),
    referencesOf: (course) => steps.find((step) => step.course === course)?.references ?? null,
  };
}
