import { Button, Group, NativeSelect, Stack, Title } from '@mantine/core';
import {
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
  type PlanString,
  planRetune,
  planStrings,
} from '@rosefinch/core/retune';
import { homeTuning, type Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { type Settings, useData, useLive, useSettings } from '../../data/index.ts';
import { counted, EmptyView, ReferenceLine } from '../../ui/index.ts';
import { PlanWires } from './PlanWires.tsx';

/** From the tuning an instrument is in to another one, and back. */
export function RetuneView() {
  const settings = useSettings();
  const shelf = useLive((repository) => repository.shelf(), 'shelf');
  if (!settings || !shelf) return <p>One moment …</p>;
  const instrument = shelf.find((entry) => entry.id === settings.instrumentId) ?? shelf[0];
  if (!instrument)
    return (
      <EmptyView
        says="The way from one tuning to another: which strings move, in which order, and what to compare each one with. Put an instrument on the bench first."
        offer={
          <Button component={Link} to="/">
            To the bench
          </Button>
        }
      />
    );
  return <RetuneOf key={instrument.id} instrument={instrument} shelf={shelf} settings={settings} />;
}

interface OfProps {
  readonly instrument: Instrument;
  readonly shelf: readonly Instrument[];
  readonly settings: Settings;
}

function RetuneOf({ instrument, shelf, settings }: OfProps) {
  const { repository } = useData();
  const [search, setSearch] = useSearchParams();
  const [order, setOrder] = useState<PlanOrder>('planned');
  const heard = useLive((data) => data.lastPitches(instrument), instrument.id);
  const now = findTuning(instrument.tuningId);
  const choices = tuningsFor(instrument.kind, instrument.courses.length);
  const target =
    choices.find((t) => t.id === search.get('to')) ?? defaultTarget(instrument, choices);
  if (!heard) return <p>One moment …</p>;
  if (!now || !target)
    return (
      <p>
        The tuning of {instrument.name} is not known here.{' '}
        <Link to={`/shelf/${instrument.id}`}>Choose another one for it</Link>
      </p>
    );
  const strings = stringsFor(instrument, now, target, settings.a4, heard);
  const plan = planRetune(strings, order, settings.tolerance);
  return (
    <Stack>
      <Group align="end">
        <Title order={1} size="h2">
          Retune
        </Title>
        <NativeSelect
          label="Instrument"
          data={shelf.map(({ id, name }) => ({ value: id, label: name }))}
          value={instrument.id}
          onChange={(event) =>
            void repository.saveSettings({ instrumentId: event.currentTarget.value })
          }
        />
        <NativeSelect
          label="To the tuning"
          data={choices.map(({ id, name }) => ({ value: id, label: name }))}
          value={target.id}
          onChange={(event) => setSearch({ to: event.currentTarget.value }, { replace: true })}
        />
        <NativeSelect
          label="Order"
          data={['planned', 'thickest first', 'thinnest first']}
          value={order}
          onChange={(event) => setOrder(event.currentTarget.value as PlanOrder)}
        />
      </Group>
      <div className="retune">
        <section aria-label="The way">
          <p className="plan-head">
            {instrument.name}: {now.name} {notesInWords(now)} → {target.name} {notesInWords(target)}
            {openChord(target) && `, open chord ${openChord(target)}`}
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

/** The strings as they were heard last; those not heard yet as the present tuning has them. */
function stringsFor(
  instrument: Instrument,
  now: Tuning,
  target: Tuning,
  a4: number,
  heard: ReadonlyMap<number, number>,
): PlanString[] {
  const present = targetsOf(now, a4);
  return planStrings({
    instrument,
    home: homeTuning(instrument) ?? now,
    target,
    a4,
    nowHz: (course) => heard.get(course) ?? present[course - 1]?.hz ?? a4,
  });
}

interface SideProps {
  readonly plan: Plan;
  readonly instrument: Instrument;
  readonly target: Tuning;
  readonly settings: Settings;
}

function PlanSide({ plan, instrument, target, settings }: SideProps) {
  const { repository } = useData();
  const navigate = useNavigate();
  const refused = plan.warnings.some((warning) => warning.kind === 'refused');
  const [sure, setSure] = useState(false);
  const heavy = plan.warnings.some((warning) => warning.kind === 'load') && !sure;
  const begin = async () => {
    await repository.retune(instrument, target.id, Date.now());
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
                String {step.course}: {noteName(hzToMidi(step.fromHz, settings.a4))} →{' '}
                {noteName(hzToMidi(step.toHz, settings.a4))},{' '}
                {step.cents < 0 ? 'loosen' : 'tighten'}
              </strong>
              <span>
                {inWords(step.cents)}, {step.tensionBefore.toFixed(0)} →{' '}
                {step.tensionAfter.toFixed(0)} N, {step.headroom.toFixed(1)} semitones to breaking
              </span>
              <ReferenceLine references={step.references} drawn={i === 0} />
            </li>
          ))}
        </ol>
      )}
      <p className="soft">
        {plan.steps.length > 0 && plan.reason} The neck carries {plan.loadBefore.toFixed(0)} N now,{' '}
        {plan.loadAfter.toFixed(0)} N then.
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

/** @example inWords(-200) // '2 semitones down' @example inWords(77.4) // '77.4 cents up' */
function inWords(cents: number): string {
  const way = cents < 0 ? 'down' : 'up';
  const size = Math.abs(cents);
  // What is half a cent off a whole number of semitones is one.
  const whole = Math.floor((size + 0.5) / 100);
  const rest = Math.max(0, size - 100 * whole);
  const parts = [
    ...(whole > 0 ? [counted(whole, 'semitone')] : []),
    ...(rest >= 0.5 || whole === 0 ? [`${rest.toFixed(1)} cents`] : []),
  ];
  return `${parts.join(' and ')} ${way}`;
}
