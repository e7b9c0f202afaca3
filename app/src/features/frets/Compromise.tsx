import { Button, Checkbox, Group, NativeSelect, TextInput } from '@mantine/core';
import {
  compromiseOf,
  type FretErrors,
  outcomeOf,
  parseShape,
  type StringCauses,
  type Way,
} from '@rosefinch/core/intonation';
import { findTuning, offsetsOf } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { homeTuning, type Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import { signedCents } from '../../ui/index.ts';
import { errorOf } from './sequence.ts';
import { commonShapes } from './shapes.ts';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly check: FretCheck;
  readonly causes: ReadonlyMap<number, StringCauses>;
}

/** How the open strings are best detuned for the chords that are really played. */
export function Compromise({ instrument, stock, check, causes }: Props) {
  const { repository } = useData();
  const courses = instrument.courses.length;
  const common = commonShapes(check.tuningId);
  const [names, setNames] = useState<readonly string[]>(common.map(({ name }) => name));
  const [typed, setTyped] = useState('');
  const [way, setWay] = useState<Way>('least squares');
  const [saved, setSaved] = useState<string | null>(null);
  const errors = errorsOf(check, causes, courses);
  if (!errors) return null;
  const own = typed
    .split(/[;\n]+/)
    .map((text) => text.trim())
    .filter(Boolean);
  const ownShapes = own.flatMap((text) => {
    const shape = parseShape(text, courses);
    return shape ? [shape] : [];
  });
  const wrong = own.filter((text) => parseShape(text, courses) === null);
  const shapes = [...common.filter(({ name }) => names.includes(name)), ...ownShapes];
  const offsets = compromiseOf(shapes, errors, way);
  const outcomes = shapes.map((shape) => outcomeOf(shape, errors, offsets));
  const save = async () => {
    const tuning = findTuning(check.tuningId, stock.tunings);
    if (!tuning) return;
    const base = offsetsOf(
      tuning.courses.map((notes) => notes[0] ?? 69),
      tuning.temper,
    );
    const id = `compromise-${instrument.id}`;
    await repository.saveTuning({
      id,
      name: `${tuning.name}, for ${instrument.name}’s frets`,
      kind: tuning.kind,
      courses: tuning.courses,
      accidental: tuning.accidental,
      temper: {
        kind: 'own',
        offsets: offsets.map((cents, i) => Math.round(10 * (cents + (base[i] ?? 0))) / 10),
      },
    });
    const home = homeTuning(instrument, stock.tunings);
    await repository.saveInstrument({
      ...instrument,
      tuningId: id,
      homeTuningId: instrument.homeTuningId ?? home?.id ?? check.tuningId,
    });
    setSaved(`The bench now aims ${instrument.name} at it.`);
  };
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
          error={wrong.length > 0 ? `not ${courses} frets: ${wrong.join('; ')}` : null}
          onChange={(event) => setTyped(event.currentTarget.value)}
        />
      </Group>
      {common.length > 0 && (
        <Checkbox.Group
          mt="xs"
          label="Chords that are played"
          value={[...names]}
          onChange={setNames}
        >
          <Group mt={4}>
            {common.map(({ name }) => (
              <Checkbox key={name} value={name} label={name} />
            ))}
          </Group>
        </Checkbox.Group>
      )}
      {shapes.length === 0 ? (
        <p>Choose or type the chords that are really played.</p>
      ) : (
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
              {outcomes.map(({ name, worstBefore, worstAfter, after }) => (
                <tr key={name}>
                  <th scope="row">{name}</th>
                  <td>{worstBefore.toFixed(1)}</td>
                  <td>{worstAfter.toFixed(1)}</td>
                  <td>
                    {[...after]
                      .reverse()
                      .map((cents) => (cents === null ? 'x' : signedCents(cents)))
                      .join(' ')}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <Group mt="sm">
            <Button onClick={() => void save()}>Tune {instrument.name} so from now on</Button>
            {saved && <span role="status">{saved}</span>}
          </Group>
        </>
      )}
    </section>
  );
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
