import { Button, Group, Stack } from '@mantine/core';
import { useForm } from '@mantine/form';
import type { Restringing } from '@rosefinch/core/records';
import { useData } from '../../data/index.ts';
import { useWords } from '../../parts/words/index.ts';
import {
  LessonFields,
  lessonOf,
  lessonRules,
  type TypedLesson,
  typedLesson,
} from './LessonFields.tsx';

interface Props {
  readonly restringing: Restringing;
  readonly onDone: () => void;
}

/** Changes what the strings must hold, while they are being settled. */
export function LessonForm({ restringing, onDone }: Props) {
  const t = useWords();
  const { repository } = useData();
  const form = useForm<TypedLesson>({
    initialValues: typedLesson(restringing),
    validate: lessonRules(t),
  });
  const keep = async (typed: TypedLesson) => {
    await repository.changeRestringing(restringing.id, lessonOf(typed));
    onDone();
  };
  return (
    <form aria-label={t('settle.theLesson')} onSubmit={form.onSubmit((typed) => void keep(typed))}>
      <Stack>
        <LessonFields form={form} />
        <Group>
          <Button type="submit">{t('settle.keepIt')}</Button>
        </Group>
      </Stack>
    </form>
  );
}
