import type { BenchEvent } from '@rosefinch/core/coach';
import { type HeardPluck, hearPluck, ringingOf } from '@rosefinch/core/coach';
import type { BeatOutcome, Refusal, StringKnowledge } from '@rosefinch/core/listen';
import { knowledgeOf } from '@rosefinch/core/listen';
import type { Target } from '@rosefinch/core/music';
import { centsBetween, findTuning, shiftHz, type Tuning, targetsOf } from '@rosefinch/core/music';
import type { SourceKind } from '@rosefinch/core/records';
import { type Coupling, homeTuning, type Instrument, withCapo } from '@rosefinch/core/strings';
import { useMemo, useRef, useState } from 'react';
import type { AnalysisReport, PracticeHands } from '../../audio/index.ts';
import { type Stock, useData } from '../../data/index.ts';
import {
  knownReadings,
  type Listening,
  type Sitting,
  useListening,
  useSitting,
} from '../listening/index.ts';
import { useLastPitches } from './useLastPitches.ts';

const PRACTICE_RATE = 48_000;
/** A first visit: the practice guitar sounds its first string by itself, this long after opening. */
const FIRST_PLUCK_MS = 700;
/** The coach looks back so far. */
const MOST_PLUCKS = 200;
/** Practice strings start this far out, course 1 first and round again, in cents. */
const PRACTICE_DETUNE = [-31, -12, -38, 11, -9.5, -23];
/** A string last heard further out than this starts there: it comes from another tuning. */
const FROM_ANOTHER_TUNING = 60;

type Outcome = Extract<AnalysisReport, { type: 'outcome' }>;

/** What the last pluck came to when it was no reading. */
type Notice =
  | { readonly kind: 'refused'; readonly refusal: Refusal }
  | { readonly kind: 'doubt'; readonly courses: readonly number[] };

/** Everything the bench view shows and does. */
export interface Bench extends Omit<Listening, 'sound'> {
  readonly session: Sitting;
  readonly targets: readonly Target[];
  /** The reference pitch of this sitting, in Hz. */
  readonly a4: number;
  /** Fret of the capo; 0 without. */
  readonly capo: number;
  readonly notice: Notice | null;
  /** What was heard since the page was opened, for the coach. */
  readonly plucks: readonly HeardPluck[];
  /** The teacher has decided something since the last pluck: what it showed is answered. */
  readonly answered: boolean;
  /** Puts what the teacher decides on record. */
  readonly act: (event: BenchEvent) => void;
  /** Sounds the target of a course. */
  readonly hearTarget: (course: number) => void;
  /** A fork, a piano, a friend's string: waited for, or heard at so many Hz; null when nobody asked. */
  readonly reference: 'waiting' | number | null;
  readonly setReference: (reference: 'waiting' | null) => void;
  /** Two strings sounded together: waited for, or how they beat; null when nobody asked. */
  readonly pair: 'waiting' | BeatOutcome | null;
}

