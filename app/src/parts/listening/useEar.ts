import type { StringKnowledge } from '@rosefinch/core/listen';
import { type RefObject, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { monotonic, pace } from '../../environment.ts';
import { type AnalysisReport, Ear, type EarHearer } from '../../sound/index.ts';

/** An ear that lives as long as its view, told what is known of the strings. */
export function useEar(
  strings: readonly StringKnowledge[],
  hearer: EarHearer,
): RefObject<Ear | null> {
  const ear = useRef<Ear | null>(null);
  const latest = useRef(hearer);
  latest.current = hearer;
  // Before the questions of the same drawing, so that it hears the first one.
  useLayoutEffect(() => {
    const opened = new Ear({
      report: (report) => latest.current.report(report),
      problem: (problem) => latest.current.problem(problem),
      truth: (deviations) => latest.current.truth(deviations),
      again: () => latest.current.again(),
    });
    ear.current = opened;
    return () => opened.close();
  }, []);
  useEffect(() => ear.current?.know(strings), [strings]);
  return ear;
}

/** Tells the ear what is asked for; answers of a report what was asked when its note began. */
export function useQuestions<Asked>(
  asked: Asked,
  ear: RefObject<Ear | null>,
): (report: AnalysisReport) => Asked {
  const [questions] = useState(() => new Questions<Asked>());
  const latest = useRef(asked);
  latest.current = asked;
  const ringing = useRef(asked);
  const value = JSON.stringify(asked);
  // What is asked holds from the key that changed it, not from when the page got round to it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: by its value, not by its identity
  useLayoutEffect(() => {
    ear.current?.ask(questions.put(latest.current), sinceEvent());
  }, [value, questions, ear]);
  return (report) => {
    if (report.type === 'onset' || report.type === 'outcome')
      ringing.current = questions.at(report.asked) ?? latest.current;
    return ringing.current;
  };
}

/** So many changes of what is asked are remembered. */
const MOST_ASKED = 200;

/** What the player was asked for, by the numbers under which the ear knows it. */
class Questions<Asked> {
  private readonly known: Asked[] = [];
  /** The number of the oldest one that is remembered. */
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
