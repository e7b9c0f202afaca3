import { Button, Checkbox, Group, NativeSelect, Stack } from '@mantine/core';
import { type UseFormReturnType, useForm } from '@mantine/form';
import {
  FIFTEEN_FRETS,
  OCTAVE_FRETS,
  outerCourses,
  PRESSURES,
  TWELVE_FRETS,
  USEFUL_FRETS,
  USUAL_LIMIT,
} from '@rosefinch/core/intonation';
import type { FretCheck } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { capital, FRET_VIEW_SAYS, stringInWords } from '@rosefinch/core/words';
import { type Stock, useData } from '../../data/index.ts';
import { newId, newSeed, now, zone } from '../../environment.ts';
import { BridgeFirst } from './BridgeFirst.tsx';
import { Orders } from './Orders.tsx';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  /** Of this instrument, the newest first. */
  readonly checks: readonly FretCheck[];
  readonly onBegun: () => void;
}

/** What is to be read in a check. */
type Wanted = Pick<FretCheck, 'courses' | 'frets' | 'pressures' | 'led' | 'proves' | 'limit'>;

interface Asked {
  readonly courses: readonly string[];
  /** `led`: each place follows from what was read. */
  readonly frets: 'led' | 'useful' | 'fifteen' | 'octaves';
  readonly all: boolean;
  /** In cents. */
  readonly limit: string;
}

/** Says which strings and frets are to be read; then the check leads from note to note. */
export function StartForm({ instrument, stock, checks, onBegun }: Props) {
  const { repository } = useData();
  const numbers = instrument.courses.map(({ number }) => number).reverse();
  const form = useForm<Asked>({
    initialValues: {
      courses: numbers.map(String),
      frets: 'led',
      all: false,
      limit: String(USUAL_LIMIT),
    },
  });
  const begin = async (wanted: Wanted) => {
    await repository.saveFretCheck(checkOf(instrument, stock, wanted));
    onBegun();
  };
  const octaves = () =>
    begin({ courses: outerCourses(instrument), frets: OCTAVE_FRETS, pressures: ['normal'] });
  return (
    <form
      className="card medium"
      aria-label="Fret check"
      onSubmit={form.onSubmit((asked) => void begin(wantedOf(asked, numbers)))}
    >
      <Stack>
        <p className="plan-head">
          {FRET_VIEW_SAYS.howItGoes}
          {instrument.capo && ` ${FRET_VIEW_SAYS.fromCapo(instrument.capo)}`}
        </p>
        <Orders
          {...{ instrument, stock, checks }}
          onProve={(proves) =>
            void begin({ proves, courses: numbers, frets: TWELVE_FRETS, pressures: ['normal'] })
          }
        />
        {instrument.bridge !== 'fixed' && (
          <BridgeFirst scaleMm={instrument.scaleMm} onBegin={() => void octaves()} />
        )}
        <WhichNotes {...{ form, instrument, numbers }} />
        <Group>
          <Button type="submit" size="lg" disabled={form.values.courses.length === 0}>
            Begin the check
          </Button>
        </Group>
      </Stack>
    </form>
  );
}

const LIMITS = [4, 5, 6, 7, 8] as const;

interface NotesProps {
  readonly form: UseFormReturnType<Asked>;
  readonly instrument: Instrument;
  /** The highest first. */
  readonly numbers: readonly number[];
}

/** Which notes are to be read, and from where on one of them is wrong. */
function WhichNotes({ form, instrument, numbers }: NotesProps) {
  const { frets } = form.values;
  return (
    <>
      <NativeSelect
        label="Which notes?"
        description={frets === 'led' ? FRET_VIEW_SAYS.endsWhenDecided : undefined}
        maw={460}
        data={[
          { value: 'led', label: 'the whole neck, each place where it tells most' },
          { value: 'useful', label: 'chosen strings, frets 12, 1, 2, 3, 5, 7, 9' },
          { value: 'fifteen', label: 'chosen strings, the first fifteen frets' },
          ...(instrument.bridge === 'fixed'
            ? [{ value: 'octaves', label: 'octaves alone, where each string has its own saddle' }]
            : []),
        ]}
        {...form.getInputProps('frets')}
      />
      {frets !== 'octaves' && (
        <NativeSelect
          label="A note is wrong beyond"
          maw={460}
          data={LIMITS.map((cents) => ({ value: String(cents), label: `${cents} cents` }))}
          {...form.getInputProps('limit')}
        />
      )}
      {frets !== 'led' && <Chosen {...{ form, numbers, instrument }} />}
    </>
  );
}

/** Strings and pressures, where they are chosen. */
function Chosen({ form, numbers, instrument }: NotesProps) {
  const { value, ...courses } = form.getInputProps('courses');
  return (
    <>
      <Checkbox.Group label="Which strings?" value={[...value]} {...courses}>
        <Group mt="xs">
          {numbers.map((course) => (
            <Checkbox
              key={course}
              value={String(course)}
              label={capital(stringInWords(instrument, course))}
            />
          ))}
        </Group>
      </Checkbox.Group>
      {form.values.frets !== 'octaves' && (
        <Checkbox
          label="Soft, normal and hard: tells what the finger does"
          {...form.getInputProps('all', { type: 'checkbox' })}
        />
      )}
    </>
  );
}

function wantedOf(
  { courses, frets, all, limit: typed }: Asked,
  numbers: readonly number[],
): Wanted {
  const limit = Number(typed);
  if (frets === 'led')
    return {
      led: true,
      limit,
      courses: numbers,
      frets: TWELVE_FRETS,
      pressures: ['soft', 'normal'],
    };
  const chosen = numbers.filter((course) => courses.includes(String(course)));
  if (frets === 'octaves') return { courses: chosen, frets: OCTAVE_FRETS, pressures: ['normal'] };
  return {
    courses: chosen,
    frets: frets === 'useful' ? USEFUL_FRETS : FIFTEEN_FRETS,
    pressures: all ? PRESSURES : ['normal'],
    limit,
  };
}

function checkOf(instrument: Instrument, { settings }: Stock, wanted: Wanted): FretCheck {
  return {
    id: newId(),
    instrumentId: instrument.id,
    tuningId: instrument.tuningId,
    a4: settings.a4,
    ...(instrument.capo && { capo: instrument.capo }),
    source: 'practice',
    practiceSeed: newSeed(),
    startedAt: now(),
    zone: zone(),
    ...wanted,
    readings: [],
    doneAt: null,
  };
}
