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
import { tuningsFor } from '@rosefinch/core/music';
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
import { SHELF_SAYS } from '@rosefinch/core/words';
import { useState } from 'react';
import type { Stock } from '../../data/index.ts';
import {
  CheckedLength,
  CheckedNumber,
  NotSaved,
  type NumberRule,
  Unsaved,
} from '../../parts/frame/index.ts';
import { LAYOUTS, withHand, withLayout, withPegKind } from './pegForms.ts';
import { StringTable } from './StringTable.tsx';

const SCALE: NumberRule = { name: 'Scale', low: 100, high: 1200, unit: ' mm' };
const FRETS: NumberRule = { name: 'Frets', low: 0, high: 40, unit: '', whole: true };
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
  const form = useForm<Values>({
    initialValues: { draft: instrument },
    validateInputOnChange: ['draft.name'],
    validate: { draft: { name: (name) => (name.trim() === '' ? 'Name: it needs one' : null) } },
  });
  const [problem, setProblem] = useState<string | null>(null);
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
    setProblem(SHELF_SAYS.fieldAbove);
  };
  const save = ({ draft: next }: Values) => {
    setProblem(null);
    if (wrong.size > 0) return refuse();
    onSave(next).catch((error: Error) => setProblem(error.message));
  };
  const changed = JSON.stringify(draft) !== JSON.stringify(instrument) || wrong.size > 0;
  const parts = { form, stock, lawful, change, put };
  return (
    <form onSubmit={form.onSubmit(save, refuse)}>
      <Stack>
        <Body {...parts} />
        <Pegs {...parts} />
        <Textarea label="Note" maw={560} {...form.getInputProps('draft.note')} />
        <TagsInput
          label="Groups"
          description={SHELF_SAYS.groups}
          maw={560}
          maxTags={20}
          value={[...(draft.groups ?? [])]}
          onChange={(groups) => change({ groups })}
        />
        <details open={detail} onToggle={(event) => setDetail(event.currentTarget.open)}>
          <summary>Strings in detail</summary>
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
          <Button type="submit">Save</Button>
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
  const { draft } = form.values;
  const tunings = tuningsFor(draft.kind, draft.courses.length, stock.tunings);
  const home = homeTuning(draft, stock.tunings);
  const twin = stock.shelf.find(
    ({ id, name }) => id !== draft.id && name.trim() === draft.name.trim(),
  );
  return (
    <Group align="end">
      <TextInput
        label="Name"
        maxLength={LONGEST_NAME}
        description={twin && SHELF_SAYS.sameName}
        {...form.getInputProps('draft.name')}
      />
      <NativeSelect
        label="Kept in"
        data={tunings.map(({ id, name }) => ({ value: id, label: name }))}
        value={home ? home.id : ''}
        onChange={(event) => {
          const { homeTuningId: _, ...rest } = draft;
          put({ ...rest, tuningId: event.currentTarget.value });
        }}
      />
      <CheckedLength
        rule={SCALE}
        label="Scale"
        w={130}
        valueMm={draft.scaleMm}
        onMm={(scaleMm) => change({ scaleMm })}
        onLawful={lawful('scale')}
      />
      <CheckedNumber
        rule={FRETS}
        label="Frets"
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
  const { draft } = form.values;
  const sets = setsFor(draft);
  if (sets.length === 0) return null;
  const on = setOf(draft);
  return (
    <NativeSelect
      label="Strings by the set"
      description={SHELF_SAYS.setsFromMemory}
      maw={360}
      my="xs"
      data={[
        ...(on ? [] : [{ value: '', label: 'of its own, as below' }]),
        ...sets.map(({ id, name }) => ({ value: id, label: name })),
      ]}
      value={on?.id ?? ''}
      onChange={(event) => {
        const chosen = sets.find(({ id }) => id === event.currentTarget.value);
        if (chosen) put(withSet(draft, chosen));
      }}
    />
  );
}

const BRIDGE_SAYS: Readonly<Record<Bridge, string>> = {
  fixed: 'moves the other strings little',
  loose: 'moves the other strings somewhat',
  floating: 'moves the other strings much: more passes',
};

function Pegs({ form, change, put }: PartProps) {
  const { draft } = form.values;
  const possible = layoutsFor(draft.kind, draft.courses.length);
  const peg = draft.courses[0]?.strings[0]?.peg;
  return (
    <Group align="end">
      <NativeSelect
        label="Pegs"
        data={LAYOUTS.filter(({ value }) => possible.includes(value))}
        value={draft.layout}
        onChange={(event) => change(withLayout(draft, event.currentTarget.value as PegLayout))}
      />
      <NativeSelect
        label="Peg type"
        data={['geared', 'planetary', 'direct']}
        value={peg ? peg.kind : 'geared'}
        onChange={(event) => change(withPegKind(draft, event.currentTarget.value as PegKind))}
      />
      <NativeSelect
        label="Bridge"
        description={BRIDGE_SAYS[draft.bridge]}
        data={['fixed', 'loose', 'floating']}
        value={draft.bridge}
        onChange={(event) => change({ bridge: event.currentTarget.value as Bridge })}
      />
      <Switch
        label="Left-handed"
        checked={draft.leftHanded === true}
        onChange={(event) => put(withHand(draft, event.currentTarget.checked))}
      />
    </Group>
  );
}
