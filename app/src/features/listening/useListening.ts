import { type StringKnowledge, whoSounded } from '@rosefinch/core/listen';
import { centsBetween } from '@rosefinch/core/music';
import type { SourceKind } from '@rosefinch/core/records';
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import {
  type AnalysisReport,
  Ear,
  MicrophoneProblem,
  type PracticeHands,
  type PracticeStart,
} from '../../audio/index.ts';
import type { Settings } from '../../data/index.ts';
import { monotonic, pace } from '../../environment.ts';
import { LiveNote } from './live.ts';
import { type RoomState, roomInWords } from './room.ts';

/** What sounds and what is heard of it, for any view that listens. */
export interface Listening {
  readonly source: SourceKind | null;
  readonly problem: { readonly message: string; readonly wayOn: string } | null;
  readonly live: LiveNote;
  readonly room: RoomState;
  /** The hands on the practice instrument, while it is played. */
  readonly hands: PracticeHands | null;
  /** Where the practice strings truly lie, in cents from their targets, course 1 first. */
  readonly truth: readonly number[] | null;
  readonly listen: (source: 'practice' | 'microphone') => void;
  readonly stop: () => void;
  /** Sounds a pitch in the teacher's kind of reference tone; nothing is read meanwhile. */
  readonly sound: (hz: number) => void;
  /** Waits for two strings near a pitch; null waits no longer. */
  readonly expectPair: (hz: number | null) => void;
}

/** What a view wants of the ear. */
export interface Wish<Asked> {
  readonly settings: Settings;
  readonly strings: readonly StringKnowledge[];
  /** What the player is asked for just now, as plain data. */
  readonly asked: Asked;
  /** The string that was chosen by hand, or is asked for by name. */
  readonly intended: (asked: Asked) => number | null;
  /** Sets up the practice instrument. */
  readonly practice: () => Promise<PracticeStart>;
  /** Called when the practice instrument can be played. */
  readonly practising?: (hands: PracticeHands) => void;
  /**
   * Everything that is found, after the room and the live note have taken theirs; with what
   * was asked at the moment when the note began, however long ago that was.
   */
  readonly hear: (report: AnalysisReport, asked: Asked) => void;
}

/** So many changes of what is asked are remembered. */
const MOST_ASKED = 200;

/** What the player was asked for, by the numbers under which the ear knows it. */
class Questions<Asked> {
  private readonly known: Asked[] = [];
  private first = 1;

  /** The number of a new question. */
  put(asked: Asked): number {
    this.known.push(asked);
    if (this.known.length > MOST_ASKED) {
      this.known.shift();
      this.first++;
    }
    return this.first + this.known.length - 1;
  }

  at(number: number): Asked | undefined {
    return this.known[number - this.first];
  }
}

/** How long ago the key or click happened that is being handled, in seconds; 0 outside of one, and where sound does not keep time. */
function sinceEvent(): number {
  if (pace === 'fast') return 0;
  const { event } = window;
  const byHand = event instanceof KeyboardEvent || event instanceof MouseEvent;
  return byHand ? Math.max(0, monotonic() - event.timeStamp) / 1000 : 0;
}

const NO_ROOM: RoomState = { level: null, report: null, lastReadingDbfs: null, deaf: false };

