import type { BenchEvent } from '@rosefinch/core/coach';
import { type HeardPluck, hearPluck, readingFor, ringingOf } from '@rosefinch/core/coach';
import type { BeatOutcome, Reading, Refusal, StringKnowledge } from '@rosefinch/core/listen';
import { knowledgeOf } from '@rosefinch/core/listen';
import type { Target } from '@rosefinch/core/music';
import { centsBetween, findTuning, shiftHz, type Tuning, targetsOf } from '@rosefinch/core/music';
import { type SourceKind, tellsOfInstrument } from '@rosefinch/core/records';
import { type Coupling, homeTuning, type Instrument, withCapo } from '@rosefinch/core/strings';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { AnalysisReport } from '../../audio/index.ts';
import { type Stock, useData } from '../../data/index.ts';
import { newSeed, pace } from '../../environment.ts';
import {
  type Heard,
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

/** What the bench asks of the player at a moment; a pluck answers what was asked when it was made. */
export interface BenchAsked {
  /** The string that was chosen by hand. */
  readonly chosen: number | null;
  /** The next note is a reference, and no string of this instrument. */
  readonly reference: boolean;
  /** The peg that is tried, and whether its turn was made. */
  readonly peg: { readonly course: number; readonly turned: boolean } | null;
}

/** A pluck whose string is in doubt: it is kept, and put to the string that the teacher names. */
interface Doubt {
  readonly kind: 'doubt';
  readonly courses: readonly number[];
  readonly outcome: Reading;
  readonly track: Float32Array;
}

/** What the last pluck came to when it was no reading. */
type Notice = { readonly kind: 'refused'; readonly refusal: Refusal } | Doubt;

/** Everything the bench view shows and does. */
export interface Bench extends Omit<Listening, 'sound'> {
  readonly session: Sitting;
  readonly targets: readonly Target[];
  /** The reference pitch of this sitting, in Hz. */
  readonly a4: number;
  /** Fret of the capo; 0 without. */
  readonly capo: number;
  readonly notice: Notice | null;
  /** Puts the pluck that is in doubt to a string; false where none is. */
  readonly answerDoubt: (course: number) => boolean;
  /** What is heard is practice, and tells nothing of the instrument itself. */
  readonly practice: boolean;
  /** What was heard since the page was opened, for the coach. */
  readonly plucks: readonly HeardPluck[];
  /** The teacher has decided something since the last pluck: what it showed is answered. */
  readonly answered: boolean;
  /** Ends the sitting and begins another; answers the way back, null where nothing was heard. */
  readonly startAfresh: () => (() => void) | null;
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

/** What `useBench` goes by. */
interface Wish {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly coupling: Coupling;
  /** The peg test, while it lasts. */
  readonly peg: BenchAsked['peg'];
  /** A reading was put on record, as an answer to what was asked when it was plucked. */
  readonly onReading: (reading: { course: number; hz: number }, asked: BenchAsked) => void;
}

/** Joins the ear, the session and the state machine for one instrument. */
export function useBench({ instrument, stock, coupling, peg, onReading }: Wish): Bench {
  const { settings, tunings } = stock;
  const { repository, shelf } = useData();
  const tuning = findTuning(instrument.tuningId, tunings);
  const home = homeTuning(instrument, tunings);
  const { capo = 0 } = instrument;
  // A sitting is put down to what was listened to last.
  const [sourceOfSitting, setSourceOfSitting] = useState<SourceKind>(
    shelf === 'demo' ? 'practice' : 'microphone',
  );
  const latestSource = useRef(sourceOfSitting);
  const practice = !tellsOfInstrument({ source: sourceOfSitting }, shelf === 'demo');
  const [seed] = useState(newSeed);
  const place = useMemo(
    () => ({
      instrumentId: instrument.id,
      tuningId: instrument.tuningId,
      capo,
      courses: tuning?.courses.length ?? 0,
      source: () => latestSource.current,
      practice,
      seed,
    }),
    [instrument, capo, tuning, practice, seed],
  );
  const session = useSitting(place, settings);
  // A sitting keeps the reference it began with: its readings are measured against that.
  const a4 = session.session?.a4 ?? settings.a4;
  const targets = useMemo(() => (tuning ? targetsOf(tuning, a4, capo) : []), [tuning, a4, capo]);
  const last = useLastPitches(instrument);
  const strings = useMemo(
    () => knowledgeNow(targets, session.log, last, capo),
    [targets, session.log, last, capo],
  );
  const [plucks, setPlucks] = useState<readonly HeardPluck[]>([]);
  const [answered, setAnswered] = useState(false);
  const [pair, setPair] = useState<Bench['pair']>(null);
  const [reference, setReference] = useState<Bench['reference']>(null);
  const track = useRef<number[]>([]);
  /** The track is that of the last pluck, not of a reference or of two strings compared. */
  const ownsTrack = useRef(false);
  const [notice, setNotice] = useState<Notice | null>(null);

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

  const hearReference = (outcome: Outcome['outcome']) => {
    // What is held against the instrument is no reading of it.
    if (outcome.kind === 'reading') setReference(outcome.hz);
    setNotice(outcome.kind === 'reading' ? null : { kind: 'refused', refusal: outcome });
  };
  const hearOutcome = (report: Outcome, asked: BenchAsked) => {
    const { state, log } = session.latest();
    const known = {
      state,
      intended: asked.chosen,
      strings: knowledgeNow(targets, log, last, capo),
      heard: log.flatMap(({ event }) => (event.type === 'reading' ? [event.reading] : [])),
      coupling: settings.aiming ? coupling : null,
      before: targets.map((target) => farOff(target, last, capo)),
    };
    const { pluck, notice: said } = conclude(report, known);
    if (pluck.reading && report.outcome.kind === 'reading') {
      session.record(
        { type: 'reading', reading: pluck.reading },
        { reading: report.outcome, track: report.track },
      );
      onReading(pluck.reading, asked);
    }
    ownsTrack.current = true;
    setPlucks((before) => [...before.slice(-MOST_PLUCKS), pluck]);
    setAnswered(false);
    setPair(null);
    setNotice(said);
  };
  const hear = (report: AnalysisReport, asked: BenchAsked) => {
    if (report.type === 'pair') setPair(report.beat);
    else if (report.type === 'onset' || report.type === 'released') closeNote();
    else if (report.type === 'track') track.current.push(report.point.sinceOnset, report.point.hz);
    else if (report.type === 'outcome') {
      if (asked.reference) hearReference(report.outcome);
      else hearOutcome(report, asked);
    }
  };
  const practise = async () => {
    const last = await repository.lastPitches(instrument);
    return {
      instrument: withCapo(instrument),
      targetsHz: targets.map((target) => target.hz),
      detuneCents: practiceDetune(home, targets, { a4, capo, last }),
      seed: session.latest().session?.practiceSeed ?? seed,
      sampleRate: PRACTICE_RATE,
    };
  };
  const { chosen } = session.state;
  const listening = useListening<BenchAsked>({
    settings,
    strings,
    asked: { chosen, reference: reference === 'waiting', peg },
    intended: (asked) => asked.chosen,
    practice: practise,
    hear,
  });
  const { source, hands } = listening;
  latestSource.current = source ?? latestSource.current;
  useEffect(() => {
    if (source !== null) setSourceOfSitting(source);
  }, [source]);

  // An empty bench begins to sound by itself, so that a first visit needs one click.
  const silent = session.loaded && practice === (source === 'practice' && shelf !== 'demo');
  const { latest } = session;
  useEffect(() => {
    if (!hands || !silent || latest().log.length > 0) return;
    const timer = setTimeout(
      () => {
        if (latest().log.length === 0) hands.pluck(targets.length, 0.55);
      },
      pace === 'fast' ? 0 : FIRST_PLUCK_MS,
    );
    return () => clearTimeout(timer);
  }, [hands, silent, latest, targets.length]);

  const answerDoubt = (course: number) => {
    const target = targets[course - 1];
    if (notice?.kind !== 'doubt' || !target || !notice.courses.includes(course)) return false;
    const reading = readingFor(course, notice.outcome, target.hz);
    session.record({ type: 'reading', reading }, { reading: notice.outcome, track: notice.track });
    setPlucks((before) => {
      const unnamed = before.at(-1);
      return unnamed ? [...before.slice(0, -1), { ...unnamed, reading }] : before;
    });
    setNotice(null);
    return true;
  };

  const listen = (wanted: 'practice' | 'microphone') => {
    setNotice(null);
    listening.listen(wanted);
  };

  const startAfresh = () => {
    // What was done to the strings in the sitting before is not held against this one.
    setPlucks([]);
    setNotice(null);
    listening.live.leave();
    return session.startAfresh();
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
    if (event.type === 'choose' || event.type === 'accept') listening.live.leave();
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
    startAfresh,
    session,
    targets,
    a4,
    capo,
    notice,
    answerDoubt,
    practice,
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

/** How far a string that comes from another tuning was from its target, in cents; null for any other. */
function farOff(
  { course, hz }: Target,
  last: ReadonlyMap<number, number> | undefined,
  capo: number,
): number | null {
  const open = last?.get(course);
  if (open === undefined) return null;
  const cents = centsBetween(hz, shiftHz(open, 100 * capo));
  return Math.abs(cents) > FROM_ANOTHER_TUNING ? cents : null;
}

/** What is known of the strings: from this sitting, and from earlier ones of those not heard in it. */
function knowledgeNow(
  targets: readonly Target[],
  log: readonly Heard[],
  last: ReadonlyMap<number, number> | undefined,
  capo: number,
): StringKnowledge[] {
  return knowledgeOf(targets, knownReadings(log)).map((string) => {
    const cents = string.lastHz === undefined ? farOff(string.target, last, capo) : null;
    if (cents === null) return string;
    // Strings that come from another tuning will be turned: that much is known of them unheard.
    return { ...string, lastHz: shiftHz(string.target.hz, cents), fresh: true };
  });
}

/** What a pluck comes to: a reading of a string, a doubt which one it was, or why it is none. */
function conclude(
  { outcome, track, clipped }: Outcome,
  known: Parameters<typeof hearPluck>[1],
): { readonly pluck: HeardPluck; readonly notice: Notice | null } {
  const pluck = {
    chosen: known.intended,
    ringing: ringingOf(track),
    levelDbfs: outcome.kind === 'reading' ? outcome.levelDbfs : null,
    clipped,
    reading: null,
    refusal: null,
  };
  const refused = (refusal: Refusal) => ({
    pluck: { ...pluck, refusal },
    notice: { kind: 'refused' as const, refusal },
  });
  if (outcome.kind !== 'reading') return refused(outcome);
  const put = hearPluck(outcome, known);
  if ('course' in put) return { pluck: { ...pluck, reading: put }, notice: null };
  return put.kind === 'doubt'
    ? { pluck, notice: { kind: 'doubt', courses: put.courses, outcome, track } }
    : refused({ kind: 'not sure', reason: 'no pitch' });
}
