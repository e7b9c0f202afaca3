import { type Advice, hearPluck, refusalAdvice } from '@rosefinch/core/coach';
import { knowledgeOf } from '@rosefinch/core/listen';
import { findTuning, type Target, targetsOf } from '@rosefinch/core/music';
import { type Restringing, type SourceKind, tellsOfInstrument } from '@rosefinch/core/records';
import {
  historyOf,
  type RoomMove,
  roomMove,
  type SettlingReport,
  type Step,
  type StringHistory,
  stepsOf,
  type Taken,
  withNeck,
} from '@rosefinch/core/settling';
import type { Instrument } from '@rosefinch/core/strings';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { AnalysisReport } from '../../audio/index.ts';
import { type Stock, useData, useLive } from '../../data/index.ts';
import { newSeed, now as timeOfDay } from '../../environment.ts';
import {
  knownReadings,
  type Listening,
  type Sitting,
  useListening,
  useSitting,
} from '../listening/index.ts';
import { useCoupling } from '../neck/index.ts';
import { looksOf, saidOf } from './looks.ts';
import { practiceStart } from './practice.ts';
import { useReport } from './useReport.ts';

/** Everything the settle view shows and does. */
export interface Settling {
  readonly listening: Listening;
  readonly sitting: Sitting;
  readonly targets: readonly Target[];
  /** New strings, in the order in which they are tuned. */
  readonly fresh: readonly StringHistory[];
  readonly report: SettlingReport | null;
  readonly problem: string | null;
  /** What the last pluck came to when it was no reading. */
  readonly notice: Advice | null;
  readonly roomMove: RoomMove | null;
  /** The string that was read last or is chosen. */
  readonly active: number | null;
  /** The newest reading of that string. */
  readonly last: Taken | null;
  readonly now: () => number;
  /** Says what a reading was. */
  readonly say: (reading: Taken, step: Step, elapsed?: number) => void;
  /** On the practice instrument: lets so many seconds go by. */
  readonly elapse: (seconds: number) => void;
}

