import { settleNoticeInWords } from '@rosefinch/core/dialogue';
import type { Restringing } from '@rosefinch/core/records';
import {
  doubtInWords,
  lessonAsked,
  type Sentence,
  settlingTaskInWords,
  slipsInWords,
  soonInWords,
  sureInWords,
} from '@rosefinch/core/words';
import { locale } from '../../environment.ts';
import type { Settling } from './useSettling.ts';

type Told = Pick<Settling, 'targets' | 'talk' | 'question' | 'report' | 'step' | 'now'>;

/** The one sentence of new strings: a question before a notice, a notice before what is to be done. */
export function settleSentence(settling: Told, restringing: Restringing): Sentence {
  const { targets, talk, question, report, step } = settling;
  if (question?.doubt) return doubtInWords(question.course, question.doubt);
  if (talk.notice) return settleNoticeInWords(talk.notice, targets);
  const { lessonMinutes, zone } = restringing;
  const clock = { now: settling.now(), zone, reader: locale() };
  const [look] = report?.looks ?? [];
  const odd = report?.strings.flatMap((string) => slipsInWords(string) ?? []) ?? [];
  return settlingTaskInWords(step, {
    lesson: lessonAsked(lessonMinutes, report?.lessonAt ?? null, clock),
    sure: [report ? sureInWords(report.strings, report.at, clock) : '', ...odd]
      .filter(Boolean)
      .join(' '),
    look: look ? soonInWords(look.at, clock) : '',
  });
}