/** Opens an ear for as long as the view is shown. */
export function useListening<Asked>(wish: Wish<Asked>): Listening {
  const { settings, strings } = wish;
  const [source, setSource] = useState<SourceKind | null>(null);
  const [problem, setProblem] = useState<MicrophoneProblem | null>(null);
  const [room, setRoom] = useState<RoomState>(NO_ROOM);
  const roomNow = useRef(NO_ROOM);
  const [truth, setTruth] = useState<readonly number[] | null>(null);
  const [hands, setHands] = useState<PracticeHands | null>(null);
  const [live] = useState(() => new LiveNote());
  const ear = useRef<Ear | null>(null);
  const wanted = useRef<'practice' | 'microphone' | null>(null);
  const [questions] = useState(() => new Questions<Asked>());
  const question = useRef(0);
  /** What was asked when the note that rings began. */
  const ringing = useRef(wish.asked);

  /** The level comes ten times a second: the view is drawn anew only where its words change. */
  const changeRoom = (change: Partial<RoomState>) => {
    const before = roomInWords(roomNow.current);
    roomNow.current = { ...roomNow.current, ...change };
    if (roomInWords(roomNow.current) !== before) setRoom(roomNow.current);
  };

  const hear = (report: AnalysisReport) => {
    if (report.type === 'onset' || report.type === 'outcome')
      ringing.current = questions.at(report.asked) ?? wish.asked;
    if (report.type === 'level') changeRoom({ level: report });
    else if (report.type === 'room') changeRoom({ report: report.report });
    else if (report.type === 'failed')
      setProblem(new MicrophoneProblem(report.message, 'All readings are kept.'));
    else if (report.type === 'onset') live.begin();
    else if (report.type === 'released') live.end();
    else if (report.type === 'deaf') changeRoom({ deaf: report.deaf });
    else if (report.type === 'track')
      follow(report.point, wish.intended(ringing.current), strings, live);
    else if (report.type === 'outcome') {
      live.conclude();
      const { outcome } = report;
      if (outcome.kind === 'reading') changeRoom({ lastReadingDbfs: outcome.levelDbfs });
    }
    wish.hear(report, ringing.current);
  };
  const latest = useRef({ hear, wish, listen: (_: 'practice' | 'microphone') => {} });
  latest.current = { ...latest.current, hear, wish };

  useEffect(() => {
    const opened = new Ear({
      report: (report) => latest.current.hear(report),
      problem: setProblem,
      truth: setTruth,
      again: () => {
        if (wanted.current) latest.current.listen(wanted.current);
      },
    });
    ear.current = opened;
    opened.ask(question.current, 0);
    return () => opened.close();
  }, []);

  useEffect(() => ear.current?.know(strings), [strings]);

  // What is asked holds from the key that changed it, not from when the page got round to it.
  const asked = JSON.stringify(wish.asked);
  // biome-ignore lint/correctness/useExhaustiveDependencies: by its value, not by its identity
  useLayoutEffect(() => {
    question.current = questions.put(latest.current.wish.asked);
    ear.current?.ask(question.current, sinceEvent());
  }, [asked, questions]);

  const stop = useCallback(() => {
    ear.current?.closeSource();
    wanted.current = null;
    setSource(null);
    setHands(null);
    setTruth(null);
    roomNow.current = NO_ROOM;
    setRoom(NO_ROOM);
    live.end();
  }, [live]);

  const practise = useCallback(async () => {
    const start = await latest.current.wish.practice();
    if (wanted.current !== 'practice') return;
    const { practiceSound } = latest.current.wish.settings;
    const opened = ear.current?.openPractice(start, practiceSound);
    setHands(opened ?? null);
    if (opened) latest.current.wish.practising?.(opened);
  }, []);

  const listen = useCallback(
    (kind: 'practice' | 'microphone') => {
      setProblem(null);
      setSource(kind);
      wanted.current = kind;
      if (kind === 'practice') return void practise();
      setHands(null);
      setTruth(null);
      const { channel, microphoneId } = latest.current.wish.settings;
      const input = { channel, ...(microphoneId !== null && { deviceId: microphoneId }) };
      ear.current?.openMicrophone(input).catch((error: MicrophoneProblem) => {
        // Something else may have been chosen while the browser asked for leave.
        if (wanted.current !== 'microphone') return;
        setProblem(error);
        setSource(null);
      });
    },
    [practise],
  );
  latest.current.listen = listen;

  const sound = (hz: number) =>
    void ear.current?.soundReference(hz, settings.referenceVolume, settings.referenceTone);
  const expectPair = (hz: number | null) => {
    // The worker passes nothing on meanwhile, not even that the note before is over.
    live.end();
    ear.current?.expectPair(hz);
  };
  const shown = problem ? { message: problem.message, wayOn: problem.wayOn } : null;
  return { source, problem: shown, live, room, hands, truth, listen, stop, sound, expectPair };
}

function follow(
  point: { readonly sinceOnset: number; readonly hz: number },
  intended: number | null,
  strings: readonly StringKnowledge[],
  live: LiveNote,
): void {
  const identity = whoSounded(point, strings, intended);
  if (identity.kind !== 'known') return;
  const target = strings[identity.course - 1]?.target;
  if (target) live.add(identity.course, point.sinceOnset, centsBetween(target.hz, point.hz));
}
