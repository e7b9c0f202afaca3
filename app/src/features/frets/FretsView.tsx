import { Button, Checkbox, Group, NativeSelect, Stack, Title } from '@mantine/core';
import { FIFTEEN_FRETS, PRESSURES, USEFUL_FRETS } from '@rosefinch/core/intonation';
import type { FretCheck } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import { type Stock, useData, useLive } from '../../data/index.ts';
import { newId, newSeed, now, zone } from '../../environment.ts';
import { InstrumentChoice, WithInstrument } from '../instrument/index.ts';
import { BridgeFirst } from './BridgeFirst.tsx';
import { OCTAVE_FRETS, outerCourses } from './bridge.ts';
import { FretBench } from './FretBench.tsx';
import type { BridgePlace } from './practice.ts';

/** Open strings right, fretted notes not: which cause, how much, what to do. */
export function FretsView() {
  return (
    <WithInstrument says="In tune and still wrong: this view measures the fretted notes against the open strings, tells the causes apart, and says what to do about them.">
      {(instrument, stock) => <FretsOf key={instrument.id} instrument={instrument} stock={stock} />}
    </WithInstrument>
  );
}

function FretsOf({ instrument, stock }: { instrument: Instrument; stock: Stock }) {
  const checks = useLive((r) => r.fretChecks(instrument.id), instrument.id);
  const [fresh, setFresh] = useState(false);
  // On the practice banjo the bridge stays where it was moved to.
  const [bridge, setBridge] = useState<BridgePlace>({ firstMm: 0, lastMm: 0 });
  if (!checks) return <p>One moment …</p>;
  const [newest] = checks;
  if (newest && !(fresh && newest.doneAt !== null))
    return (
      <FretBench
        key={newest.id}
        instrument={instrument}
        stock={stock}
        kept={newest}
        bridge={bridge}
        onMoveBridge={({ firstMm, lastMm }) =>
          setBridge((at) => ({ firstMm: at.firstMm + firstMm, lastMm: at.lastMm + lastMm }))
        }
        onAgain={() => setFresh(true)}
      />
    );
  return (
    <Stack>
      <Group align="end">
        <Title order={1} size="h2">
          Frets
        </Title>
        <InstrumentChoice shelf={stock.shelf} instrument={instrument} />
      </Group>
      <StartForm instrument={instrument} stock={stock} onBegun={() => setFresh(false)} />
    </Stack>
  );
}

interface StartProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly onBegun: () => void;
}

function StartForm({ instrument, stock, onBegun }: StartProps) {
  const { repository } = useData();
  const numbers = instrument.courses.map(({ number }) => number).reverse();
  const [courses, setCourses] = useState<readonly number[]>(numbers);
  const [frets, setFrets] = useState<'useful' | 'fifteen'>('useful');
  const [all, setAll] = useState(false);
  const begin = async (what: Pick<FretCheck, 'courses' | 'frets' | 'pressures'>) => {
    const check: FretCheck = {
      id: newId(),
      instrumentId: instrument.id,
      tuningId: instrument.tuningId,
      a4: stock.settings.a4,
      ...(instrument.capo && { capo: instrument.capo }),
      source: 'practice',
      practiceSeed: newSeed(),
      startedAt: now(),
      zone: zone(),
      ...what,
      readings: [],
      doneAt: null,
    };
    await repository.saveFretCheck(check);
    onBegun();
  };
  return (
    <form
      className="card medium"
      aria-label="Fret check"
      onSubmit={(event) => {
        event.preventDefault();
        void begin({
          courses,
          frets: frets === 'useful' ? USEFUL_FRETS : FIFTEEN_FRETS,
          pressures: all ? PRESSURES : ['normal'],
        });
      }}
    >
      <Stack>
        <p className="plan-head">
          Every fretted note is measured against its own open string, so the instrument need not be
          in tune. You are led from note to note; the pitch says whether it was the right fret.
          {instrument.capo && ` Frets are counted from the capo at fret ${instrument.capo}.`}
        </p>
        {instrument.bridge === 'loose' && (
          <BridgeFirst
            scaleMm={instrument.scaleMm}
            onBegin={() =>
              void begin({
                courses: outerCourses(instrument),
                frets: OCTAVE_FRETS,
                pressures: ['normal'],
              })
            }
          />
        )}
        <Checkbox.Group
          label="Which strings?"
          value={courses.map(String)}
          onChange={(values) => setCourses(numbers.filter((n) => values.includes(String(n))))}
        >
          <Group mt="xs">
            {numbers.map((course) => (
              <Checkbox key={course} value={String(course)} label={`String ${course}`} />
            ))}
          </Group>
        </Checkbox.Group>
        <NativeSelect
          label="How many frets?"
          maw={360}
          data={[
            { value: 'useful', label: 'seven that tell most: 12, 1, 2, 3, 5, 7, 9' },
            { value: 'fifteen', label: 'the first fifteen, to split the causes finer' },
          ]}
          value={frets}
          onChange={(event) =>
            setFrets(event.currentTarget.value === 'fifteen' ? 'fifteen' : 'useful')
          }
        />
        <Checkbox
          label="Soft, normal and hard: tells what the finger does"
          checked={all}
          onChange={(event) => setAll(event.currentTarget.checked)}
        />
        <Group>
          <Button type="submit" size="lg" disabled={courses.length === 0}>
            Begin the check
          </Button>
        </Group>
      </Stack>
    </form>
  );
}
