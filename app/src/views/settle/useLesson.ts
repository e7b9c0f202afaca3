import type { Restringing } from '@rosefinch/core/records';
import {
  type LookDay,
  pullsAtOnce,
  type SettlingGoal,
  type SettlingRules,
} from '@rosefinch/core/settling';
import { LESSON_CENTS } from '@rosefinch/core/sitting';
import type { Cents } from '@rosefinch/core/units';
import { useMemo } from 'react';

interface Lesson {
  readonly goal: SettlingGoal;
  readonly rules: SettlingRules;
  readonly day: LookDay;
}

/** What the strings must hold, by what was said when they were put on. @param tuned what they are tuned to */
export function useLesson(restringing: Restringing, tuned: Cents): Lesson {
  const { lessonMinutes, lessonAt = null, zone } = restringing;
  const { lessonCents = LESSON_CENTS, way = 'roundByRound' } = restringing;
  return useMemo(() => {
    // So high that it is just in tune at first, and in tune for the longer.
    const high = way === 'high' ? Math.max(0, lessonCents - tuned) : 0;
    return {
      goal: { tolerance: lessonCents, lesson: 60 * lessonMinutes, pulls: pullsAtOnce(way), high },
      rules: { tuned, lesson: lessonCents, way, high },
      day: { zone, lessonAt },
    };
  }, [lessonMinutes, lessonAt, zone, lessonCents, way, tuned]);
}
