import type { BenchEvent, BenchState } from '@rosefinch/core/coach';
import { type HeardPluck, hearPluck, ringingOf, whichCourse } from '@rosefinch/core/coach';
import type { BeatOutcome, KnownReading, Refusal, StringKnowledge } from '@rosefinch/core/listen';
import { knowledgeOf } from '@rosefinch/core/listen';
import type { Target } from '@rosefinch/core/music';
import { centsBetween, findTuning, shiftHz, type Tuning, targetsOf } from '@rosefinch/core/music';
import type { LogEntry, SourceKind } from '@rosefinch/core/records';
import { type Coupling, homeTuning, type Instrument, withCapo } from '@rosefinch/core/strings';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  type AnalysisReport,
  Ear,
  MicrophoneProblem,
  type PracticeHands,
} from '../../audio/index.ts';
import { type Stock, useData } from '../../data/index.ts';
import { LiveNote } from './live.ts';
import type { RoomState } from './room.ts';
import { type BenchSession, useBenchSession } from './useBenchSession.ts';
import { useLastPitches } from './useLastPitches.ts';

const PRACTICE_RATE = 48_000;
/** A first visit: the practice guitar sounds its first string by itself, this long after opening. */
const FIRST_PLUCK_MS = 700;
/** The coach looks back so far. */
const MOST_PLUCKS = 200;
const NO_ROOM: RoomState = { level: null, report: null, lastReadingDbfs: null };
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
export interface Bench {
  readonly session: BenchSession;
  readonly targets: readonly Target[];
  /** The reference pitch of this sitting, in Hz. */
  readonly a4: number;
  /** Fret of the capo; 0 without. */
  readonly capo: number;
  readonly source: SourceKind | null;
  readonly problem: { readonly message: string; readonly wayOn: string } | null;
  readonly notice: Notice | null;
  /** What was heard since the page was opened, for the coach. */
  readonly plucks: readonly HeardPluck[];
  /** The teacher has decided something since the last pluck: what it showed is answered. */
  readonly answered: boolean;
  readonly live: LiveNote;
  readonly room: RoomState;
  readonly hands: PracticeHands | null;
  readonly truth: readonly number[] | null;
  readonly listen: (source: 'practice' | 'microphone') => void;
  readonly stop: () => void;
  /** Puts what the teacher decides on record. */
  readonly act: (event: BenchEvent) => void;
  /** Sounds the target of a course. */
  readonly hearTarget: (course: number) => void;
  /** A fork, a piano, a friend's string: waited for, or heard at so many Hz; null when nobody asked. */
  readonly reference: 'waiting' | number | null;
  readonly setReference: (reference: 'waiting' | null) => void;
  /** Two strings sounded together: waited for, or how they beat; null when nobody asked. */
  readonly pair: 'waiting' | BeatOutcome | null;
  /** Waits for two strings near a pitch; null waits no longer. */
  readonly expectPair: (hz: number | null) => void;
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
  const [source, setSource] = useState<SourceKind | null>(null);
  const place = useMemo(
    () => ({
      instrumentId: instrument.id,
      tuningId: instrument.tuningId,
      capo,
      courses: tuning?.courses.length ?? 0,
      source: source ?? 'practice',
    }),
    [instrument, capo, tuning, source],
  );
  const session = useBenchSession(place, settings);
  // A sitting keeps the reference it began with: its readings are measured against that.
  const a4 = session.session?.a4 ?? settings.a4;
  const targets = useMemo(() => (tuning ? targetsOf(tuning, a4, capo) : []), [tuning, a4, capo]);
  const strings = useMemo(
    () => knowledgeOf(targets, readingsOf(session.log)),
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
  const [problem, setProblem] = useState<MicrophoneProblem | null>(null);
  const [room, setRoom] = useState<RoomState>(NO_ROOM);
  const [truth, setTruth] = useState<readonly number[] | null>(null);
  const [hands, setHands] = useState<PracticeHands | null>(null);
  const [live] = useState(() => new LiveNote());
  const ear = useRef<Ear | null>(null);
  const { repository } = useData();
  const wantedSource = useRef<SourceKind | null>(null);

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
    if (report.type === 'level') setRoom((known) => ({ ...known, level: report }));
    else if (report.type === 'room') setRoom((known) => ({ ...known, report: report.report }));
    else if (report.type === 'failed')
      setProblem(new MicrophoneProblem(report.message, 'All readings are kept.'));
    else if (report.type === 'pair') setPair(report.beat);
    else if (report.type === 'onset') {
      closeNote();
      live.begin();
    } else if (report.type === 'released') {
      closeNote();
      live.end();
    } else if (report.type === 'track') {
      track.current.push(report.point.sinceOnset, report.point.hz);
      follow(report.point, session.state, strings, live);
    } else if (report.type === 'outcome') {
      live.conclude();
      const { outcome } = report;
      if (outcome.kind === 'reading')
        setRoom((known) => ({ ...known, lastReadingDbfs: outcome.levelDbfs }));
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
  const latestHear = useRef(hear);
  latestHear.current = hear;

  useEffect(() => {
    const opened = new Ear({
      report: (report) => latestHear.current(report),
      problem: setProblem,
      truth: setTruth,
    });
    ear.current = opened;
    return () => opened.close();
  }, []);

  useEffect(() => ear.current?.know(strings), [strings]);

  const stop = useCallback(() => {
    ear.current?.closeSource();
    wantedSource.current = null;
    setSource(null);
    setHands(null);
    setTruth(null);
    setRoom(NO_ROOM);
    live.end();
  }, [live]);

  const listen = useCallback(
    (wanted: 'practice' | 'microphone') => {
      setProblem(null);
      setNotice(null);
      setSource(wanted);
      wantedSource.current = wanted;
      if (wanted === 'practice') {
        void repository.lastPitches(instrument).then((last) => {
          if (wantedSource.current !== 'practice') return;
          const start = {
            instrument: withCapo(instrument),
            targetsHz: targets.map((target) => target.hz),
            detuneCents: practiceDetune(home, targets, { a4, capo, last }),
            seed: 7,
            sampleRate: PRACTICE_RATE,
          };
          const opened = ear.current?.openPractice(start, settings.practiceSound) ?? null;
          setHands(opened);
          if (opened && session.log.length === 0)
            setTimeout(() => opened.pluck(targets.length, 0.55), FIRST_PLUCK_MS);
        });
        return;
      }
      setHands(null);
      setTruth(null);
      const wish = {
        channel: settings.channel,
        ...(settings.microphoneId !== null && { deviceId: settings.microphoneId }),
      };
      ear.current?.openMicrophone(wish).catch((error: MicrophoneProblem) => {
        setProblem(error);
        setSource(null);
      });
    },
    [instrument, home, targets, a4, capo, settings, session.log.length, repository],
  );

  const expectPair = (hz: number | null) => {
    // The worker passes nothing on meanwhile, not even that the note before is over.
    closeNote();
    live.end();
    ear.current?.expectPair(hz);
    setPair(hz === null ? null : 'waiting');
  };

  const act = (event: BenchEvent) => {
    setPair(null);
    setNotice(null);
    setAnswered(true);
    session.record(event);
  };

  const hearTarget = useCallback(
    (course: number) => {
      const target = targets[course - 1];
      const { referenceVolume, referenceTone } = settings;
      if (target) void ear.current?.soundReference(target.hz, referenceVolume, referenceTone);
    },
    [targets, settings],
  );

  const shown = problem ? { message: problem.message, wayOn: problem.wayOn } : null;
  return {
    session,
    targets,
    a4,
    capo,
    source,
    problem: shown,
    notice,
    plucks,
    answered,
    live,
    room,
    hands,
    truth,
    listen,
    stop,
    act,
    hearTarget,
    reference,
    setReference,
    pair,
    expectPair,
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

function follow(
  point: { sinceOnset: number; hz: number },
  state: BenchState,
  strings: readonly StringKnowledge[],
  live: LiveNote,
): void {
  const identity = whichCourse({ hz: point.hz }, state, strings);
  if (identity.kind !== 'known') return;
  const target = strings[identity.course - 1]?.target;
  if (target) live.add(identity.course, point.sinceOnset, centsBetween(target.hz, point.hz));
}

/** What the readings of this sitting tell of the strings. */
function readingsOf(log: readonly LogEntry[]): KnownReading[] {
  return log.flatMap(({ event, measurement }) =>
    event.type === 'reading' && measurement
      ? [{ ...measurement.reading, course: event.reading.course }]
      : [],
  );
}

/** Puts a reading on record, or says why there is none; answers what the coach may know of the pluck. */
function conclude(
  report: Outcome,
  session: BenchSession,
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
