import {
  askedAtBench,
  type BenchAsked,
  type BenchEffect,
  type BenchInput,
  type BenchTalk,
  type BenchWorld,
  benchTalk,
  checkInHand,
  courseInHand,
  soundsOf,
  startBenchTalk,
  strumTunings,
  windingRound,
} from '@rosefinch/core/dialogue';
import { problemOf } from '@rosefinch/core/errors';
import type { CrossCheck } from '@rosefinch/core/fretboard';
import { message, type Text } from '@rosefinch/core/message';
import { targetsOf } from '@rosefinch/core/music';
import { practiceDetune } from '@rosefinch/core/practice';
import type { Way } from '@rosefinch/core/retune';
import { sayingInWords } from '@rosefinch/core/sentences';
import { pitchesBefore } from '@rosefinch/core/sitting';
import { type Instrument, withCapo } from '@rosefinch/core/strings';
import type { Hz } from '@rosefinch/core/units';
import { useCallback, useMemo, useRef, useState } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import { useNotices } from '../../parts/frame/index.ts';
import {
  type Dialogue,
  type Listening,
  useDialogue,
  useListening,
  type Wanted,
} from '../../parts/listening/index.ts';
import { useCoupling } from '../../parts/neck/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { AnalysisReport } from '../../sound/index.ts';
import { useAfresh } from './useAfresh.ts';
import { type BenchRound, useBenchRound, useInRound, useOthersOfRound } from './useBenchRound.ts';
import { type BenchSitting, useBenchSitting } from './useBenchSitting.ts';
import { plannedNext, useBenchWorld } from './useBenchWorld.ts';
import { useFirstPluck } from './useFirstPluck.ts';
import { useFitted } from './useFitted.ts';
import { useLastPitches } from './useLastPitches.ts';
import { useWay } from './useWay.ts';

/** Samples a second of the practice instrument. */
const PRACTICE_RATE: Hz = 48_000;

/** Everything the bench view shows and does. */
export interface Bench extends BenchSitting, Dialogue<BenchTalk, BenchInput> {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly listening: Listening;
  readonly world: BenchWorld;
  readonly way: Way | null;
  /** The string that is worked on. */
  readonly course: number;
  /** The comparison with another string that it allows. */
  readonly check: CrossCheck | null;
  /** What was found of a peg and could not be stored. */
  readonly problem: Text | null;
  /** Its place in the round that is going on; null where it is in none. */
  readonly round: BenchRound | null;
}

/** Joins ear, session and conversation for one instrument. */
export function useBench(instrument: Instrument, stock: Stock): Bench {
  const { settings } = stock;
  const coupling = useCoupling(instrument, stock);
  const open = useBenchSitting(instrument, stock);
  const { sitting } = open;
  const heardLast = useLastPitches(instrument);
  const { home, a4, capo, tuning } = open;
  const last = useMemo(
    () => heardLast && (home ? pitchesBefore(heardLast, targetsOf(home, a4)) : heardLast),
    [heardLast, home, a4],
  );
  const fitted = useFitted(instrument, open.source.practice);
  const way = useWay(instrument, open, last, { coupling, fitted, settings });
  const listens = useRef(false);
  const { tunings } = stock;
  const world = useBenchWorld({
    ...{ instrument, open, last, fitted, coupling, way, settings, tunings, listens },
  });
  const perform = useRef((_: BenchEffect) => {});
  const { talk, send } = useDialogue({
    start: startBenchTalk,
    machine: benchTalk,
    world,
    perform: (effect: BenchEffect) => perform.current(effect),
  });
  const practice = usePracticeStart(instrument, open);
  const inRound = useInRound(instrument, open.source.practice);
  const others = useOthersOfRound(inRound, instrument, stock);
  const listening = useListening<BenchAsked>({
    settings,
    strings: useMemo(() => world().strings, [world]),
    tunings: useMemo(
      () =>
        tuning
          ? // Those of the round come first: where two sets sound alike the name of one that waits tells more.
            [...others, ...strumTunings(instrument, tuning, stock.tunings, { a4, capo })]
          : others,
      [instrument, tuning, stock.tunings, a4, capo, others],
    ),
    asked: askedAtBench(talk, sitting.state, plannedNext(way, sitting.state)),
    intended: ({ chosen }) => chosen,
    courseOf: (hz, asked) => soundsOf(hz, asked, world().followed),
    turns: true,
    practice,
    heardFrom: open.source.heardFrom,
    ready: open.sitting.loaded,
    hear: (report, asked) => {
      if (isOfStrings(report)) send({ type: 'heard', heard: report, asked });
    },
  });
  listens.current = listening.source !== null;
  useFirstPluck(open, listening);
  const spoken = settings.spokenArrival;
  const { effects, problem } = useEffects(instrument, open, { listening, spoken, send });
  perform.current = effects;
  const now = world();
  const course = windingRound(talk.led)?.toCome[0] ?? courseInHand(sitting.state, now.planned);
  const check = useMemo(() => checkInHand(now), [now]);
  const round = useBenchRound({ inRound, others, instrument, stock, open, listening, talk });
  const listen = (kind: Wanted) => {
    send({ type: 'listen' });
    listening.listen(kind);
  };
  return {
    ...open,
    instrument,
    stock,
    talk,
    send,
    listening: { ...listening, listen },
    world: now,
    way,
    course,
    check,
    problem,
    round,
  };
}

