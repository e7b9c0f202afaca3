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
import { stringTitle } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import { type Stock, useData } from '../../data/index.ts';
import { newId, newSeed, now, zone } from '../../environment.ts';
import { useWords } from '../../parts/words/index.ts';
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
  const t = useWords();
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
      aria-label={t('frets.fretCheck')}
      onSubmit={form.onSubmit((asked) => void begin(wantedOf(asked, numbers)))}
    >
      <Stack>
        <p className="plan-head">
          {t('frets.howItGoes')}
          {instrument.capo && ` ${t('frets.fromCapo', { capo: instrument.capo })}`}
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
            {t('frets.beginTheCheck')}
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
  const t = useWords();
  const { frets } = form.values;
  return (
    <>
      <NativeSelect
        label={t('frets.whichNotes')}
        description={frets === 'led' ? t('frets.endsWhenDecided') : undefined}
        maw={460}
        data={[
          { value: 'led', label: t('frets.theWholeNeckEachPlace') },
          { value: 'useful', label: t('frets.chosenStringsFrets121') },
          { value: 'fifteen', label: t('frets.chosenStringsTheFirstFifteen') },
          ...(instrument.bridge === 'fixed'
            ? [{ value: 'octaves', label: t('frets.octavesAloneWhereEachString') }]
            : []),
        ]}
        {...form.getInputProps('frets')}
      />
      {frets !== 'octaves' && (
        <NativeSelect
          label={t('frets.aNoteIsWrongBeyond')}
          maw={460}
          data={LIMITS.map((cents) => ({
            value: String(cents),
            label: t('frets.limitCents', { cents }),
          }))}
          {...form.getInputProps('limit')}
        />
      )}
      {frets !== 'led' && <Chosen {...{ form, numbers, instrument }} />}
    </>
  );
}

/** Strings and pressures, where they are chosen. */
function Chosen({ form, numbers, instrument }: NotesProps) {
  const t = useWords();
  const { value, ...courses } = form.getInputProps('courses');
  return (
    <>
      <Checkbox.Group label={t('frets.whichStrings')} value={[...value]} {...courses}>
        <Group mt="xs">
          {numbers.map((course) => (
            <Checkbox
              key={course}
              value={String(course)}
              label={t(stringTitle(instrument, course))}
            />
          ))}
        </Group>
      </Checkbox.Group>
      {form.values.frets !== 'octaves' && (
        <Checkbox
          label={t('frets.softNormalAndHardTells')}
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
