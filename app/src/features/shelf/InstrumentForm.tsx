import {
  Button,
  Checkbox,
  Group,
  NativeSelect,
  Stack,
  Switch,
  Textarea,
  TextInput,
} from '@mantine/core';
import { targetsOf, tuningsFor } from '@rosefinch/core/music';
import {
  type Bridge,
  type Course,
  homeTuning,
  type Instrument,
  layoutsFor,
  MATERIALS,
  type Peg,
  type PegKind,
  type PegLayout,
  pegPlace,
  plainUnitWeight,
  type StringSpec,
  stringLoad,
  USUAL_RATIO,
  usualPeg,
} from '@rosefinch/core/strings';
import { useState } from 'react';
import type { Stock } from '../../data/index.ts';
import { CheckedNumber, forceFigure, NotSaved, type NumberRule, Unsaved } from '../../ui/index.ts';

const SCALE: NumberRule = { name: 'Scale', low: 100, high: 1200, unit: ' mm' };
const FRETS: NumberRule = { name: 'Frets', low: 0, high: 40, unit: '', whole: true };
/** Beyond these no wire is made, and its strength not known. */
const DIAMETER: NumberRule = { name: 'Diameter', low: 0.1, high: 6.5, unit: ' mm' };
const CORE: NumberRule = { name: 'Core', low: 0.1, high: 6.5, unit: ' mm' };
const WEIGHT: NumberRule = { name: 'Weight', low: 0.01, high: 100, unit: ' g/m' };
const RATIO: NumberRule = { name: 'Ratio', low: 0.2, high: 60, unit: '' };

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  /** Stores it. @throws RecordError naming the field that is wrong. */
  readonly onSave: (next: Instrument) => Promise<void>;
}

/** The facts that the arithmetic needs, each changeable; what they come to stands beside them. */
export function InstrumentForm({ instrument, stock, onSave }: Props) {
  const [draft, setDraft] = useState(instrument);
  const [problem, setProblem] = useState<string | null>(null);
  const [wrong, setWrong] = useState<ReadonlySet<string>>(new Set());
  const lawful = (field: string) => (is: boolean) =>
    setWrong((before) => {
      const next = new Set(before);
      if (is) next.delete(field);
      else next.add(field);
      return next;
    });
  const nameWrong = draft.name.trim() === '' ? 'Name: it needs one' : null;
  const twin = stock.shelf.find(
    ({ id, name }) => id !== draft.id && name.trim() === draft.name.trim(),
  );
  const changed = JSON.stringify(draft) !== JSON.stringify(instrument) || wrong.size > 0;
  const change = (part: Partial<Instrument>) => setDraft((d) => ({ ...d, ...part }));
  const changeCourse = (number: number, next: Course) =>
    change({ courses: draft.courses.map((c) => (c.number === number ? next : c)) });
  const save = () => {
    setProblem(null);
    if (wrong.size > 0 || nameWrong) return setProblem('A field above says what is wrong with it.');
    onSave(draft).catch((error: Error) => setProblem(error.message));
  };
  const tunings = tuningsFor(draft.kind, draft.courses.length, stock.tunings);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <Stack>
        <Group align="end">
          <TextInput
            label="Name"
            value={draft.name}
            maxLength={60}
            error={nameWrong}
            description={twin && 'Another one on the shelf has this name.'}
            onChange={(event) => change({ name: event.currentTarget.value })}
          />
          <NativeSelect
            label="Kept in"
            data={tunings.map(({ id, name }) => ({ value: id, label: name }))}
            value={homeTuning(draft, stock.tunings)?.id ?? ''}
            onChange={(event) => {
              const { homeTuningId: _, ...rest } = draft;
              setDraft({ ...rest, tuningId: event.currentTarget.value });
            }}
          />
          <CheckedNumber
            rule={SCALE}
            label="Scale, mm"
            w={130}
            value={draft.scaleMm}
            onValue={(scaleMm) => change({ scaleMm })}
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
        <Group align="end">
          <NativeSelect
            label="Pegs"
            data={LAYOUTS.filter(({ value }) =>
              layoutsFor(draft.kind, draft.courses.length).includes(value),
            )}
            value={draft.layout}
            onChange={(event) =>
              setDraft(withLayout(draft, event.currentTarget.value as PegLayout))
            }
          />
          <NativeSelect
            label="Peg type"
            data={['geared', 'planetary', 'direct']}
            value={draft.courses[0]?.strings[0]?.peg.kind ?? 'geared'}
            onChange={(event) => setDraft(withPegKind(draft, event.currentTarget.value as PegKind))}
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
            onChange={(event) => {
              const { leftHanded: _, ...rest } = draft;
              setDraft(event.currentTarget.checked ? { ...rest, leftHanded: true } : rest);
            }}
          />
        </Group>
        <Textarea
          label="Note"
          maw={560}
          value={draft.note}
          onChange={(event) => change({ note: event.currentTarget.value })}
        />
        <Strings instrument={draft} stock={stock} onChange={changeCourse} lawful={lawful} />
        <Unsaved changed={changed} />
        <NotSaved reason={problem} />
        <Group>
          <Button type="submit">Save</Button>
        </Group>
      </Stack>
    </form>
  );
}

