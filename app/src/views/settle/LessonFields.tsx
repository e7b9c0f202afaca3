import { Group, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import type { UseFormReturnType } from '@mantine/form';
import type { Restringing } from '@rosefinch/core/records';
import { WAYS, type Way } from '@rosefinch/core/settling';
import { LESSON_CENTS } from '@rosefinch/core/sitting';
import { wallClock } from '../../environment.ts';
import { decimals, judgedNumber, type NumberRule } from '../../parts/frame/index.ts';

const LESSON: NumberRule = { name: 'Lesson', low: 5, high: 600, unit: ' minutes', whole: true };
const ALLOWED: NumberRule = { name: 'A string may be off by', low: 1, high: 20, unit: ' cents' };
const USUAL_LESSON = 45;
const WAY_WORDS: Readonly<Record<Way, string>> = {
  'round by round': 'pull once, read, bring up',
  'five pulls': 'pull five times, read once',
  high: 'tune a little high and wait',
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
    way: restringing?.way ?? 'round by round',
  };
}

const complaint = (typed: number | string, rule: NumberRule) => {
  const judged = judgedNumber(typed, rule);
  return typeof judged === 'number' ? null : judged;
};

export const LESSON_RULES = {
  minutes: (typed: number | string) => complaint(typed, LESSON),
  cents: (typed: number | string) => complaint(typed, ALLOWED),
};

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
  return (
    <Group align="end">
      <TextInput
        label="The next class, if it is planned"
        type="datetime-local"
        {...form.getInputProps('lesson')}
      />
      <NumberInput
        {...decimals()}
        label="A lesson lasts, minutes"
        w={170}
        clampBehavior="none"
        {...form.getInputProps('minutes')}
      />
      <NumberInput
        {...decimals()}
        label="A string may be off by, cents"
        w={200}
        clampBehavior="none"
        {...form.getInputProps('cents')}
      />
      <NativeSelect
        label="How you settle them"
        data={WAYS.map((value) => ({ value, label: WAY_WORDS[value] }))}
        {...form.getInputProps('way')}
      />
    </Group>
  );
}
