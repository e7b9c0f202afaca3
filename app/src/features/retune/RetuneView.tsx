import { Button, Group, NativeSelect, NumberInput, Stack, Title } from '@mantine/core';
import {
  A4_RANGE,
  findTuning,
  hzToMidi,
  noteName,
  notesInWords,
  openChord,
  type Tuning,
  targetsOf,
  tuningsFor,
} from '@rosefinch/core/music';
import {
  type Plan,
  type PlanOrder,
  type PlanStep,
  planRetune,
  planStrings,
} from '@rosefinch/core/retune';
import { expectedTurns, homeTuning, type Instrument, turnInWords } from '@rosefinch/core/strings';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { type Settings, type Stock, useData, useLive } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { distanceInWords, forceInWords, ReferenceLine } from '../../ui/index.ts';
import { InstrumentChoice, WithInstrument } from '../instrument/index.ts';
import { useCoupling } from '../neck/index.ts';
import { PlanWires } from './PlanWires.tsx';

const CAPO_FRETS = Array.from({ length: 13 }, (_, fret) => fret);

/** From the tuning an instrument is in to another one, and back. */
export function RetuneView() {
  return (
    <WithInstrument says="The way from one tuning to another: which strings move, in which order, and what to compare each one with.">
      {(instrument, stock) => (
        <RetuneOf key={instrument.id} instrument={instrument} stock={stock} />
      )}
    </WithInstrument>
  );
}

interface OfProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
}

function RetuneOf({ instrument, stock }: OfProps) {
  const { repository } = useData();
  const { settings, shelf, tunings } = stock;
  const [search, setSearch] = useSearchParams();
  const coupling = useCoupling(instrument, stock);
  const [capo, setCapo] = useState(instrument.capo ?? 0);
  const heard = useLive((data) => data.lastPitches(instrument), instrument.id);
  const now = findTuning(instrument.tuningId, tunings);
  const home = homeTuning(instrument, tunings);
  const choices = tuningsFor(instrument.kind, instrument.courses.length, tunings);
  const target =
    choices.find((t) => t.id === search.get('to')) ?? defaultTarget(instrument, choices);
  if (!heard) return <p>One moment …</p>;
  if (!now || !home || !target)
    return (
      <p>
        The tuning of {instrument.name} is not known here.{' '}
        <Link to={`/shelf/${instrument.id}`}>Choose another one for it</Link>
      </p>
    );
  const present = targetsOf(now, settings.a4);
  const strings = planStrings({
    instrument,
    home,
    target,
    a4: settings.a4,
    // Those not heard yet stand as the present tuning has them.
    nowHz: (course) => heard.get(course) ?? present[course - 1]?.hz ?? settings.a4,
  });
  const plan = planRetune(strings, settings.planOrder, settings.tolerance, {
    bridge: instrument.bridge,
    coupling,
  });
  return (
    <Stack>
      <Group align="end">
        <Title order={1} size="h2">
          Retune
        </Title>
        <InstrumentChoice shelf={shelf} instrument={instrument} />
        <NativeSelect
          label="To the tuning"
          data={choices.map(({ id, name }) => ({ value: id, label: name }))}
          value={target.id}
          onChange={(event) => setSearch({ to: event.currentTarget.value }, { replace: true })}
        />
        <NativeSelect
          label="Order"
          data={['planned', 'thickest first', 'thinnest first']}
          value={settings.planOrder}
          onChange={(event) =>
            void repository.saveSettings({ planOrder: event.currentTarget.value as PlanOrder })
          }
        />
        <NativeSelect
          label="Capo"
          data={CAPO_FRETS.map((fret) => ({
            value: String(fret),
            label: fret === 0 ? 'none' : `fret ${fret}`,
          }))}
          value={capo}
          onChange={(event) => setCapo(Number(event.currentTarget.value))}
        />
        <NumberInput
          label="A4, Hz"
          w={90}
          min={A4_RANGE.low}
          max={A4_RANGE.high}
          decimalScale={1}
          clampBehavior="blur"
          value={settings.a4}
          onChange={(value) =>
            typeof value === 'number' &&
            value >= A4_RANGE.low &&
            value <= A4_RANGE.high &&
            void repository.saveSettings({ a4: value })
          }
        />
      </Group>
      <div className="retune">
        <section aria-label="The way">
          <p className="plan-head">
            {instrument.name}: {now.name} {notesInWords(now)} → {target.name} {notesInWords(target)}
            {openChord(target) && `, open chord ${openChord(target)}`}
            {capo > 0 &&
              `, sounding ${capo} ${capo === 1 ? 'semitone' : 'semitones'} higher with the capo`}
          </p>
          <PlanWires
            strings={strings}
            steps={plan.steps}
            a4={settings.a4}
            accidental={target.accidental}
          />
        </section>
        <PlanSide
          key={target.id}
          plan={plan}
          instrument={instrument}
          target={target}
          capo={capo}
          settings={settings}
        />
      </div>
    </Stack>
  );
}

