import {
  Button,
  Group,
  NativeSelect,
  Stack,
  Switch,
  TagsInput,
  Textarea,
  TextInput,
} from '@mantine/core';
import { type UseFormReturnType, useForm } from '@mantine/form';
import { problemOf } from '@rosefinch/core/errors';
import type { LabelId, Value } from '@rosefinch/core/message';
import { tuningsFor } from '@rosefinch/core/music';
import { tuningName } from '@rosefinch/core/sentences';
import {
  type Bridge,
  type Course,
  homeTuning,
  type Instrument,
  layoutsFor,
  type PegKind,
  type PegLayout,
  setOf,
  setsFor,
  withSet,
} from '@rosefinch/core/strings';
import { useState } from 'react';
import type { Stock } from '../../data/index.ts';
import {
  CheckedLength,
  CheckedNumber,
  NotSaved,
  type NumberRule,
  Unsaved,
} from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { LAYOUTS, withHand, withLayout, withPegKind } from './pegForms.ts';
import { StringTable } from './StringTable.tsx';

const SCALE: NumberRule = { name: 'parts.ruleScale', low: 100, high: 1200, unit: 'mm' };
const FRETS: NumberRule = {
  name: 'parts.ruleFrets',
  low: 0,
  high: 40,
  unit: 'none',
  whole: true,
};
/** Longer names no label holds. */
const LONGEST_NAME = 60;

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  /** Stores it. @throws RecordError naming the field that is wrong. */
  readonly onSave: (next: Instrument) => Promise<void>;
}

/** The instrument as it is typed: one value, for parts of it may be absent. */
interface Values {
  readonly draft: Instrument;
}

/** The facts that the arithmetic needs, each changeable; what they come to stands beside them. */
export function InstrumentForm({ instrument, stock, onSave }: Props) {
  const t = useWords();
  const form = useForm<Values>({
    initialValues: { draft: instrument },
    validateInputOnChange: ['draft.name'],
    validate: { draft: { name: (name) => (name.trim() === '' ? t('shelf.nameNeeded') : null) } },
  });
  const [problem, setProblem] = useState<Value | null>(null);
  const { wrong, lawful } = useWrongFields();
  const { draft } = form.values;
  const put = (next: Instrument) => form.setFieldValue('draft', next);
  const change = (part: Partial<Instrument>) => put({ ...draft, ...part });
  const changeCourse = (number: number, next: Course) =>
    change({ courses: draft.courses.map((c) => (c.number === number ? next : c)) });
  const [detail, setDetail] = useState(false);
  const refuse = () => {
    // The field may be folded away.
    setDetail(true);
    setProblem(t('shelf.fieldAbove'));
  };
  const save = ({ draft: next }: Values) => {
    setProblem(null);
    if (wrong.size > 0) return refuse();
    onSave(next).catch((error: Error) => setProblem(problemOf(error)));
  };
  const changed = JSON.stringify(draft) !== JSON.stringify(instrument) || wrong.size > 0;
  const parts = { form, stock, lawful, change, put };
  return (
    <form onSubmit={form.onSubmit(save, refuse)}>
      <Stack>
        <Body {...parts} />
        <Pegs {...parts} />
        <Textarea label={t('shelf.note')} maw={560} {...form.getInputProps('draft.note')} />
        <TagsInput
          label={t('shelf.groups2')}
          description={t('shelf.groups')}
          maw={560}
          maxTags={20}
          value={[...(draft.groups ?? [])]}
          onChange={(groups) => change({ groups })}
        />
        <details open={detail} onToggle={(event) => setDetail(event.currentTarget.open)}>
          <summary>{t('shelf.stringsInDetail')}</summary>
          <SetChoice {...parts} />
          <StringTable
            instrument={draft}
            stock={stock}
            onChange={changeCourse}
            onCount={put}
            lawful={lawful}
          />
        </details>
        <Unsaved changed={changed} />
        <NotSaved reason={problem} />
        <Group>
          <Button type="submit" variant={changed ? 'filled' : 'default'}>
            {t('shelf.save')}
          </Button>
        </Group>
      </Stack>
    </form>
  );
}

/** Told of each field whether it can be so. */
type Lawful = (field: string) => (is: boolean) => void;

/** Fields in which something stands that cannot be. */
function useWrongFields(): { readonly wrong: ReadonlySet<string>; readonly lawful: Lawful } {
  const [wrong, setWrong] = useState<ReadonlySet<string>>(new Set());
  const lawful = (field: string) => (is: boolean) =>
    setWrong((before) => {
      const next = new Set(before);
      if (is) next.delete(field);
      else next.add(field);
      return next;
    });
  return { wrong, lawful };
}

