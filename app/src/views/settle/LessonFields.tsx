import { Group, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import type { UseFormReturnType } from '@mantine/form';
import type { LabelId } from '@rosefinch/core/message';
import type { Restringing } from '@rosefinch/core/records';
import { WAYS, type Way } from '@rosefinch/core/settling';
import { LESSON_CENTS } from '@rosefinch/core/sitting';
import type { Words } from '@rosefinch/words';
import { wallClock } from '../../environment.ts';
import { decimals, judgedNumber, type NumberRule } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

const LESSON: NumberRule = {
  name: 'parts.ruleLesson',
  low: 5,
  high: 600,
  unit: 'minutes',
  whole: true,
};
const ALLOWED: NumberRule = { name: 'parts.ruleAllowed', low: 1, high: 20, unit: 'cents' };
const USUAL_LESSON = 45;
const WAY_WORDS: Readonly<Record<Way, LabelId>> = {
  roundByRound: 'settle.wayRounds',
  fivePulls: 'settle.wayFivePulls',
  high: 'settle.wayHigh',
};

/** The lesson as it is typed; dates speak the wall clock of this machine. */
export interface TypedLesson {
  readonly lesson: string;
  readonly minutes: number | string;
  readonly cents: number | string;
  readonly way: Way;
}

export function typedLesson(restringing?: Restringing): TypedLesson {
  const at = restringing?.lessonAt ?? null;
  return {
    lesson: at === null ? '' : wallClock(at),
    minutes: restringing?.lessonMinutes ?? USUAL_LESSON,
    cents: restringing?.lessonCents ?? LESSON_CENTS,
    way: restringing?.way ?? 'roundByRound',
  };
}

const complaint = (typed: number | string, rule: NumberRule, t: Words) => {
  const judged = judgedNumber(typed, rule, t);
  return typeof judged === 'number' ? null : judged;
};

/** What is wrong with a lesson as it is typed, field by field. */
export const lessonRules = (t: Words) => ({
  minutes: (typed: number | string) => complaint(typed, LESSON, t),
  cents: (typed: number | string) => complaint(typed, ALLOWED, t),
});

/** A moment of the wall clock here; `otherwise` where none was typed. */
export function momentOf(typed: string, otherwise: number): number {
  return typed === '' ? otherwise : new Date(typed).getTime();
}

/** What a restringing keeps of it; an emptied time takes the planned class away. */
export function lessonOf({ lesson, minutes, cents, way }: TypedLesson) {
  return {
    lessonMinutes: Number(minutes),
    lessonCents: Number(cents),
    way,
    lessonAt: lesson === '' ? null : momentOf(lesson, 0),
  };
}

/** When the next class is, how long, what it allows, and how these strings are settled. */
export function LessonFields<T extends TypedLesson>({ form }: { form: UseFormReturnType<T> }) {
  const t = useWords();
  return (
    <Group align="end">
      <TextInput
        label={t('settle.theNextClassIfIt')}
        type="datetime-local"
        {...form.getInputProps('lesson')}
      />
      <NumberInput
        {...decimals(t.reader)}
        label={t('settle.aLessonLastsMinutes')}
        w={170}
        clampBehavior="none"
        {...form.getInputProps('minutes')}
      />
      <NumberInput
        {...decimals(t.reader)}
        label={t('settle.aStringMayBeOff')}
        w={200}
        clampBehavior="none"
        {...form.getInputProps('cents')}
      />
      <NativeSelect
        label={t('settle.howYouSettleThem')}
        data={WAYS.map((value) => ({ value, label: t(WAY_WORDS[value]) }))}
        {...form.getInputProps('way')}
      />
    </Group>
  );
}