/** Joins ear, sitting and fits for the new strings of one instrument. */
export function useSettling(
  instrument: Instrument,
  stock: Stock,
  restringing: Restringing,
): Settling {
  const { repository } = useData();
  const { settings } = stock;
  const coupling = useCoupling(instrument, stock);
  const tuning = findTuning(instrument.tuningId, stock.tunings);
  const source = useRef<SourceKind>('practice');
  const ahead = useRef(0);
  // Kept a moment later: time that was let go by since must not come back.
  ahead.current = Math.max(ahead.current, restringing.practiceAheadMs ?? 0);
  const [now] = useState(() => () => timeOfDay() + ahead.current);
  const { shelf } = useData();
  const [listened, setListened] = useState<SourceKind>(
    shelf === 'demo' ? 'practice' : 'microphone',
  );
  const practice = !tellsOfInstrument({ source: listened }, shelf === 'demo');
  const [seed] = useState(newSeed);
  const { tuningId } = instrument;
  const place = useMemo(
    () => ({
      instrumentId: instrument.id,
      tuningId,
      capo: 0,
      courses: tuning?.courses.length ?? 0,
      source: () => source.current,
      // Practice on a real instrument's strings has a sitting of its own.
      settling: practice ? `${restringing.id}-practice` : restringing.id,
      practice,
      seed,
      now,
    }),
    [instrument.id, tuningId, tuning, restringing.id, now, practice, seed],
  );
  const sitting = useSitting(place, settings);
  const { log, state } = sitting;
  const a4 = sitting.session?.a4 ?? settings.a4;
  const targets = useMemo(() => (tuning ? targetsOf(tuning, a4) : []), [tuning, a4]);
  const strings = useMemo(() => knowledgeOf(targets, knownReadings(log)), [targets, log]);
  const since = restringing.fittedAt;
  const sittings = useLive(
    (r) => r.sittingsSince(instrument.id, since),
    `${instrument.id} ${since}`,
  );
  const { tolerance } = state.goal;
  const taken = useMemo(() => {
    const others = (sittings ?? []).filter(({ session }) => session.work !== 'settling');
    const steps = stepsOf(looksOf(log, others, since, targets), saidOf(log), tolerance);
    return withNeck(steps, coupling.matrix);
  }, [sittings, log, since, targets, tolerance, coupling]);
  const { fresh, old } = useMemo(() => {
    const isNew = (course: number) => restringing.strings.some((s) => s.course === course);
    const all = state.goal.order.map((c) => historyOf(c, since, taken.get(c) ?? []));
    return {
      fresh: all.filter(({ course }) => isNew(course)),
      old: all.filter(({ course }) => !isNew(course)),
    };
  }, [restringing.strings, state.goal.order, since, taken]);
  const goal = { tolerance, lesson: 60 * restringing.lessonMinutes };
  const { report, problem } = useReport(fresh, goal, restringing, coupling.matrix, now);
  useKeptLooks(restringing, practice ? null : report);
  const [notice, setNotice] = useState<Advice | null>(null);

  const hear = (heard: AnalysisReport, asked: { readonly chosen: number | null }) => {
    if (heard.type !== 'outcome') return;
    const { outcome, track } = heard;
    if (outcome.kind !== 'reading') return setNotice(refusalAdvice(outcome, targets));
    const { state: present, log: heardSoFar } = sitting.latest();
    const put = hearPluck(outcome, {
      state: present,
      intended: asked.chosen,
      strings: knowledgeOf(targets, knownReadings(heardSoFar)),
      heard: [],
      coupling: null,
    });
    if ('course' in put) {
      setNotice(null);
      return sitting.record({ type: 'reading', reading: put }, { reading: outcome, track });
    }
    setNotice(
      put.kind === 'doubt'
        ? {
            say: `String ${put.courses.join(' or ')}? Choose it by its number, then pluck again.`,
            more: 'They lie too close together to be told apart.',
          }
        : refusalAdvice({ kind: 'not sure', reason: 'no pitch' }),
    );
  };
  const listening = useListening({
    settings,
    strings,
    asked: { chosen: state.chosen },
    intended: ({ chosen }) => chosen,
    practice: async () =>
      practiceStart(instrument, targets, restringing, taken, {
        now: now(),
        seed: sitting.latest().session?.practiceSeed ?? seed,
      }),
    hear,
  });
  if (listening.source) source.current = listening.source;
  useEffect(() => {
    if (listening.source) setListened(listening.source);
  }, [listening.source]);

  const { active } = state;
  return {
    listening,
    sitting,
    targets,
    fresh,
    report,
    problem,
    notice,
    roomMove: useMemo(() => roomMove(fresh, old), [fresh, old]),
    active,
    last: active === null ? null : (taken.get(active)?.at(-1) ?? null),
    now,
    say: ({ course, at }, step, elapsed) =>
      sitting.record({
        type: 'said',
        course,
        of: at,
        step,
        ...(elapsed !== undefined && { elapsed }),
      }),
    elapse: (seconds) => {
      listening.hands?.elapse(seconds);
      ahead.current += 1000 * seconds;
      void repository.changeRestringing(restringing.id, { practiceAheadMs: ahead.current });
    },
  };
}

/**
 * Keeps the looks that the report names, for the shelf: anew with every reading and every word
 * on one, never by time alone. With them stands the newest reading that they know of.
 */
function useKeptLooks(restringing: Restringing, report: SettlingReport | null): void {
  const { repository } = useData();
  const kept = useRef<string | null>(null);
  const { id, looksFrom } = restringing;
  useEffect(() => {
    if (!report) return;
    const taken = report.strings.flatMap(({ history }) => history.taken);
    const newest = Math.max(...taken.map(({ at }) => at));
    const heard = JSON.stringify(taken.map(({ at, step }) => [at, step]));
    const known = kept.current === null ? newest === looksFrom : kept.current === heard;
    kept.current = heard;
    if (known || taken.length === 0) return;
    const looks = report.looks.map(({ at }) => Math.round(at));
    void repository.changeRestringing(id, { looks, looksFrom: newest });
  }, [repository, id, looksFrom, report]);
}
