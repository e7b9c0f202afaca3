import type { BenchWorld } from '@rosefinch/core/dialogue';
import { type Tuning, tuningsFor } from '@rosefinch/core/music';
import type { Way } from '@rosefinch/core/retune';
import { type BenchState, cameFrom, type LastPitches, stringsNow } from '@rosefinch/core/sitting';
import { type Fitted, type ReadAt, setupFor } from '@rosefinch/core/state';
import { type Coupling, type Instrument, withCapo } from '@rosefinch/core/strings';
import { type RefObject, useMemo } from 'react';
import type { Settings } from '../../data/index.ts';
import { type Heard, type Known, keepersOf, knownReadings } from '../../parts/listening/index.ts';
import type { BenchSitting } from './useBenchSitting.ts';

interface Sources {
  readonly instrument: Instrument;
  readonly open: BenchSitting;
  readonly last: LastPitches | undefined;
  readonly fitted: readonly (Fitted | null)[];
  readonly coupling: Coupling;
  readonly way: Way | null;
  readonly settings: Settings;
  readonly tunings: readonly Tuning[];
  readonly listens: RefObject<boolean>;
}

const NOTHING_HEARD: LastPitches = new Map();

/** What is true at the bench at the moment when it is asked; worked out once for every change. */
export function useBenchWorld(sources: Sources): () => BenchWorld {
  const {
    instrument,
    open,
    last = NOTHING_HEARD,
    fitted,
    coupling,
    way,
    settings,
    tunings,
    listens,
  } = sources;
  const { sitting, tuning, targets, a4, capo, source } = open;
  const { latest, log } = sitting;
  const { practice } = source;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the log that is drawn tells that it has changed
  return useMemo(() => {
    const before = targets.map((target) => cameFrom(target, last, capo));
    const keeperOf = keepersOf((goal) => {
      const fits = tuning ? tuningsFor(tuning.kind, targets.length, tunings) : [];
      return setupFor({ instrument: withCapo(instrument), targets, before, tunings: fits, goal });
    });
    let built: { readonly of: Known; readonly world: BenchWorld } | null = null;
    const build = ({ state, log: heardLog }: Known): BenchWorld => ({
      state,
      heard: heardLog.flatMap(readingIn),
      tuning: tuning ?? null,
      targets,
      strings: stringsNow(targets, knownReadings(heardLog), last, capo),
      followed: keeperOf(state.goal).of(state.history),
      before,
      fitted,
      coupling,
      aiming: settings.aiming,
      instrument: withCapo(instrument),
      a4,
      practice,
      listening: listens.current,
      planned: plannedNext(way, state),
      retuning: way?.far ?? false,
      bold: settings.moves === 'oneBold',
    });
    return () => {
      const now = latest();
      if (built?.of !== now || built.world.listening !== listens.current)
        built = { of: now, world: build(now) };
      return built.world;
    };
  }, [
    log,
    latest,
    instrument,
    tuning,
    targets,
    last,
    fitted,
    capo,
    coupling,
    settings,
    a4,
    practice,
    way,
    tunings,
  ]);
}

/** A reading of the log with its moment. */
export function readingIn({ event }: Heard): ReadAt[] {
  return event.type === 'reading' ? [{ ...event.reading, at: event.at }] : [];
}

/** The string that a plan takes next, beside the one in hand; undefined without a plan. */
export function plannedNext(way: Way | null, { active }: BenchState): number | undefined {
  return way?.next.find((course) => course !== active);
}