type OfStrings = Extract<BenchInput, { type: 'heard' }>['heard'];

function isOfStrings(report: AnalysisReport): report is Extract<AnalysisReport, OfStrings> {
  return ['onset', 'track', 'outcome', 'released', 'strum', 'pair', 'wound'].includes(report.type);
}

/** How the practice instrument is set up when it is chosen. */
function usePracticeStart(instrument: Instrument, open: BenchSitting) {
  const { repository } = useData();
  return async () => {
    const { targets, a4, capo, home, sitting, source } = open;
    const last = await repository.lastPitches(instrument);
    return {
      instrument: withCapo(instrument),
      targetsHz: targets.map((target) => target.hz),
      detuneCents: practiceDetune(home, targets, { a4, capo, last }),
      seed: sitting.latest().session?.practiceSeed ?? source.seed,
      sampleRate: PRACTICE_RATE,
    };
  };
}

interface Means {
  readonly listening: Listening;
  readonly spoken: boolean;
  readonly send: (input: BenchInput) => void;
}

/** Does in the world what the conversation asks for. */
function useEffects(
  instrument: Instrument,
  { sitting }: BenchSitting,
  { listening, spoken, send }: Means,
) {
  const { repository } = useData();
  const t = useWords();
  const [problem, setProblem] = useState<Text | null>(null);
  const afresh = useAfresh(sitting);
  const notices = useNotices();
  const effects = useCallback(
    (effect: BenchEffect) => {
      switch (effect.do) {
        case 'record':
          return sitting.record(effect.event, effect.measurement);
        case 'tell correction': {
          const { hz, from, to } = effect;
          const back = () => send({ type: 'attribute', hz, course: from });
          return void notices.undoable(message('bench.corrected', { from, to }), back);
        }
        case 'save peg': {
          const failed = (error: Error) =>
            setProblem(message('common.problem', { reason: problemOf(error) }));
          return void repository.savePeg(instrument.id, effect.course, effect.peg).catch(failed);
        }
        case 'expect pair':
          return listening.expectPair(effect.hz);
        case 'expect strum':
          return listening.expectStrum(effect.expected);
        case 'follow winding':
          return listening.followWinding(effect.string, effect.inSession);
        case 'say':
          return spoken && listening.say(t(sayingInWords(effect.saying).say), effect.right);
        case 'sound':
          return listening.sound(effect.hz);
        case 'stop showing note':
          return listening.live.leave();
        case 'start afresh':
          return afresh(effect.undoable);
        case 'save A4': {
          const failed = (error: Error) => notices.say({ message: problemOf(error) });
          return void repository.saveSettings({ a4: effect.a4 }).catch(failed);
        }
      }
    },
    [sitting, repository, instrument.id, listening, spoken, send, afresh, notices, t],
  );
  return { effects, problem };
}
