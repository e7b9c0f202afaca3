import { Button, Checkbox, Group, NativeSelect, Stack, TextInput } from '@mantine/core';
import { type UseFormReturnType, useForm } from '@mantine/form';
import { findTuning, noteName } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import type { Instrument, StringSpec } from '@rosefinch/core/strings';
import { capital, SETTLE_SAYS, stringInWords } from '@rosefinch/core/words';
import { useData, useStock } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';
import {
  LESSON_RULES,
  LessonFields,
  lessonOf,
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
      fresh: (fresh) => (fresh.length === 0 ? 'At least one string' : null),
      fitted: (fitted) => (momentOf(fitted, 0) > now() ? SETTLE_SAYS.notAfterNow : null),
      ...LESSON_RULES,
    },
  });
  const begin = (asked: Asked) => repository.saveRestringing(restringingOf(instrument, asked));
  return (
    <form
      className="card medium"
      aria-label="New strings"
      onSubmit={form.onSubmit((asked) => void begin(asked))}
    >
      <Stack>
        <p className="plan-head">{SETTLE_SAYS.howItGoes}</p>
        <FreshStrings form={form} instrument={instrument} courses={courses} />
        <Facts form={form} />
        <LessonFields form={form} />
        <p className="soft">{SETTLE_SAYS.caution}</p>
        <Group>
          <Button type="submit" size="lg" disabled={form.values.fresh.length === 0}>
            Settle these strings
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
  const stock = useStock();
  const tuning = stock && findTuning(instrument.tuningId, stock.tunings);
  const label = (course: number) => {
    const midi = tuning?.courses[course - 1]?.[0];
    const named = capital(stringInWords(instrument, course));
    return midi === undefined ? named : `${named}, ${noteName(midi, tuning?.accidental)}`;
  };
  const { value, ...rest } = form.getInputProps('fresh');
  return (
    <Checkbox.Group label={SETTLE_SAYS.whichNew} value={[...value]} {...rest}>
      <Group mt="xs">
        {courses.map((course) => (
          <Checkbox key={course} value={String(course)} label={label(course)} />
        ))}
      </Group>
    </Checkbox.Group>
  );
}

function Facts({ form }: PartProps) {
  return (
    <Group align="end">
      <NativeSelect
        label="Material"
        data={[{ value: '', label: 'as the instrument says' }, ...MATERIALS]}
        {...form.getInputProps('material')}
      />
      <TextInput
        label="Fitted (empty: just now)"
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