/** Joins the ear, the session and the state machine for one instrument. */
export function useBench(
  instrument: Instrument,
  { settings, tunings }: Stock,
  coupling: Coupling,
): Bench {
  const tuning = findTuning(instrument.tuningId, tunings);
  const home = homeTuning(instrument, tunings);
  const { capo = 0 } = instrument;
  // A sitting is put down to what was listened to last.
  const sourceOfSitting = useRef<SourceKind>('practice');
  const place = useMemo(
    () => ({
      instrumentId: instrument.id,
      tuningId: instrument.tuningId,
      capo,
      courses: tuning?.courses.length ?? 0,
      source: () => sourceOfSitting.current,
    }),
    [instrument, capo, tuning],
  );
  const session = useSitting(place, settings);
  // A sitting keeps the reference it began with: its readings are measured against that.
  const a4 = session.session?.a4 ?? settings.a4;
  const targets = useMemo(() => (tuning ? targetsOf(tuning, a4, capo) : []), [tuning, a4, capo]);
  const strings = useMemo(
    () => knowledgeOf(targets, knownReadings(session.log)),
    [targets, session.log],
  );
  const last = useLastPitches(instrument);
  // Strings that come from another tuning will be turned: that much is known of them unheard.
  const farOff = targets.map(({ course, hz }) => {
    const open = last?.get(course);
    const cents = open === undefined ? 0 : centsBetween(hz, shiftHz(open, 100 * capo));
    return Math.abs(cents) > FROM_ANOTHER_TUNING ? cents : null;
  });
  const [plucks, setPlucks] = useState<readonly HeardPluck[]>([]);
  const [answered, setAnswered] = useState(false);
  const [pair, setPair] = useState<Bench['pair']>(null);
  const [reference, setReference] = useState<Bench['reference']>(null);
  const track = useRef<number[]>([]);
  /** The track is that of the last pluck, not of a reference or of two strings compared. */
  const ownsTrack = useRef(false);
  const [notice, setNotice] = useState<Notice | null>(null);
  const { repository } = useData();

  /** A note is over: the coach may know its whole track now. */
  const closeNote = () => {
    const ringing = ownsTrack.current ? ringingOf(track.current) : null;
    track.current = [];
    ownsTrack.current = false;
    if (ringing)
      setPlucks((before) => {
        const last = before.at(-1);
        return last ? [...before.slice(0, -1), { ...last, ringing }] : before;
      });
  };

  const hear = (report: AnalysisReport) => {
    if (report.type === 'pair') setPair(report.beat);
    else if (report.type === 'onset' || report.type === 'released') closeNote();
    else if (report.type === 'track') track.current.push(report.point.sinceOnset, report.point.hz);
    else if (report.type === 'outcome') {
      const { outcome } = report;
      if (reference === 'waiting') {
        // What is held against the instrument is no reading of it.
        if (outcome.kind === 'reading') setReference(outcome.hz);
        setNotice(outcome.kind === 'reading' ? null : { kind: 'refused', refusal: outcome });
        return;
      }
      const { pluck, notice: said } = conclude(
        report,
        session,
        strings,
        settings.aiming ? coupling : null,
        farOff,
      );
      ownsTrack.current = true;
      setPlucks((before) => [...before.slice(-MOST_PLUCKS), pluck]);
      setAnswered(false);
      setPair(null);
      setNotice(said);
    }
  };
  const practice = async () => {
    const last = await repository.lastPitches(instrument);
    return {
      instrument: withCapo(instrument),
      targetsHz: targets.map((target) => target.hz),
      detuneCents: practiceDetune(home, targets, { a4, capo, last }),
      seed: 7,
      sampleRate: PRACTICE_RATE,
    };
  };
  const practising = (hands: PracticeHands) => {
    if (session.log.length === 0)
      setTimeout(() => hands.pluck(targets.length, 0.55), FIRST_PLUCK_MS);
  };
  const { chosen } = session.state;
  const listening = useListening({ settings, strings, chosen, practice, practising, hear });
  const { source } = listening;
  if (source !== null) sourceOfSitting.current = source;

  const listen = (wanted: 'practice' | 'microphone') => {
    setNotice(null);
    listening.listen(wanted);
  };

  const expectPair = (hz: number | null) => {
    closeNote();
    listening.expectPair(hz);
    setPair(hz === null ? null : 'waiting');
  };

  const act = (event: BenchEvent) => {
    setPair(null);
    setNotice(null);
    setAnswered(true);
    session.record(event);
  };

  const hearTarget = (course: number) => {
    const target = targets[course - 1];
    if (target) listening.sound(target.hz);
  };

  return {
    ...listening,
    listen,
    expectPair,
    session,
    targets,
    a4,
    capo,
    notice,
    plucks,
    answered,
    act,
    hearTarget,
    reference,
    setReference,
    pair,
  };
}

/**
 * Where the practice strings start: a little out of tune, or, where they come from
 * another tuning, where they were heard last or where that tuning has them.
 */
function practiceDetune(
  home: Tuning | undefined,
  targets: readonly Target[],
  now: { a4: number; capo: number; last: ReadonlyMap<number, number> },
): number[] {
  const homeTargets = home ? targetsOf(home, now.a4) : [];
  return targets.map(({ course, hz }, i) => {
    const own = PRACTICE_DETUNE[i % PRACTICE_DETUNE.length] ?? 0;
    const usual = homeTargets[i]?.hz;
    const open = now.last.get(course) ?? (usual === undefined ? undefined : shiftHz(usual, own));
    const heard = open === undefined ? shiftHz(hz, own) : shiftHz(open, 100 * now.capo);
    const cents = centsBetween(hz, heard);
    return Math.abs(cents) > FROM_ANOTHER_TUNING ? cents : own;
  });
}

/** Puts a reading on record, or says why there is none; answers what the coach may know of the pluck. */
function conclude(
  report: Outcome,
  session: Sitting,
  strings: readonly StringKnowledge[],
  coupling: Coupling | null,
  before: readonly (number | null)[],
): { readonly pluck: HeardPluck; readonly notice: Notice | null } {
  const { outcome, track, clipped } = report;
  const { state, log } = session;
  const pluck = {
    chosen: state.chosen,
    ringing: ringingOf(track),
    levelDbfs: outcome.kind === 'reading' ? outcome.levelDbfs : null,
    clipped,
    reading: null,
    refusal: null,
  };
  if (outcome.kind !== 'reading')
    return {
      pluck: { ...pluck, refusal: outcome },
      notice: { kind: 'refused', refusal: outcome },
    };
  const heard = log.flatMap(({ event }) => (event.type === 'reading' ? [event.reading] : []));
  const put = hearPluck(outcome, state, strings, heard, coupling, before);
  if ('course' in put) {
    session.record({ type: 'reading', reading: put }, { reading: outcome, track });
    return { pluck: { ...pluck, reading: put }, notice: null };
  }
  const refusal = { kind: 'not sure', reason: 'no pitch' } as const;
  return put.kind === 'doubt'
    ? { pluck, notice: { kind: 'doubt', courses: put.courses } }
    : { pluck: { ...pluck, refusal }, notice: { kind: 'refused', refusal } };
}
