import { Button, Checkbox, Group, NativeSelect, Stack, TextInput } from '@mantine/core';
import { type UseFormReturnType, useForm } from '@mantine/form';
import { findTuning } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import { materialInWords, stringTitle } from '@rosefinch/core/sentences';
import type { Instrument, StringSpec } from '@rosefinch/core/strings';
import { useData, useStock } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';
import { useWords } from '../../parts/words/index.ts';
import {
  LessonFields,
  lessonOf,
  lessonRules,
  momentOf,
  type TypedLesson,
  typedLesson,
} from './LessonFields.tsx';

const MATERIALS: readonly StringSpec['material'][] = ['steel', 'nylon', 'fluorocarbon', 'gut'];

/** What the form asks for, as it is typed; dates speak the wall clock of this machine. */
interface Asked extends TypedLesson {
  readonly fresh: readonly string[];
  readonly material: StringSpec['material'] | '';
  readonly fitted: string;
}

/** Says which strings are new, of what, and since when; then they are watched. */
export function StartForm({ instrument }: { instrument: Instrument }) {
  const t = useWords();
  const { repository } = useData();
  const courses = instrument.courses.map(({ number }) => number).reverse();
  const form = useForm<Asked>({
    initialValues: {
      fresh: courses.map(String),
      material: '',
      fitted: '',
      ...typedLesson(),
    },
    validate: {
      fresh: (fresh) => (fresh.length === 0 ? t('settle.atLeastOne') : null),
      fitted: (fitted) => (momentOf(fitted, 0) > now() ? t('settle.notAfterNow') : null),
      ...lessonRules(t),
    },
  });
  const begin = (asked: Asked) => repository.saveRestringing(restringingOf(instrument, asked));
  return (
    <form
      className="card medium"
      aria-label={t('settle.newStrings')}
      onSubmit={form.onSubmit((asked) => void begin(asked))}
    >
      <Stack>
        <p className="plan-head">{t('settle.howItGoes')}</p>
        <FreshStrings form={form} instrument={instrument} courses={courses} />
        <Facts form={form} />
        <LessonFields form={form} />
        <p className="soft">{t('settle.caution')}</p>
        <Group>
          <Button type="submit" size="lg" disabled={form.values.fresh.length === 0}>
            {t('settle.settleTheseStrings')}
          </Button>
        </Group>
      </Stack>
    </form>
  );
}

interface PartProps {
  readonly form: UseFormReturnType<Asked>;
}

interface StringsProps extends PartProps {
  readonly instrument: Instrument;
  readonly courses: readonly number[];
}

function FreshStrings({ form, instrument, courses }: StringsProps) {
  const t = useWords();
  const stock = useStock();
  const tuning = stock && findTuning(instrument.tuningId, stock.tunings);
  const label = (course: number) => {
    const midi = tuning?.courses[course - 1]?.[0];
    const named = t(stringTitle(instrument, course));
    return midi === undefined ? named : `${named}, ${t.note(midi, tuning?.accidental)}`;
  };
  const { value, ...rest } = form.getInputProps('fresh');
  return (
    <Checkbox.Group label={t('settle.whichNew')} value={[...value]} {...rest}>
      <Group mt="xs">
        {courses.map((course) => (
          <Checkbox key={course} value={String(course)} label={label(course)} />
        ))}
      </Group>
    </Checkbox.Group>
  );
}

function Facts({ form }: PartProps) {
  const t = useWords();
  return (
    <Group align="end">
      <NativeSelect
        label={t('settle.material')}
        data={[
          { value: '', label: t('settle.asTheInstrumentSays') },
          ...MATERIALS.map((value) => ({ value, label: t(materialInWords(value)) })),
        ]}
        {...form.getInputProps('material')}
      />
      <TextInput
        label={t('settle.fittedEmptyJustNow')}
        type="datetime-local"
        {...form.getInputProps('fitted')}
      />
    </Group>
  );
}

function restringingOf(instrument: Instrument, asked: Asked): Restringing {
  const { fresh, material, fitted } = asked;
  const numbers = instrument.courses.map(({ number }) => number);
  const usual = (course: number) =>
    instrument.courses[course - 1]?.strings[0]?.spec.material ?? 'steel';
  return {
    id: newId(),
    instrumentId: instrument.id,
    fittedAt: momentOf(fitted, now()),
    zone: zone(),
    strings: numbers
      .filter((course) => fresh.includes(String(course)))
      .map((course) => ({ course, material: material || usual(course) })),
    ...lessonOf(asked),
    looks: [],
    doneAt: null,
  };
}
