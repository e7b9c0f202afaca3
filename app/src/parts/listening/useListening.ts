import {
  type StringKnowledge,
  type StrumTuning,
  type WoundString,
  whoSounded,
} from '@rosefinch/core/listen';
import { message, type Sentence } from '@rosefinch/core/message';
import { centsBetween } from '@rosefinch/core/music';
import { ALL_KEPT } from '@rosefinch/core/sentences';
import type { Cents, Hz } from '@rosefinch/core/units';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Settings } from '../../data/index.ts';
import {
  type AnalysisReport,
  keepAwake,
  MicrophoneProblem,
  type PracticeHands,
  type PracticeStart,
} from '../../sound/index.ts';
import { earKeeper } from './earKeeper.ts';
import { LiveNote } from './live.ts';
import type { RoomState } from './room.ts';
import { useEar, useQuestions } from './useEar.ts';
import { useOpening } from './useOpening.ts';
import { useRoom } from './useRoom.ts';
import type { Wanted } from './wanted.ts';

/** What sounds and what is heard of it, for any view that listens. */
export interface Listening {
  readonly source: Wanted | null;
  readonly problem: Sentence | null;
  readonly live: LiveNote;
  readonly room: RoomState;
  /** The hands on the practice instrument, while it is played. */
  readonly hands: PracticeHands | null;
  /** Where the practice strings truly lie, in cents from their targets, course 1 first. */
  readonly truth: readonly Cents[] | null;
  readonly listen: (source: Wanted) => void;
  readonly stop: () => void;
  /** Sounds a pitch in the teacher's kind of reference tone; nothing is read meanwhile. */
  readonly sound: (hz: Hz) => void;
  /** Says a sentence aloud, or sounds whether it is right; nothing is read meanwhile. */
  readonly say: (text: string, right: boolean) => void;
  /** Waits for two strings near a pitch; null waits no longer. */
  readonly expectPair: (hz: Hz | null) => void;
  /** Takes the next sound for a strum over all strings, or no longer. */
  readonly expectStrum: (expected: boolean) => void;
  /** Follows a string while it is wound up, and reports no readings meanwhile; null follows none. */
  readonly followWinding: (string: WoundString | null, reads: boolean) => void;
  /** Follows a voice instead of strings, or no longer. */
  readonly followVoice: (follow: boolean) => void;
}

/** What a view wants of the ear. */
export interface Wish<Asked> {
  readonly settings: Settings;
  readonly strings: readonly StringKnowledge[];
  /** In which they may be strummed instead of their own. */
  readonly tunings?: readonly StrumTuning[];
  /** What the player is asked for just now, as plain data. */
  readonly asked: Asked;
  /** The string that was chosen by hand, or is asked for by name. */
  readonly intended: (asked: Asked) => number | null;
  /** The string that a ringing note belongs to, where the view knows more than its pitch. */
  readonly courseOf?: (hz: Hz, asked: Asked) => number | null;
  /** Strings are turned while they ring: readings of where they stood afterwards are wanted too. */
  readonly turns?: boolean;
  /** What is needed to begin is there. */
  readonly ready?: boolean;
  /** Told what is listened to from now on. */
  readonly heardFrom?: (source: Wanted) => void;
  /** Sets up the practice instrument. */
  readonly practice: () => Promise<PracticeStart>;
  /**
   * Everything that is found, after the room and the live note have taken theirs; with what
   * was asked at the moment when the note began, however long ago that was.
   */
  readonly hear: (report: AnalysisReport, asked: Asked) => void;
}

const NO_TUNINGS: readonly StrumTuning[] = [];