/** The ways in which pegs stand, in words. */
const LAYOUTS: readonly { readonly value: PegLayout; readonly label: string }[] = [
  { value: '3+3', label: 'three a side' },
  { value: '4+3', label: 'four above, three below' },
  { value: '2+2', label: 'two a side' },
  { value: '2+2 and a side peg', label: 'two a side, one on the neck' },
  { value: 'in line', label: 'all in line above' },
  { value: 'in line, reversed', label: 'all in line below' },
];

/** Core as a share of the diameter, weight as a share of a solid string's: of the sets of the models. */
const USUAL_WOUND = {
  steel: { core: 0.4, weight: 0.83 },
  other: { core: 0.65, weight: 4.6 },
} as const;

const DIRECTIONS: Peg['tighten'][] = [
  'away from you',
  'towards you',
  'clockwise',
  'counter-clockwise',
];

const BRIDGE_SAYS: Readonly<Record<Bridge, string>> = {
  fixed: 'moves the other strings little',
  loose: 'moves the other strings somewhat',
  floating: 'moves the other strings much: more passes',
};

/** The instrument with its pegs in another layout; directions that no test has shown are guessed anew. */
function withLayout(instrument: Instrument, layout: PegLayout): Instrument {
  return withPegs({ ...instrument, layout }, (peg, course) => {
    if (peg.known === 'tested') return peg;
    const { tighten } = usualPeg(peg.kind, pegPlace(layout, course, instrument.courses.length));
    return { ...peg, tighten };
  });
}

/** The instrument with pegs of another kind, at their usual ratio; a side peg stays as it is. */
function withPegKind(instrument: Instrument, kind: PegKind): Instrument {
  const { layout, courses } = instrument;
  return withPegs(instrument, (peg, course) =>
    pegPlace(layout, course, courses.length).row === 'side'
      ? peg
      : {
          ...peg,
          kind,
          ratio: USUAL_RATIO[kind],
          ...(peg.known === 'assumed' && {
            tighten: usualPeg(kind, pegPlace(layout, course, courses.length)).tighten,
          }),
        },
  );
}

function withPegs(instrument: Instrument, change: (peg: Peg, course: number) => Peg): Instrument {
  const courses = instrument.courses.map((course) => ({
    ...course,
    strings: course.strings.map(({ spec, peg }) => ({ spec, peg: change(peg, course.number) })),
  }));
  return { ...instrument, courses };
}

interface StringsProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly onChange: (number: number, next: Course) => void;
  /** Told of each field whether it can be so. */
  readonly lawful: (field: string) => (is: boolean) => void;
}

