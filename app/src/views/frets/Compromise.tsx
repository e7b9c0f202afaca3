import { Button, Checkbox, Group, NativeSelect, TextInput } from '@mantine/core';
import {
  commonShapes,
  compromiseOf,
  errorOf,
  type FretErrors,
  outcomeOf,
  parseShape,
  type Shape,
  type ShapeOutcome,
  type StringCauses,
  type Way,
} from '@rosefinch/core/intonation';
import { findTuning, offsetsOf } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { homeTuning, type Instrument } from '@rosefinch/core/strings';
import type { Cents, Midi } from '@rosefinch/core/units';
import { signedCents } from '@rosefinch/core/words';
import { useState } from 'react';
import { type Stock, useData } from '../../data/index.ts';

/** The note 69 of the MIDI standard. */
const MIDI_A4: Midi = 69;

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly check: FretCheck;
  readonly causes: ReadonlyMap<number, StringCauses>;
}

/** How the open strings are best detuned for the chords that are really played. */
export function Compromise({ instrument, stock, check, causes }: Props) {
  const courses = instrument.courses.length;
  const errors = errorsOf(check, causes, courses);
  return errors && <CompromiseOf {...{ instrument, stock, check, errors }} />;
}

interface OfProps extends Omit<Props, 'causes'> {
  readonly errors: FretErrors;
}

function CompromiseOf({ instrument, stock, check, errors }: OfProps) {
  const courses = instrument.courses.length;
  const common = commonShapes(check.tuningId);
  const [names, setNames] = useState<readonly string[]>(common.map(({ name }) => name));
  const [typed, setTyped] = useState('');
  const [way, setWay] = useState<Way>('least squares');
  const own = ownShapes(typed, courses);
  const shapes = [...common.filter(({ name }) => names.includes(name)), ...own.shapes];
  return (
    <section className="card medium" aria-label="Compromise">
      <strong>A compromise of the open strings</strong>
      <Group align="end">
        <NativeSelect
          label="Chords come out"
          data={[
            { value: 'least squares', label: 'best on the whole' },
            { value: 'minimax', label: 'with the least worst note' },
          ]}
          value={way}
          onChange={(event) =>
            setWay(event.currentTarget.value === 'minimax' ? 'minimax' : 'least squares')
          }
        />
        <TextInput
          label={`Own chords, string ${courses} first`}
          description="one fret a string, x for none; more than one with ; between"
          value={typed}
          error={own.wrong.length > 0 ? `not ${courses} frets: ${own.wrong.join('; ')}` : null}
          onChange={(event) => setTyped(event.currentTarget.value)}
        />
      </Group>
      {common.length > 0 && <Played common={common} names={names} onNames={setNames} />}
      {shapes.length === 0 ? (
        <p>Choose or type the chords that are really played.</p>
      ) : (
        <Result {...{ instrument, stock, check, shapes, errors, way }} />
      )}
    </section>
  );
}

/** Chords as they were typed, and what of it is none. */
function ownShapes(typed: string, courses: number): { shapes: Shape[]; wrong: string[] } {
  const own = typed
    .split(/[;\n]+/)
    .map((text) => text.trim())
    .filter(Boolean);
  const parsed = own.map((text) => ({ text, shape: parseShape(text, courses) }));
  return {
    shapes: parsed.flatMap(({ shape }) => shape ?? []),
    wrong: parsed.filter(({ shape }) => shape === null).map(({ text }) => text),
  };
}

interface PlayedProps {
  readonly common: readonly Shape[];
  readonly names: readonly string[];
  readonly onNames: (names: readonly string[]) => void;
}

function Played({ common, names, onNames }: PlayedProps) {
  return (
    <Checkbox.Group mt="xs" label="Chords that are played" value={[...names]} onChange={onNames}>
      <Group mt={4}>
        {common.map(({ name }) => (
          <Checkbox key={name} value={name} label={name} />
        ))}
      </Group>
    </Checkbox.Group>
  );
}

