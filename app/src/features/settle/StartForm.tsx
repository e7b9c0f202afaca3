import {
  Button,
  Checkbox,
  Group,
  NativeSelect,
  NumberInput,
  Stack,
  TextInput,
} from '@mantine/core';
import { findTuning, noteName } from '@rosefinch/core/music';
import type { Instrument, StringSpec } from '@rosefinch/core/strings';
import { useState } from 'react';
import { useData, useStock } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';

const MATERIALS: readonly StringSpec['material'][] = ['steel', 'nylon', 'fluorocarbon', 'gut'];

/** Says which strings are new, of what, and since when; then they are watched. */
export function StartForm({ instrument }: { instrument: Instrument }) {
  const { repository } = useData();
  const stock = useStock();
  const numbers = instrument.courses.map(({ number }) => number);
  const [fresh, setFresh] = useState<readonly number[]>(numbers);
  const [material, setMaterial] = useState<StringSpec['material'] | ''>('');
  const [fitted, setFitted] = useState('');
  const [minutes, setMinutes] = useState<number | string>(45);
  const [lesson, setLesson] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const tuning = stock && findTuning(instrument.tuningId, stock.tunings);
  const label = (course: number) => {
    const midi = tuning?.courses[course - 1]?.[0];
    return `String ${course}${midi === undefined ? '' : `, ${noteName(midi, tuning?.accidental)}`}`;
  };
  const begin = async () => {
    // The field speaks the time of the wall clock, in the zone of this machine.
    const fittedAt = fitted === '' ? now() : new Date(fitted).getTime();
    if (fittedAt > now()) return setProblem('The strings cannot have been fitted after now.');
    setProblem(null);
    await repository.saveRestringing({
      id: newId(),
      instrumentId: instrument.id,
      fittedAt,
      zone: zone(),
      strings: fresh.map((course) => ({
        course,
        material:
          material || (instrument.courses[course - 1]?.strings[0]?.spec.material ?? 'steel'),
      })),
      lessonMinutes: Number(minutes),
      ...(lesson !== '' && { lessonAt: new Date(lesson).getTime() }),
      looks: [],
      doneAt: null,
    });
  };
  return (
    <form
      className="card medium"
      aria-label="New strings"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <Stack>
        <p className="plan-head">
          Read a new string, pull it gently, read how far it dropped, bring it up again: each time
          it drops less. Here that is measured, and told when it will hold.
        </p>
        <Checkbox.Group
          label="Which strings are new?"
          value={fresh.map(String)}
          onChange={(values) => setFresh(numbers.filter((n) => values.includes(String(n))))}
        >
          <Group mt="xs">
            {[...numbers].reverse().map((course) => (
              <Checkbox key={course} value={String(course)} label={label(course)} />
            ))}
          </Group>
        </Checkbox.Group>
        <Group align="end">
          <NativeSelect
            label="Material"
            data={[{ value: '', label: 'as the instrument says' }, ...MATERIALS]}
            value={material}
            onChange={(event) =>
              setMaterial(event.currentTarget.value as StringSpec['material'] | '')
            }
          />
          <TextInput
            label="Fitted (empty: just now)"
            type="datetime-local"
            value={fitted}
            onChange={(event) => setFitted(event.currentTarget.value)}
          />
          <TextInput
            label="The next lesson, if it is planned"
            type="datetime-local"
            value={lesson}
            onChange={(event) => setLesson(event.currentTarget.value)}
          />
          <NumberInput
            label="A lesson lasts, minutes"
            w={150}
            min={5}
            max={600}
            value={minutes}
            onChange={setMinutes}
          />
        </Group>
        {problem && <div role="alert">{problem}</div>}
        <p className="soft">
          A string under tension can snap: face away, wear glasses, cut the ends.
        </p>
        <Group>
          <Button
            type="submit"
            size="lg"
            disabled={fresh.length === 0 || typeof minutes !== 'number' || minutes < 5}
          >
            Settle these strings
          </Button>
        </Group>
      </Stack>
    </form>
  );
}
