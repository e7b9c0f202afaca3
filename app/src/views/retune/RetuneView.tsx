import './retune.css';
import { Button, Group, NativeSelect, Stack } from '@mantine/core';
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
import { expectedTurns, homeTuning, type Instrument } from '@rosefinch/core/strings';
import type { Hz, Newtons } from '@rosefinch/core/units';
import { counted, distanceInWords, forceInWords, turnInWords } from '@rosefinch/core/words';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { type Settings, type Stock, useData, useLive } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { ReferenceLine } from '../../parts/charts/index.ts';
import { CheckedNumber, type NumberRule, ViewHead } from '../../parts/frame/index.ts';
import { InstrumentChoice, WithInstrument } from '../../parts/instruments/index.ts';
import { useCoupling } from '../../parts/neck/index.ts';
import { PlanWires } from './PlanWires.tsx';

const A4: NumberRule = { name: 'A4', ...A4_RANGE, unit: ' Hz' };
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
  const { settings, tunings } = stock;
  const [search] = useSearchParams();
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
  const { a4, planOrder, tolerance } = settings;
  const present = targetsOf(now, a4);
  // Those not heard yet stand as the present tuning has them.
  const nowHz = (course: number) => heard.get(course) ?? present[course - 1]?.hz ?? a4;
  const strings = planStrings({ instrument, home, target, a4, nowHz });
  const { bridge } = instrument;
  const plan = planRetune(strings, planOrder, tolerance, { bridge, coupling });
  return (
    <Stack>
      <Choices {...{ instrument, stock, choices, target, capo, onCapo: setCapo }} />
      <div className="retune">
        <section aria-label="The way">
          <p className="plan-head">{wayInWords(instrument, now, target, capo)}</p>
          <PlanWires strings={strings} steps={plan.steps} a4={a4} accidental={target.accidental} />
        </section>
        <PlanSide key={target.id} {...{ plan, instrument, target, capo, settings }} />
      </div>
    </Stack>
  );
}

/** From which tuning to which. */
function wayInWords(instrument: Instrument, now: Tuning, target: Tuning, capo: number): string {
  const chord = openChord(target);
  const sounding = capo > 0 ? `, sounding ${counted(capo, 'semitone')} higher with the capo` : '';
  return `${instrument.name}: ${now.name} ${notesInWords(now)} → ${target.name} ${notesInWords(target)}${chord ? `, open chord ${chord}` : ''}${sounding}`;
}

interface ChoicesProps extends OfProps {
  readonly choices: readonly Tuning[];
  readonly target: Tuning;
  readonly capo: number;
  readonly onCapo: (fret: number) => void;
}

/** Which instrument, to which tuning, in which order, with which capo and reference. */
function Choices({ instrument, stock, choices, target, capo, onCapo }: ChoicesProps) {
  const { repository } = useData();
  const { settings, shelf } = stock;
  const [, setSearch] = useSearchParams();
  return (
    <ViewHead title="Retune" align="end">
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
        onChange={(event) => onCapo(Number(event.currentTarget.value))}
      />
      <CheckedNumber
        rule={A4}
        label="A4, Hz"
        w={90}
        decimalScale={1}
        value={settings.a4}
        onValue={(a4) => void repository.saveSettings({ a4 })}
      />
    </ViewHead>
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
  const force = (newtons: Newtons) => forceInWords(newtons, settings.force);
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
      <Steps {...{ plan, instrument, target, settings }} />
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

function Steps({ plan, instrument, target, settings }: Omit<SideProps, 'capo'>) {
  const note = (hz: Hz) => noteName(hzToMidi(hz, settings.a4), target.accidental);
  const force = (newtons: Newtons) => forceInWords(newtons, settings.force);
  if (plan.steps.length === 0) return <p>Nothing has to move.</p>;
  return (
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
  );
}

/** How far the peg goes by physics alone: a guess. */
function turnsInWords(instrument: Instrument, { course, fromHz, toHz }: PlanStep): string {
  const turns = expectedTurns(instrument, course, fromHz, toHz);
  return turns === null ? '' : `at a guess ${turnInWords(turns)}`;
}
