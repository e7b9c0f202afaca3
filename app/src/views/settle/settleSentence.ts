import { settleNoticeInWords } from '@rosefinch/core/dialogue';
import { moment, type Sentence, sentencesOf } from '@rosefinch/core/message';
import type { Restringing } from '@rosefinch/core/records';
import {
  doubtInWords,
  lessonAsked,
  settlingTaskInWords,
  slipsInWords,
  sureInWords,
} from '@rosefinch/core/sentences';
import type { SettlingStep } from '@rosefinch/core/settling';
import type { Settling } from './useSettling.ts';

/** Nothing is left to do with the strings for now. */
export function isDone({ step }: SettlingStep): boolean {
  return step === 'all hold' || step === 'leave alone';
}

type Told = Pick<Settling, 'targets' | 'talk' | 'question' | 'report' | 'step' | 'now'>;

/** The one sentence of new strings: a question before a notice, a notice before what is to be done. */
export function settleSentence(settling: Told, restringing: Restringing): Sentence {
  const { targets, talk, question, report, step } = settling;
  if (question?.doubt) return doubtInWords(question.course, question.doubt);
  if (talk.notice) return settleNoticeInWords(talk.notice, targets);
  const { lessonMinutes, zone } = restringing;
  const clock = { now: settling.now(), zone };
  const [look] = report?.looks ?? [];
  const odd = report?.strings.flatMap((string) => slipsInWords(string) ?? []) ?? [];
  return settlingTaskInWords(step, {
    lesson: lessonAsked(lessonMinutes, report?.lessonAt ?? null, clock),
    sure: [...sentencesOf(report ? sureInWords(report.strings, report.at, clock) : null), ...odd],
    look: look ? moment(look.at, clock, 'time') : null,
  });
}
