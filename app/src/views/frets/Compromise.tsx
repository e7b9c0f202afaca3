import { Button, Checkbox, Group, NativeSelect, TextInput } from '@mantine/core';
import {
  commonShapes,
  compromiseFor,
  errorsOf,
  type Judgement,
  parseShape,
  type Shape,
  type Way,
} from '@rosefinch/core/intonation';
import { list } from '@rosefinch/core/message';
import { findTuning, offsetsOf, type Tuning } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { compromiseInWords, tuningName } from '@rosefinch/core/sentences';
import { homeTuning, type Instrument } from '@rosefinch/core/strings';
import type { Cents, Midi } from '@rosefinch/core/units';
import { useMemo, useState } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { ChordWires } from './ChordWires.tsx';

/** The note 69 of the MIDI standard. */
const MIDI_A4: Midi = 69;

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly check: FretCheck;
  readonly judgement: Judgement;
}

/** How the open strings are best detuned for the chords that are really played. */
export function Compromise({ instrument, stock, check, judgement }: Props) {
  const found = useMemo(
    () => errorsOf(judgement, instrument.courses.length),
    [judgement, instrument.courses.length],
  );
  return found && <CompromiseOf {...{ instrument, stock, check, found }} />;
}

interface OfProps extends Omit<Props, 'judgement'> {
  readonly found: NonNullable<ReturnType<typeof errorsOf>>;
}

function CompromiseOf({ instrument, stock, check, found }: OfProps) {
  const t = useWords();
  const courses = instrument.courses.length;
  const home = homeOf(instrument, stock, check);
  const common = commonShapes(home?.id ?? check.tuningId);
  const [names, setNames] = useState<readonly string[]>(common.map(({ name }) => name));
  const [typed, setTyped] = useState('');
  const [way, setWay] = useState<Way>('least squares');
  const own = ownShapes(typed, courses);
  const shapes = [...common.filter(({ name }) => names.includes(name)), ...own.shapes];
  return (
    <section className="card medium" aria-label={t('frets.compromise2')}>
      <strong>{t('frets.aCompromiseOfTheOpen')}</strong>
      <Group align="end" className="screen-only">
        <NativeSelect
          label={t('frets.chordsComeOut')}
          data={[
            { value: 'least squares', label: t('frets.bestOnTheWhole') },
            { value: 'minimax', label: t('frets.withTheLeastWorstNote') },
          ]}
          value={way}
          onChange={(event) =>
            setWay(event.currentTarget.value === 'minimax' ? 'minimax' : 'least squares')
          }
        />
        <TextInput
          label={t('frets.ownChordsStringCoursesFirst', { courses })}
          description={t('frets.oneFretAStringX')}
          value={typed}
          error={
            own.wrong.length > 0
              ? t('frets.notFrets', { strings: courses, texts: list(own.wrong, 'semicolons') })
              : null
          }
          onChange={(event) => setTyped(event.currentTarget.value)}
        />
      </Group>
      {common.length > 0 && <Played common={common} names={names} onNames={setNames} />}
      {shapes.length === 0 ? (
        <p>{t('frets.chooseChords')}</p>
      ) : (
        <Result {...{ instrument, stock, check, shapes, found, way }} />
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
  const t = useWords();
  return (
    <Checkbox.Group
      className="screen-only"
      mt="xs"
      label={t('frets.chordsThatArePlayed')}
      value={[...names]}
      onChange={onNames}
    >
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

function Result({ instrument, stock, check, shapes, found, way }: ResultProps) {
  const t = useWords();
  const compromise = compromiseFor(shapes, found.errors, way, found.likely);
  const { saved, save, undo } = useSaveCompromise(instrument, stock, check);
  const { offered, offsets, outcomes } = compromise;
  return (
    <>
      <p>
        <strong>{t(compromiseInWords(compromise))}</strong>
      </p>
      <div className="chord-wires">
        {outcomes.map((outcome) => (
          <ChordWires key={outcome.name} outcome={outcome} />
        ))}
      </div>
      {offered && (
        <p>
          {t('frets.openStringsValueCents', {
            value: offsets
              .map((cents, i) => `${i + 1}: ${t.signed(cents)}`)
              .reverse()
              .join(' · '),
          })}
        </p>
      )}
      <Group mt="sm">
        {offered && (
          <Button onClick={() => void save(offsets)}>
            {t('frets.tuneNameSoFromNow', { name: instrument.name })}
          </Button>
        )}
        {undo && (
          <Button variant="default" onClick={() => void undo.back()}>
            {t('frets.backToName', { name: undo.name })}
          </Button>
        )}
        {saved && <span role="status">{saved}</span>}
      </Group>
    </>
  );
}

const idFor = ({ id }: Instrument) => `compromise-${id}`;

/** The tuning that a compromise starts from: never another compromise, or it would be made twice. */
function homeOf(
  instrument: Instrument,
  { tunings }: Stock,
  { tuningId }: FretCheck,
): Tuning | undefined {
  if (tuningId !== idFor(instrument)) return findTuning(tuningId, tunings);
  return homeTuning(instrument, tunings);
}

/** Makes a tuning of the offsets, and has the bench aim the instrument at it; and the way back. */
function useSaveCompromise(instrument: Instrument, stock: Stock, check: FretCheck) {
  const t = useWords();
  const { repository } = useData();
  const [saved, setSaved] = useState<string | null>(null);
  const home = homeOf(instrument, stock, check);
  const save = async (offsets: readonly Cents[]) => {
    if (!home) return;
    const notes = home.courses.map(([midi = MIDI_A4]) => midi);
    const base = offsetsOf(notes, home.temper);
    const tenths = offsets.map((cents, i) => Math.round(10 * (cents + (base[i] ?? 0))) / 10);
    const id = idFor(instrument);
    await repository.saveTuning({
      id,
      name: t('frets.compromiseName', { tuning: tuningName(home), instrument: instrument.name }),
      kind: home.kind,
      courses: home.courses,
      accidental: home.accidental,
      temper: { kind: 'own', offsets: tenths },
    });
    const homeTuningId = instrument.homeTuningId ?? home.id;
    await repository.saveInstrument({ ...instrument, tuningId: id, homeTuningId });
    setSaved(t('frets.aimsNow', { instrument: instrument.name }));
  };
  const kept = homeTuning(instrument, stock.tunings);
  const isOn = instrument.tuningId === idFor(instrument) && kept && kept.id !== instrument.tuningId;
  const undo = isOn
    ? {
        name: kept.name,
        back: async () => {
          await repository.saveInstrument({ ...instrument, tuningId: kept.id });
          setSaved(t('frets.aimsAgain', { instrument: instrument.name, tuning: kept.name }));
        },
      }
    : null;
  return { saved, save, undo };
}
