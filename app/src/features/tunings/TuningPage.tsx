import { Button, Group, Stack, Text, Title } from '@mantine/core';
import {
  chainOfFourths,
  crossChecks,
  type HarmonicCheck,
  harmonicChecks,
  type NeckCourse,
  neckOf,
} from '@rosefinch/core/fretboard';
import {
  bothNames,
  findTuning,
  oneStringAway,
  openChord,
  type Tuning,
  targetsOf,
} from '@rosefinch/core/music';
import { planRetune, planStrings, referenceInWords } from '@rosefinch/core/retune';
import { homeTuning, type Instrument, MODELS, stringLoad } from '@rosefinch/core/strings';
import { Link, useParams } from 'react-router';
import { useLive, useSettings } from '../../data/index.ts';
import { counted, signedCents } from '../../ui/index.ts';
import { NeckChart } from './NeckChart.tsx';

const HIGHEST_FRET = 12;

/** One tuning: its strings and their load, its chord, and how to check it by ear. */
export function TuningPage() {
  const { tuning: id = '' } = useParams();
  const settings = useSettings();
  const shelf = useLive((repository) => repository.shelf(), 'shelf');
  const tuning = findTuning(id);
  if (!tuning)
    return (
      <p>
        There is no tuning called “{id}”. <Link to="/tunings">All tunings</Link>
      </p>
    );
  if (!settings || !shelf) return <p>One moment …</p>;
  const fitting = shelf.filter((entry) => takes(entry, tuning));
  const own = fitting.find((entry) => entry.id === settings.instrumentId) ?? fitting[0];
  const instrument =
    own ??
    MODELS.map((model) => model.build(model.id, model.name)).find((entry) => takes(entry, tuning));
  if (!instrument) return <p>No instrument of this kind is known.</p>;
  const chord = openChord(tuning);
  const neck = neckOf(tuning, instrument);
  return (
    <Stack>
      <Group align="baseline">
        <Title order={1} size="h2">
          {tuning.name}
        </Title>
        <span className="soft">
          {tuning.kind}
          {chord && `, open chord ${chord}`}
          {tuning.aliases && `, also called ${tuning.aliases.join(', ')}`}
        </span>
        {own && (
          <Button component={Link} to={`/retune?to=${tuning.id}`}>
            Plan the way there
          </Button>
        )}
        <Button variant="default" onClick={() => window.print()}>
          Print the card
        </Button>
      </Group>
      <Load tuning={tuning} instrument={instrument} a4={settings.a4} />
      <Way tuning={tuning} instrument={instrument} a4={settings.a4} />
      <Checks neck={neck} frets={HIGHEST_FRET} />
      <Neighbours tuning={tuning} />
    </Stack>
  );
}

function takes(instrument: Instrument, tuning: Tuning): boolean {
  return instrument.kind === tuning.kind && instrument.courses.length === tuning.courses.length;
}

interface LoadProps {
  readonly tuning: Tuning;
  readonly instrument: Instrument;
  readonly a4: number;
}

