import {
  type SettleAsked,
  type SettleInput,
  type SettleTalk,
  settleTalk,
  startSettleTalk,
} from '@rosefinch/core/dialogue';
import { knowledgeOf } from '@rosefinch/core/listen';
import type { Target } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import {
  type RoomMove,
  roomMove,
  type SettlingReport,
  type StringHistory,
  type Taken,
} from '@rosefinch/core/settling';
import type { Instrument } from '@rosefinch/core/strings';
import type { EpochMs, Seconds } from '@rosefinch/core/units';
import { useMemo } from 'react';
import type { Stock } from '../../data/index.ts';
import {
  type Dialogue,
  knownReadings,
  type Listening,
  type Sitting,
  useDialogue,
  useListening,
} from '../../parts/listening/index.ts';
import { useCoupling } from '../../parts/neck/index.ts';
import { practiceStart } from './practice.ts';
import { useKeptLooks } from './useKeptLooks.ts';
import { useReport } from './useReport.ts';
import { useSettlingSitting } from './useSettlingSitting.ts';
import { useTaken } from './useTaken.ts';

/** Everything the settle view shows and does. */
export interface Settling extends Dialogue<SettleTalk, SettleInput> {
  readonly listening: Listening;
  readonly sitting: Sitting;
  readonly targets: readonly Target[];
  /** New strings, in the order in which they are tuned. */
  readonly fresh: readonly StringHistory[];
  readonly report: SettlingReport | null;
  readonly problem: string | null;
  readonly roomMove: RoomMove | null;
  /** The oldest reading that the sound alone does not explain. */
  readonly question: Taken | null;
  /** The string that was read last or is chosen. */
  readonly active: number | null;
  /** The string that is worked on. */
  readonly course: number;
  /** The newest reading of the string that was read last. */
  readonly last: Taken | null;
  readonly now: () => EpochMs;
  /** On the practice instrument: lets so much time go by. */
  readonly elapse: (seconds: Seconds) => void;
}

/** Joins ear, sitting, conversation and fits for the new strings of one instrument. */
export function useSettling(
  instrument: Instrument,
  stock: Stock,
  restringing: Restringing,
): Settling {
  const { settings } = stock;
  const { matrix } = useCoupling(instrument, stock);
  const open = useSettlingSitting(instrument, stock, restringing);
  const { sitting, source, targets, now, letGoBy } = open;
  const { state, log, latest } = sitting;
  const { taken, fresh, old } = useTaken(restringing, { log, state, targets, matrix });
  const goal = { tolerance: state.goal.tolerance, lesson: 60 * restringing.lessonMinutes };
  const { report, problem } = useReport(fresh, goal, restringing, matrix, now);
  useKeptLooks(restringing, source.practice ? null : report);
  const strings = useMemo(() => knowledgeOf(targets, knownReadings(log)), [targets, log]);
  const { active } = state;
  const course = active ?? fresh[0]?.course ?? 1;
  const last = active === null ? null : (taken.get(active)?.at(-1) ?? null);
  const listening = useListening<SettleAsked>({
    settings,
    strings,
    asked: { chosen: state.chosen },
    intended: ({ chosen }) => chosen,
    heardFrom: source.heardFrom,
    ready: sitting.loaded,
    practice: async () =>
      practiceStart(instrument, targets, restringing, taken, {
        now: now(),
        seed: latest().session?.practiceSeed ?? source.seed,
      }),
    hear: (report, asked) => {
      if (report.type === 'outcome') dialogue.send({ type: 'heard', heard: report, asked });
    },
  });
  const dialogue: Dialogue<SettleTalk, SettleInput> = useDialogue({
    start: startSettleTalk,
    machine: settleTalk,
    world: () => {
      const known = latest();
      const heard = knowledgeOf(targets, knownReadings(known.log));
      return { state: known.state, targets, strings: heard, course, last };
    },
    perform: (effect) => {
      if (effect.do === 'record') sitting.record(effect.event, effect.measurement);
      else if (effect.do === 'sound') listening.sound(effect.hz);
      else listening.live.leave();
    },
  });
  const elapse = (seconds: Seconds) => {
    listening.hands?.elapse(seconds);
    letGoBy(seconds);
  };
  const moved = useMemo(() => roomMove(fresh, old), [fresh, old]);
  const question = fresh.flatMap(({ taken }) => taken.filter(({ doubt }) => doubt))[0] ?? null;
  const base = { listening, sitting, targets, fresh, report, problem, active, course, last };
  return { ...dialogue, ...base, roomMove: moved, question, now, elapse };
}
