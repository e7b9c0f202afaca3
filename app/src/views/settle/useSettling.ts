import {
  type SettleAsked,
  type SettleInput,
  type SettleTalk,
  settleTalk,
  startSettleTalk,
} from '@rosefinch/core/dialogue';
import { knowledgeOf } from '@rosefinch/core/listen';
import type { Text } from '@rosefinch/core/message';
import type { Target } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import {
  type RoomMove,
  roomMove,
  type SettlingGoal,
  type SettlingReport,
  type SettlingStep,
  type StringHistory,
  settlingStep,
  type Taken,
} from '@rosefinch/core/settling';
import type { BenchState } from '@rosefinch/core/sitting';
import { setupFor } from '@rosefinch/core/state';
import type { Instrument } from '@rosefinch/core/strings';
import type { EpochMs, Seconds } from '@rosefinch/core/units';
import { useMemo } from 'react';
import type { Stock } from '../../data/index.ts';
import {
  type Dialogue,
  keepersOf,
  knownReadings,
  type Listening,
  type Sitting,
  useDialogue,
  useListening,
} from '../../parts/listening/index.ts';
import { useCoupling } from '../../parts/neck/index.ts';
import { practiceStart } from './practice.ts';
import { settlingString } from './settlingStrings.ts';
import { useKeptLooks } from './useKeptLooks.ts';
import { useLesson } from './useLesson.ts';
import { useReport } from './useReport.ts';
import { useSettlingSitting } from './useSettlingSitting.ts';
import { useTaken } from './useTaken.ts';
import { useTick } from './useTick.ts';

/** Everything the settle view shows and does. */
export interface Settling extends Dialogue<SettleTalk, SettleInput> {
  readonly listening: Listening;
  readonly sitting: Sitting;
  readonly targets: readonly Target[];
  /** New strings, in the order in which they are tuned. */
  readonly fresh: readonly StringHistory[];
  /** What a lesson asks of the strings. */
  readonly goal: SettlingGoal;
  readonly report: SettlingReport | null;
  /** The one thing to do now. */
  readonly step: SettlingStep;
  readonly problem: Text | null;
  readonly roomMove: RoomMove | null;
  /** The oldest reading that the sound alone does not explain. */
  readonly question: Taken | null;
  /** The string that was read last or is chosen. */
  readonly active: number | null;
  /** The string that is worked on: chosen, or asked for. */
  readonly course: number;
  /** The newest reading of the string that was read last. */
  readonly last: Taken | null;
  readonly now: () => EpochMs;
  /** On the practice instrument: lets so much time go by. */
  readonly elapse: (seconds: Seconds) => void;
}

/** The string that a step is about. */
function askedFor(step: SettlingStep): number | null {
  return 'course' in step ? step.course : null;
}

/** What a step tells to do with its string, for the reading that follows. */
function toldIn(step: SettlingStep): SettleAsked['told'] {
  if (step.step === 'pull') return { course: step.course, to: 'pull' };
  const isLeft = step.step === 'watch' || (step.step === 'pluck' && step.read);
  return isLeft ? { course: step.course, to: 'leave' } : null;
}

const TICK_MS = 20_000;

/** Joins ear, session, conversation and fits for the new strings of one instrument. */
export function useSettling(
  instrument: Instrument,
  stock: Stock,
  restringing: Restringing,
): Settling {
  const { settings } = stock;
  const { matrix } = useCoupling(instrument, stock);
  const open = useSettlingSitting(instrument, stock, restringing);
  const { sitting, source, targets, now, skipTime } = open;
  const { state, log, latest } = sitting;
  const { taken, fresh, old } = useTaken(restringing, { log, state, targets, matrix });
  const { goal, rules, day } = useLesson(restringing, state.goal.tolerance);
  const { report, problem } = useReport(fresh, goal, day);
  useKeptLooks(restringing, source.practice ? null : report);
  const strings = useMemo(() => knowledgeOf(targets, knownReadings(log)), [targets, log]);
  const followed = useFollowed(instrument, targets, restringing);
  const { active } = state;
  const { time, lookAgain } = useTick(now, TICK_MS);
  const step = useMemo(() => {
    const known = fresh.map((history) => settlingString(history, report, targets, instrument));
    return settlingStep(known, active, rules, { now: time, look: report?.looks[0]?.at ?? null });
  }, [fresh, report, targets, instrument, active, rules, time]);
  const course = state.chosen ?? askedFor(step) ?? active ?? fresh[0]?.course ?? 1;
  const last = active === null ? null : (taken.get(active)?.at(-1) ?? null);
  const listening = useListening<SettleAsked>({
    settings,
    strings,
    asked: { chosen: state.chosen, inHand: askedFor(step), told: toldIn(step) },
    intended: ({ chosen }) => chosen,
    turns: true,
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
      return { state: known.state, targets, followed: followed(known.state), course, last };
    },
    perform: (effect) => {
      if (effect.do === 'record') sitting.record(effect.event, effect.measurement);
      else if (effect.do === 'sound') listening.sound(effect.hz);
      else listening.live.leave();
    },
  });
  const elapse = (seconds: Seconds) => {
    listening.hands?.elapse(seconds);
    skipTime(seconds);
    lookAgain();
  };
  const moved = useMemo(() => roomMove(fresh, old), [fresh, old]);
  const question = fresh.flatMap(({ taken }) => taken.filter(({ doubt }) => doubt))[0] ?? null;
  const base = {
    listening,
    sitting,
    targets,
    fresh,
    goal,
    report,
    step,
    problem,
    active,
    course,
    last,
  };
  return { ...dialogue, ...base, roomMove: moved, question, now, elapse };
}

/** What the log of the new strings tells of all of them together; they may be anywhere below their notes. */
function useFollowed(instrument: Instrument, targets: readonly Target[], { strings }: Restringing) {
  return useMemo(() => {
    const none = targets.map(() => null);
    const fresh = strings.map(({ course }) => course);
    const keepers = keepersOf((goal) =>
      setupFor({ instrument, targets, before: none, tunings: [], goal, fresh }),
    );
    return ({ goal, history }: BenchState) => keepers(goal).of(history);
  }, [instrument, targets, strings]);
}