/** Away from home: back. At home: the first other tuning, or its own where none else is known. */
function defaultTarget(instrument: Instrument, choices: readonly Tuning[]): Tuning | undefined {
  return (
    choices.find((tuning) => tuning.id === instrument.homeTuningId) ??
    choices.find((tuning) => tuning.id !== instrument.tuningId) ??
    choices[0]
  );
}

interface SideProps {
  readonly plan: Plan;
  readonly instrument: Instrument;
  readonly target: Tuning;
  readonly capo: number;
  readonly settings: Settings;
}

function PlanSide({ plan, instrument, target, capo, settings }: SideProps) {
  const { repository } = useData();
  const navigate = useNavigate();
  const refused = plan.warnings.some((warning) => warning.kind === 'refused');
  const [sure, setSure] = useState(false);
  const heavy = plan.warnings.some((warning) => warning.kind === 'load') && !sure;
  const note = (hz: number) => noteName(hzToMidi(hz, settings.a4), target.accidental);
  const force = (newtons: number) => forceInWords(newtons, settings.force);
  const begin = async () => {
    const aim = { tuningId: target.id, capo, a4: settings.a4 };
    await repository.retune(instrument.id, aim, now());
    await navigate('/');
  };
  return (
    <section aria-label="Steps">
      {plan.warnings.map(({ say }) => (
        <div className="problem" role="alert" key={say}>
          {say}
        </div>
      ))}
      {plan.steps.length === 0 ? (
        <p>Nothing has to move.</p>
      ) : (
        <ol className="steps">
          {plan.steps.map((step, i) => (
            <li key={step.course}>
              <strong>
                String {step.course}: {note(step.fromHz)} → {note(step.toHz)},{' '}
                {step.cents < 0 ? 'loosen' : 'tighten'}
              </strong>
              <span>
                {distanceInWords(step.cents)} {step.cents < 0 ? 'down' : 'up'},{' '}
                {turnsInWords(instrument, step)}; {force(step.tensionBefore)} →{' '}
                {force(step.tensionAfter)}, {step.headroom.toFixed(1)} semitones to breaking
              </span>
              <ReferenceLine
                references={step.references}
                drawn={i === 0}
                leftHanded={instrument.leftHanded}
              />
            </li>
          ))}
        </ol>
      )}
      <p className="soft">
        {plan.steps.length > 0 &&
          `${plan.reason} Go round ${plan.passes} times, the last look included. `}
        The neck carries {force(plan.loadBefore)} now, {force(plan.loadAfter)} then
        {plan.steps.length > 1 && `, and on the way stays within ${force(plan.loadRange)}`}.
      </p>
      {heavy && (
        <Button variant="default" size="md" onClick={() => setSure(true)}>
          The neck can carry that
        </Button>
      )}
      <Group>
        <Button size="lg" disabled={refused || heavy} onClick={() => void begin()}>
          Do it on the bench
        </Button>
        <Button size="lg" variant="default" onClick={() => window.print()}>
          Print the plan
        </Button>
      </Group>
    </section>
  );
}

/** How far the peg goes by physics alone: a guess. */
function turnsInWords(instrument: Instrument, { course, fromHz, toHz }: PlanStep): string {
  const turns = expectedTurns(instrument, course, fromHz, toHz);
  return turns === null ? '' : `at a guess ${turnInWords(turns)}`;
}