interface ResultProps extends OfProps {
  readonly shapes: readonly Shape[];
  readonly way: Way;
}

function Result({ instrument, stock, check, shapes, errors, way }: ResultProps) {
  const offsets = compromiseOf(shapes, errors, way);
  const { saved, save } = useSaveCompromise(instrument, stock, check);
  return (
    <>
      <p>
        Open strings:{' '}
        {offsets
          .map((cents, i) => `${i + 1}: ${signedCents(cents)}`)
          .reverse()
          .join(' · ')}{' '}
        cents.
      </p>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">chord</th>
            <th scope="col">widest pair before, cents</th>
            <th scope="col">after</th>
            <th scope="col">each string after, highest number first</th>
          </tr>
        </thead>
        <tbody>
          {shapes.map((shape) => (
            <Chord key={shape.name} outcome={outcomeOf(shape, errors, offsets)} />
          ))}
        </tbody>
      </table>
      <Group mt="sm">
        <Button onClick={() => void save(offsets)}>Tune {instrument.name} so from now on</Button>
        {saved && <span role="status">{saved}</span>}
      </Group>
    </>
  );
}

function Chord({ outcome }: { readonly outcome: ShapeOutcome }) {
  const { name, worstBefore, worstAfter, after } = outcome;
  const strings = after.map((cents) => (cents === null ? 'x' : signedCents(cents)));
  return (
    <tr>
      <th scope="row">{name}</th>
      <td>{worstBefore.toFixed(1)}</td>
      <td>{worstAfter.toFixed(1)}</td>
      <td>{strings.reverse().join(' ')}</td>
    </tr>
  );
}

/** Makes a tuning of the offsets, and has the bench aim the instrument at it. */
function useSaveCompromise(instrument: Instrument, stock: Stock, check: FretCheck) {
  const { repository } = useData();
  const [saved, setSaved] = useState<string | null>(null);
  const save = async (offsets: readonly Cents[]) => {
    const tuning = findTuning(check.tuningId, stock.tunings);
    if (!tuning) return;
    const notes = tuning.courses.map(([midi = MIDI_A4]) => midi);
    const base = offsetsOf(notes, tuning.temper);
    const tenths = offsets.map((cents, i) => Math.round(10 * (cents + (base[i] ?? 0))) / 10);
    const id = `compromise-${instrument.id}`;
    await repository.saveTuning({
      id,
      name: `${tuning.name}, for ${instrument.name}’s frets`,
      kind: tuning.kind,
      courses: tuning.courses,
      accidental: tuning.accidental,
      temper: { kind: 'own', offsets: tenths },
    });
    const home = homeTuning(instrument, stock.tunings);
    const homeTuningId = instrument.homeTuningId ?? home?.id ?? check.tuningId;
    await repository.saveInstrument({ ...instrument, tuningId: id, homeTuningId });
    setSaved(`The bench now aims ${instrument.name} at it.`);
  };
  return { saved, save };
}

/** Errors by string and fret: as read where it was read, else as the causes have it; null before all strings can be told. */
function errorsOf(
  check: FretCheck,
  causes: ReadonlyMap<number, StringCauses>,
  courses: number,
): FretErrors | null {
  const list = Array.from({ length: courses }, (_, i) => {
    const found = causes.get(i + 1);
    return found?.kind === 'fitted' ? found : null;
  });
  if (list.some((found) => found === null)) return null;
  return list.map((found, i) => (fret) => {
    const read = check.readings.filter(
      ({ course, place, struckOut }) =>
        course === i + 1 &&
        !struckOut &&
        place.kind === 'fret' &&
        place.fret === fret &&
        place.pressure === 'normal',
    );
    const errors = read.flatMap((reading) => errorOf(check, reading) ?? []);
    if (errors.length === 0) return found!.at(fret, 'normal');
    return errors.reduce((sum, value) => sum + value, 0) / errors.length;
  });
}