/** What each string carries in this tuning, and the neck in all against the instrument's own tuning. */
function Load({ tuning, instrument, a4 }: LoadProps) {
  const home = homeTuning(instrument);
  const targets = targetsOf(tuning, a4);
  const total = (list: typeof targets) =>
    list.reduce(
      (sum, { course, hz }) => sum + (stringLoad(instrument, course, hz)?.tension ?? 0),
      0,
    );
  const usual = home ? total(targetsOf(home, a4)) : 0;
  return (
    <section className="card narrow" aria-label="Strings">
      <strong>On {instrument.name}</strong>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">string</th>
            <th scope="col">note</th>
            <th scope="col">tighten</th>
            <th scope="col">Hz</th>
            <th scope="col">tension, N</th>
            <th scope="col">to breaking, semitones</th>
          </tr>
        </thead>
        <tbody>
          {targets.toReversed().map(({ course, midi, hz }) => {
            const load = stringLoad(instrument, course, hz);
            return (
              <tr key={course}>
                <th scope="row">{course}</th>
                <td>{bothNames(midi, tuning.accidental)}</td>
                <td>{instrument.courses[course - 1]?.strings[0]?.peg.tighten}</td>
                <td>{hz.toFixed(2)}</td>
                <td>{load?.tension.toFixed(0)}</td>
                <td>{load?.headroom.toFixed(1)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <Text size="sm" mt={8}>
        The neck carries {total(targets).toFixed(0)} N
        {usual > 0 && `, ${((100 * total(targets)) / usual).toFixed(0)} % of its usual load`}.
      </Text>
    </section>
  );
}

/** How to get here from the tuning that the instrument is kept in. */
function Way({ tuning, instrument, a4 }: LoadProps) {
  const home = homeTuning(instrument);
  if (!home || home.id === tuning.id) return null;
  const homeTargets = targetsOf(home, a4);
  const nowHz = (course: number) => homeTargets[course - 1]?.hz ?? a4;
  const strings = planStrings({ instrument, home, target: tuning, a4, nowHz });
  const { steps, warnings } = planRetune(strings, 'planned', 1);
  return (
    <section className="card narrow" aria-label="The way there">
      <strong>From {home.name}</strong>
      <ol className="way">
        {steps.map(({ course, cents, references }) => (
          <li key={course}>
            String {course} {cents < 0 ? 'down' : 'up'}{' '}
            {counted(Math.round(Math.abs(cents) / 100), 'semitone')}.{' '}
            {references[0] ? referenceInWords(references[0]) : 'By the reference tone.'}
          </li>
        ))}
      </ol>
      {warnings.map(({ say }) => (
        <Text size="sm" key={say}>
          {say}
        </Text>
      ))}
    </section>
  );
}

/** Comparisons by fret and by harmonic, with what the latter are out by. */
function Checks({ neck, frets }: { neck: readonly NeckCourse[]; frets: number }) {
  const unisons = crossChecks(neck, frets).filter((check) => check.octaves === 0);
  const fourths = harmonicChecks(neck).filter(
    ({ low, high }) => low.partial === 4 && high.partial === 3,
  );
  const chain = chainOfFourths(fourths);
  return (
    <section className="card" aria-label="Checks by ear">
      <strong>Checks by ear</strong>
      <NeckChart neck={neck} checks={unisons} frets={frets} />
      <ul className="checks">
        {unisons.slice(0, 12).map(({ held, open }) => (
          <li key={`${held.course} ${held.fret} ${open}`}>
            {held.fret === 0
              ? `open string ${held.course} = open string ${open}`
              : `string ${held.course} at fret ${held.fret} = open string ${open}`}
          </li>
        ))}
      </ul>
      {fourths.length > 0 && (
        <Text size="sm">
          Harmonics serve too: {fourths.map(harmonicInWords).join(', ')}. They set pure fourths, so
          the higher string comes out {signedCents(fourths[0]?.errorCents ?? 0)} cents
          {chain.links > 1 && `; ${chain.links} in a row add up to ${signedCents(chain.cents)}`}.
        </Text>
      )}
    </section>
  );
}

/** @example 'string 6 at fret 5 with string 5 at fret 7' */
function harmonicInWords({ low, high }: HarmonicCheck): string {
  return `string ${low.course} at fret ${low.fret} with string ${high.course} at fret ${high.fret}`;
}

function Neighbours({ tuning }: { tuning: Tuning }) {
  const near = oneStringAway(tuning);
  if (near.length === 0) return null;
  return (
    <section aria-label="One string away">
      {counted(near.length, 'tuning is', 'tunings are')} one string away:{' '}
      {near.map(({ id, name }, i) => (
        <span key={id}>
          {i > 0 && ', '}
          <Link to={`/tunings/${id}`}>{name}</Link>
        </span>
      ))}
    </section>
  );
}
