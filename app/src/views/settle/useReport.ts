import { problemOf } from '@rosefinch/core/errors';
import { message, type Text } from '@rosefinch/core/message';
import type {
  LookDay,
  SettlingGoal,
  SettlingReport,
  StringHistory,
} from '@rosefinch/core/settling';
import { useEffect, useState } from 'react';
import { settleAside } from '../../fits/index.ts';

/** What the readings say, worked out beside the page after every reading: time alone changes nothing. */
export function useReport(
  strings: readonly StringHistory[],
  goal: SettlingGoal,
  day: LookDay,
): { readonly report: SettlingReport | null; readonly problem: Text | null } {
  const [report, setReport] = useState<SettlingReport | null>(null);
  const [problem, setProblem] = useState<Text | null>(null);
  const { zone, lessonAt } = day;
  useEffect(() => {
    const wanted = new AbortController();
    const task = { strings, goal, zone, lessonAt };
    settleAside(task, wanted.signal)
      .then((answer) => {
        if (wanted.signal.aborted) return;
        setReport(answer);
        setProblem(null);
      })
      .catch((error: Error) => {
        if (!wanted.signal.aborted)
          setProblem(message('settle.fitFailed', { reason: problemOf(error) }));
      });
    return () => wanted.abort();
  }, [strings, goal, zone, lessonAt]);
  return { report, problem };
}
