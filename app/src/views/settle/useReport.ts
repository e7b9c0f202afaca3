import type {
  LookDay,
  SettlingGoal,
  SettlingReport,
  SettlingTask,
  StringHistory,
} from '@rosefinch/core/settling';
import { useEffect, useRef, useState } from 'react';
import { settleAside } from '../../fits/index.ts';

const MINUTE_MS = 60_000;

/** What the fits say, reckoned beside the page after every reading and once a minute. */
export function useReport(
  strings: readonly StringHistory[],
  goal: SettlingGoal,
  day: LookDay,
  neck: SettlingTask['neck'],
  now: () => number,
): { readonly report: SettlingReport | null; readonly problem: string | null } {
  const [report, setReport] = useState<SettlingReport | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [minute, setMinute] = useState(0);
  const clock = useRef(now);
  clock.current = now;
  useEffect(() => {
    const timer = setInterval(() => setMinute((n) => n + 1), MINUTE_MS);
    return () => clearInterval(timer);
  }, []);
  const { tolerance, lesson } = goal;
  const { zone, lessonAt } = day;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once a minute time itself is the change
  useEffect(() => {
    const wanted = new AbortController();
    const task = {
      strings,
      now: clock.current(),
      goal: { tolerance, lesson },
      zone,
      ...(lessonAt !== undefined && { lessonAt }),
      neck,
    };
    settleAside(task, wanted.signal)
      .then((answer) => {
        if (wanted.signal.aborted) return;
        setReport(answer);
        setProblem(null);
      })
      .catch((error: Error) => {
        if (!wanted.signal.aborted)
          setProblem(`The fit failed: ${error.message}. All readings are kept.`);
      });
    return () => wanted.abort();
  }, [strings, tolerance, lesson, zone, lessonAt, neck, minute]);
  return { report, problem };
}