interface PartProps {
  readonly form: UseFormReturnType<Values>;
  readonly stock: Stock;
  readonly lawful: Lawful;
  readonly change: (part: Partial<Instrument>) => void;
  readonly put: (next: Instrument) => void;
}

function Body({ form, stock, lawful, change, put }: PartProps) {
  const t = useWords();
  const { draft } = form.values;
  const tunings = tuningsFor(draft.kind, draft.courses.length, stock.tunings);
  const home = homeTuning(draft, stock.tunings);
  const twin = stock.shelf.find(
    ({ id, name }) => id !== draft.id && name.trim() === draft.name.trim(),
  );
  return (
    <Group align="end">
      <TextInput
        label={t('shelf.name')}
        maxLength={LONGEST_NAME}
        description={twin && t('shelf.sameName')}
        {...form.getInputProps('draft.name')}
      />
      <NativeSelect
        label={t('shelf.keptIn')}
        data={tunings.map((one) => ({ value: one.id, label: t.value(tuningName(one)) }))}
        value={home ? home.id : ''}
        onChange={(event) => {
          const { homeTuningId: _, ...rest } = draft;
          put({ ...rest, tuningId: event.currentTarget.value });
        }}
      />
      <CheckedLength
        rule={SCALE}
        label={t('shelf.scale')}
        w={130}
        valueMm={draft.scaleMm}
        onMm={(scaleMm) => change({ scaleMm })}
        onLawful={lawful('scale')}
      />
      <CheckedNumber
        rule={FRETS}
        label={t('shelf.frets')}
        w={110}
        value={draft.frets}
        onValue={(frets) => change({ frets })}
        onLawful={lawful('frets')}
      />
    </Group>
  );
}

/** Strings by the set; one by one below. */
function SetChoice({ form, put }: Pick<PartProps, 'form' | 'put'>) {
  const t = useWords();
  const { draft } = form.values;
  const sets = setsFor(draft);
  if (sets.length === 0) return null;
  const on = setOf(draft);
  return (
    <NativeSelect
      label={t('shelf.stringsByTheSet')}
      description={t('shelf.setsFromMemory')}
      maw={360}
      my="xs"
      data={[
        ...(on ? [] : [{ value: '', label: t('shelf.ofItsOwnAsBelow') }]),
        ...sets.map(({ id, name }) => ({ value: id, label: t(name) })),
      ]}
      value={on?.id ?? ''}
      onChange={(event) => {
        const chosen = sets.find(({ id }) => id === event.currentTarget.value);
        if (chosen) put(withSet(draft, chosen));
      }}
    />
  );
}

const BRIDGE_SAYS: Readonly<Record<Bridge, LabelId>> = {
  fixed: 'shelf.bridgeFixedSays',
  loose: 'shelf.bridgeLooseSays',
  floating: 'shelf.bridgeFloatingSays',
};

const BRIDGES: readonly { readonly value: Bridge; readonly label: LabelId }[] = [
  { value: 'fixed', label: 'shelf.bridgeFixed' },
  { value: 'loose', label: 'shelf.bridgeLoose' },
  { value: 'floating', label: 'shelf.bridgeFloating' },
];

const PEG_KINDS: readonly { readonly value: PegKind; readonly label: LabelId }[] = [
  { value: 'geared', label: 'shelf.pegsGeared' },
  { value: 'planetary', label: 'shelf.pegsPlanetary' },
  { value: 'direct', label: 'shelf.pegsDirect' },
];

function Pegs({ form, change, put }: PartProps) {
  const t = useWords();
  const { draft } = form.values;
  const labelled = ({ value, label }: { readonly value: string; readonly label: LabelId }) => ({
    value,
    label: t(label),
  });
  const possible = layoutsFor(draft.kind, draft.courses.length);
  const peg = draft.courses[0]?.strings[0]?.peg;
  return (
    <Group align="end">
      <NativeSelect
        label={t('shelf.pegs')}
        data={LAYOUTS.filter(({ value }) => possible.includes(value)).map(labelled)}
        value={draft.layout}
        onChange={(event) => change(withLayout(draft, event.currentTarget.value as PegLayout))}
      />
      <NativeSelect
        label={t('shelf.pegType')}
        data={PEG_KINDS.map(labelled)}
        value={peg ? peg.kind : 'geared'}
        onChange={(event) => change(withPegKind(draft, event.currentTarget.value as PegKind))}
      />
      <NativeSelect
        label={t('shelf.bridge')}
        description={t(BRIDGE_SAYS[draft.bridge])}
        data={BRIDGES.map(labelled)}
        value={draft.bridge}
        onChange={(event) => change({ bridge: event.currentTarget.value as Bridge })}
      />
      <Switch
        label={t('shelf.leftHanded')}
        checked={draft.leftHanded === true}
        onChange={(event) => put(withHand(draft, event.currentTarget.checked))}
      />
    </Group>
  );
}