function Strings({ instrument, stock, onChange, lawful }: StringsProps) {
  return (
    <div className="wide">
      <table className="ledger" aria-label="Strings and pegs">
        <thead>
          <tr>
            <th scope="col">string</th>
            <th scope="col">material</th>
            <th scope="col">wound</th>
            <th scope="col">diameter, mm</th>
            <th scope="col">core, mm</th>
            <th scope="col">weight, g/m</th>
            <th scope="col">tighten</th>
            <th scope="col">peg ratio</th>
            <th scope="col">tension, {stock.settings.force}</th>
            <th scope="col">to breaking, semitones</th>
          </tr>
        </thead>
        <tbody>
          {instrument.courses.toReversed().map((course) => (
            <StringRow
              key={course.number}
              instrument={instrument}
              stock={stock}
              course={course}
              onChange={(next) => onChange(course.number, next)}
              lawful={lawful}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface RowProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly course: Course;
  readonly onChange: (next: Course) => void;
  readonly lawful: StringsProps['lawful'];
}

function StringRow({ instrument, stock, course, onChange, lawful }: RowProps) {
  const [first, ...others] = course.strings;
  if (!first) return null;
  const { spec, peg } = first;
  const withSpec = (part: Partial<StringSpec>) =>
    onChange({ ...course, strings: [{ peg, spec: settled({ ...spec, ...part }) }, ...others] });
  const withPeg = (part: Partial<Peg>) =>
    onChange({ ...course, strings: [{ spec, peg: { ...peg, ...part } }, ...others] });
  const figure = (rule: NumberRule, value: number, set: (value: number) => void, off = false) => (
    <CheckedNumber
      rule={rule}
      onLawful={lawful(`${rule.name} ${course.number}`)}
      aria-label={`${rule.name} of string ${course.number}`}
      size="xs"
      w={92}
      decimalScale={4}
      hideControls
      disabled={off}
      value={value}
      onValue={set}
    />
  );
  return (
    <tr>
      <th scope="row">{course.number}</th>
      <td>
        <NativeSelect
          aria-label={`Material of string ${course.number}`}
          size="xs"
          data={Object.keys(MATERIALS)}
          value={spec.material}
          onChange={(event) =>
            withSpec({ material: event.currentTarget.value as StringSpec['material'] })
          }
        />
      </td>
      <td>
        <Checkbox
          aria-label={`String ${course.number} is wound`}
          checked={spec.wound}
          onChange={(event) => withSpec(rewound(spec, event.currentTarget.checked))}
        />
      </td>
      <td>{figure(DIAMETER, spec.diameterMm, (diameterMm) => withSpec({ diameterMm }))}</td>
      <td>{figure(CORE, spec.coreMm, (coreMm) => withSpec({ coreMm }), !spec.wound)}</td>
      <td>
        {figure(
          WEIGHT,
          1000 * spec.unitWeight,
          (grams) => withSpec({ unitWeight: grams / 1000 }),
          !spec.wound,
        )}
      </td>
      <td>
        <NativeSelect
          aria-label={`Tighten string ${course.number}`}
          size="xs"
          data={DIRECTIONS}
          value={peg.tighten}
          onChange={(event) => withPeg({ tighten: event.currentTarget.value as Peg['tighten'] })}
        />
        <div className="soft">{triedInWords(peg)}</div>
      </td>
      <td>{figure(RATIO, peg.ratio, (ratio) => withPeg({ ratio }))}</td>
      <Outcome instrument={instrument} stock={stock} course={course.number} spec={spec} />
    </tr>
  );
}

/** @example triedInWords(peg) // => 'tried, figures good to 12 %' */
function triedInWords({ known, measured }: Peg): string {
  if (known === 'assumed') return 'not tried';
  return measured ? `tried, figures good to ${Math.round(100 * measured.error)} %` : 'tried';
}

/** Of a wound string nothing but its diameter is known at first: core and weight as is usual. */
function rewound(spec: StringSpec, wound: boolean): Partial<StringSpec> {
  if (!wound) return { wound };
  const { density } = MATERIALS[spec.material];
  const solid = plainUnitWeight(density, spec.diameterMm);
  const share = spec.material === 'steel' ? USUAL_WOUND.steel : USUAL_WOUND.other;
  return {
    wound,
    coreMm: Math.round(100 * share.core * spec.diameterMm) / 100,
    unitWeight: share.weight * solid,
  };
}

/** A plain string carries its whole diameter, and weighs what its material does. */
function settled(spec: StringSpec): StringSpec {
  if (spec.wound) return spec;
  const { density } = MATERIALS[spec.material];
  return {
    ...spec,
    coreMm: spec.diameterMm,
    unitWeight: plainUnitWeight(density, spec.diameterMm),
  };
}

interface OutcomeProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly course: number;
  readonly spec: StringSpec;
}

/** What the string carries in the tuning that the instrument is kept in. */
function Outcome({ instrument, stock, course, spec }: OutcomeProps) {
  const { settings, tunings } = stock;
  const home = homeTuning(instrument, tunings);
  const hz = home && targetsOf(home, settings.a4)[course - 1]?.hz;
  // While a figure is being typed it may be no string yet.
  const whole = spec.coreMm >= 0.1 && spec.coreMm <= 6.5 && spec.unitWeight > 0;
  const load = hz && whole && instrument.scaleMm > 0 ? stringLoad(instrument, course, hz) : null;
  if (!load)
    return (
      <>
        <td>–</td>
        <td>–</td>
      </>
    );
  return (
    <>
      <td>{forceFigure(load.tension, settings.force)}</td>
      <td>{load.headroom.toFixed(1)}</td>
    </>
  );
}