/** Opens an ear for as long as the view is shown. */
export function useListening<Asked>(wish: Wish<Asked>): Listening {
  const { settings, strings, practice, heardFrom } = wish;
  const [live] = useState(() => new LiveNote());
  const { room, takeForRoom, forgetRoom } = useRoom();
  const [problem, setProblem] = useState<MicrophoneProblem | null>(null);
  const [truth, setTruth] = useState<readonly Cents[] | null>(null);
  const again = useRef(() => {});
  const hear = (report: AnalysisReport) => {
    const answers = askedAt(report);
    if (report.type === 'failed')
      setProblem(
        new MicrophoneProblem({
          say: message('troubles.said', { reason: report.problem }),
          more: ALL_KEPT,
        }),
      );
    takeForRoom(report);
    // A note that began in the hands of another view, or on another instrument, is nothing here.
    if (answers === null) return;
    const { asked } = answers;
    const said = wish.turns ? report : ofOnePluck(report);
    if (said === null) return;
    takeForLive(report, live, strings, (hz) =>
      wish.courseOf ? wish.courseOf(hz, asked) : soundsLike(hz, strings, wish.intended(asked)),
    );
    wish.hear(said, asked);
  };
  const hearer = { report: hear, problem: setProblem, truth: setTruth };
  const refused = (why: MicrophoneProblem) => {
    setProblem(why);
    opening.refused();
  };
  const ear = useEar(strings, wish.tunings ?? NO_TUNINGS, {
    ...hearer,
    refused,
    again: () => again.current(),
  });
  const askedAt = useQuestions(wish.asked, ear);
  const opening = useOpening(ear, { settings, practice, heardFrom });
  const { source, hands, open, close } = opening;
  const listen = useCallback(
    (wanted: Wanted) => {
      setProblem(null);
      setTruth(null);
      open(wanted);
    },
    [open],
  );
  again.current = () => {
    if (source) listen(source);
  };
  useCarriedOn(wish, source, listen);
  const listens = source !== null;
  useEffect(() => (listens ? keepAwake() : undefined), [listens]);
  const stop = useCallback(() => {
    close();
    setTruth(null);
    forgetRoom();
    live.end();
  }, [close, forgetRoom, live]);
  const sound = (hz: Hz) =>
    void ear.current?.soundReference(hz, settings.referenceVolume, settings.referenceTone);
  const say = useCallback((text: string, right: boolean) => ear.current?.say(text, right), [ear]);
  const expectPair = (hz: Hz | null) => {
    // The worker passes nothing on meanwhile, not even that the note before is over.
    live.end();
    ear.current?.expectPair(hz);
  };
  const followWinding = (string: WoundString | null, reads: boolean) => {
    if (string !== null && !reads) live.end();
    ear.current?.followWinding(string, reads);
  };
  const expectStrum = useCallback((expected: boolean) => ear.current?.expectStrum(expected), [ear]);
  const followVoice = useCallback((follow: boolean) => ear.current?.followVoice(follow), [ear]);
  const shown = problem?.sentence ?? null;
  return {
    source,
    problem: shown,
    live,
    room,
    hands,
    truth,
    listen,
    stop,
    sound,
    say,
    expectPair,
    followWinding,
    followVoice,
    expectStrum,
  };
}

/** What was listened to in the view before is listened to in this one. */
function useCarriedOn<Asked>(
  { ready = true, heardFrom }: Wish<Asked>,
  source: Wanted | null,
  listen: (source: Wanted) => void,
): void {
  const [carried] = useState(earKeeper.source);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, as soon as the view can listen
  useEffect(() => {
    if (!ready || carried === null) return;
    if (source === 'microphone') heardFrom?.(source);
    else if (carried === 'practice') listen('practice');
  }, [ready]);
}

/** What a view makes of a report that wants one reading a pluck: a note that was bent or turned gives none. */
function ofOnePluck(report: AnalysisReport): AnalysisReport | null {
  if (report.type !== 'outcome') return report;
  const { outcome, again } = report;
  if (again) return null;
  const wasTurned = outcome.kind === 'reading' && outcome.turned;
  return wasTurned ? { ...report, outcome: { kind: 'turned' } } : report;
}

/** The live note follows what is found while it rings. */
function takeForLive(
  report: AnalysisReport,
  live: LiveNote,
  strings: readonly StringKnowledge[],
  courseOf: (hz: Hz) => number | null,
): void {
  if (report.type === 'onset') live.begin();
  else if (report.type === 'released' || report.type === 'strum') live.end();
  else if (report.type === 'outcome') live.conclude();
  else if (report.type === 'track') {
    // A string that is turned while it rings stays the string that it was.
    const course = live.course ?? courseOf(report.point.hz);
    const target = course === null ? undefined : strings[course - 1]?.target;
    if (course !== null && target)
      live.add(course, report.point.sinceOnset, centsBetween(target.hz, report.point.hz));
  }
}

/** The string that a note sounds like by itself, or as it was chosen. */
function soundsLike(
  hz: Hz,
  strings: readonly StringKnowledge[],
  intended: number | null,
): number | null {
  const identity = whoSounded({ hz }, strings, intended);
  return identity.kind === 'known' ? identity.course : null;
}
