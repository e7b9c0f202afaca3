import {
  Button,
  Checkbox,
  Group,
  NativeSelect,
  NumberInput,
  Stack,
  TextInput,
} from '@mantine/core';
import { type UseFormReturnType, useForm } from '@mantine/form';
import { findTuning, noteName } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import type { Instrument, StringSpec } from '@rosefinch/core/strings';
import { useData, useStock } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';
import { judgedNumber, type NumberRule } from '../../parts/frame/index.ts';

const MATERIALS: readonly StringSpec['material'][] = ['steel', 'nylon', 'fluorocarbon', 'gut'];
const LESSON: NumberRule = { name: 'Lesson', low: 5, high: 600, unit: ' minutes', whole: true };
const USUAL_LESSON = 45;

/** What the form asks for, as it is typed; dates speak the wall clock of this machine. */
interface Asked {
  readonly fresh: readonly string[];
  readonly material: StringSpec['material'] | '';
  readonly fitted: string;
  readonly lesson: string;
  readonly minutes: number | string;
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
      lesson: '',
      minutes: USUAL_LESSON,
    },
    validate: {
      fresh: (fresh) => (fresh.length === 0 ? 'At least one string' : null),
      fitted: (fitted) =>
        momentOf(fitted, 0) > now() ? 'The strings cannot have been fitted after now.' : null,
      minutes: (minutes) => {
        const judged = judgedNumber(minutes, LESSON);
        return typeof judged === 'number' ? null : judged;
      },
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
        <p className="plan-head">
          Read a new string, pull it gently, read how far it dropped, bring it up again: each time
          it drops less. Here that is measured, and told when it will hold.
        </p>
        <FreshStrings form={form} instrument={instrument} courses={courses} />
        <Facts form={form} />
        <p className="soft">
          A string under tension can snap: face away, wear glasses, cut the ends.
        </p>
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
    return `String ${course}${midi === undefined ? '' : `, ${noteName(midi, tuning?.accidental)}`}`;
  };
  const { value, ...rest } = form.getInputProps('fresh');
  return (
    <Checkbox.Group label="Which strings are new?" value={[...value]} {...rest}>
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
      <TextInput
        label="The next lesson, if it is planned"
        type="datetime-local"
        {...form.getInputProps('lesson')}
      />
      <NumberInput
        label="A lesson lasts, minutes"
        w={150}
        clampBehavior="none"
        {...form.getInputProps('minutes')}
      />
    </Group>
  );
}

/** A moment of the wall clock here; `otherwise` where none was typed. */
function momentOf(typed: string, otherwise: number): number {
  return typed === '' ? otherwise : new Date(typed).getTime();
}

function restringingOf(instrument: Instrument, asked: Asked): Restringing {
  const { fresh, material, fitted, lesson, minutes } = asked;
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
    lessonMinutes: Number(minutes),
    ...(lesson !== '' && { lessonAt: momentOf(lesson, 0) }),
    looks: [],
    doneAt: null,
  };
}
