import type { StringKnowledge, StrumTuning } from '@rosefinch/core/listen';
import { type RefObject, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { monotonic, pace } from '../../environment.ts';
import type { AnalysisReport, Ear } from '../../sound/index.ts';
import { type EarOwner, earKeeper } from './earKeeper.ts';
import { Questions } from './questions.ts';

/** A job is shown: the ear stays open while it reads what it needs, and from one job to the next. */
export function useJobHere(): void {
  useLayoutEffect(() => earKeeper.hold(), []);
}

/** The page's ear, for as long as the view is shown, told what is known of the strings. */
export function useEar(
  strings: readonly StringKnowledge[],
  tunings: readonly StrumTuning[],
  hearer: EarOwner,
): RefObject<Ear | null> {
  const ear = useRef<Ear | null>(null);
  const latest = useRef(hearer);
  latest.current = hearer;
  const [owner] = useState(
    (): EarOwner => ({
      report: (report) => latest.current.report(report),
      problem: (problem) => latest.current.problem(problem),
      truth: (deviations) => latest.current.truth(deviations),
      again: () => latest.current.again(),
      refused: (problem) => latest.current.refused(problem),
    }),
  );
  // Before the questions of the same drawing, so that it hears the first one.
  useLayoutEffect(() => {
    ear.current = earKeeper.take(owner);
  }, [owner]);
  // A view that waits for a text is hidden, which ends its layout effects: it keeps its microphone.
  useEffect(() => () => earKeeper.leave(owner), [owner]);
  useEffect(() => ear.current?.know(strings, tunings), [strings, tunings]);
  return ear;
}

/**
 * Tells the ear what is asked for; answers of a report what was asked when its note began,
 * null of a note that began in the hands of another view.
 */
export function useQuestions<Asked>(
  asked: Asked,
  ear: RefObject<Ear | null>,
): (report: AnalysisReport) => { readonly asked: Asked } | null {
  const [questions] = useState(() => new Questions<Asked>(earKeeper.asked + 1));
  const latest = useRef(asked);
  latest.current = asked;
  const value = JSON.stringify(asked);
  // What is asked holds from the key that changed it, not from when the page got round to it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: by its value, not by its identity
  useLayoutEffect(() => {
    earKeeper.asked = questions.put(latest.current);
    ear.current?.ask(earKeeper.asked, sinceEvent());
  }, [value, questions, ear]);
  return (report) => {
    // Two strings that were waited for have no onset of their own, nor has a voice.
    if (report.type === 'pair' || report.type === 'sung') return { asked: latest.current };
    if (report.type === 'onset' || report.type === 'outcome') questions.rings(report.asked);
    return questions.ringing();
  };
}

/** How long ago the key or click happened that is being handled, in seconds; 0 outside of one, and where sound does not keep time. */
function sinceEvent(): number {
  if (pace === 'fast') return 0;
  const { event } = window;
  const byHand = event instanceof KeyboardEvent || event instanceof MouseEvent;
  return byHand ? Math.max(0, monotonic() - event.timeStamp) / 1000 : 0;
}
