import {
  type FretInput,
  type FretTalk,
  fretAsked,
  fretStrings,
  fretTalk,
  startFretTalk,
} from '@rosefinch/core/dialogue';
import { type FretAsked, type Judgement, judgementOf, type Neck } from '@rosefinch/core/intonation';
import type { Text } from '@rosefinch/core/message';
import type { Target } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { tellsOfInstrument } from '@rosefinch/core/sitting';
import { type Instrument, startFret, withCapo } from '@rosefinch/core/strings';
import { useEffect, useMemo } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import { now } from '../../environment.ts';
import {
  type Dialogue,
  type Listening,
  useDialogue,
  useListening,
  useSource,
} from '../../parts/listening/index.ts';
import { checkTargets, neckUnder } from './judged.ts';
import { type BridgePlace, practiceStart } from './practice.ts';
import { useKeptCheck } from './useKeptCheck.ts';

/** Everything the fret check shows and does. */
export interface FretChecking extends Dialogue<FretTalk, FretInput> {
  readonly listening: Listening;
  readonly targets: readonly Target[];
  readonly asked: FretAsked | null;
  /** What the readings come to. */
  readonly judgement: Judgement;
  readonly problem: Text | null;
  /** All of it is on the disk. */
  readonly stored: boolean;
  /** On the practice instrument: sounds what is asked for. */
  readonly pluck: () => void;
}

/** Leads through a fret check: the sequence says what is sounded, the pitch whether it was. */
export function useFretCheck(
  instrument: Instrument,
  stock: Stock,
  kept: FretCheck,
  bridge: BridgePlace,
): FretChecking {
  const { shelf } = useData();
  const source = useSource(kept.source);
  const targets = useTargets(kept, stock);
  const neck = useNeck(instrument, kept, targets);
  const { change, stored, problem } = useKeptCheck(kept.id);
  const { talk, send } = useDialogue({
    start: () => startFretTalk(kept),
    machine: fretTalk,
    world: () => ({
      targets,
      neck,
      now: now(),
      source: source.latest(),
      tells: (kind) => tellsOfInstrument({ source: kind }, shelf === 'demo'),
    }),
    perform: (effect) => change(effect.change),
  });
  const { check } = talk;
  // What another tab has read; not while something of ours is on its way there.
  useEffect(() => {
    if (stored) send({ type: 'kept', check: kept });
  }, [kept, stored, send]);
  const asked = fretAsked(talk, neck);
  const listening = useListening<FretAsked | null>({
    settings: stock.settings,
    strings: useFretStrings(targets, asked),
    asked,
    intended: (wanted) => (wanted ? wanted.course : null),
    heardFrom: source.heardFrom,
    practice: async () => {
      const sounding = withCapo({ ...instrument, capo: check.capo ?? 0 });
      return practiceStart(sounding, targets, bridge, check.practiceSeed ?? source.seed);
    },
    hear: (report, wanted) => {
      if (report.type === 'outcome') send({ type: 'heard', heard: report, asked: wanted });
    },
  });
  const judgement = judgementOf(neck, check);
  const pluck = () => soundAsked(listening, instrument, asked);
  return { talk, send, listening, targets, asked, judgement, problem, stored, pluck };
}

function useTargets({ tuningId, a4, capo }: FretCheck, { tunings }: Stock): readonly Target[] {
  return useMemo(
    () => checkTargets({ tuningId, a4, ...(capo !== undefined && { capo }) }, tunings),
    [tuningId, a4, capo, tunings],
  );
}

/** The neck that a check looks at, by what it is made of: an instrument that was only renamed is the same. */
function useNeck(instrument: Instrument, check: FretCheck, targets: readonly Target[]): Neck {
  const { courses, capo = 0 } = check;
  const made = JSON.stringify([instrument.kind, instrument.scaleMm, instrument.courses, courses]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: by what it is made of
  return useMemo(() => neckUnder(instrument, check, targets), [made, targets, capo]);
}

function useFretStrings(targets: readonly Target[], asked: FretAsked | null) {
  const question = JSON.stringify(asked);
  // biome-ignore lint/correctness/useExhaustiveDependencies: by what is asked, not by its identity
  return useMemo(() => fretStrings(targets, asked), [targets, question]);
}

const STRENGTH = 0.55;

function soundAsked({ hands }: Listening, instrument: Instrument, asked: FretAsked | null): void {
  if (!hands || !asked) return;
  const { course, place } = asked;
  const nut = startFret(instrument, course);
  if (place.kind === 'open') hands.pluck(course, STRENGTH);
  else if (place.kind === 'harmonic') hands.fretted(course, nut + 12, null);
  else hands.fretted(course, nut + place.fret, place.pressure, place.capo);
}
