import { Button, Group, NativeSelect, Stack, TextInput } from '@mantine/core';
import { problemOf } from '@rosefinch/core/errors';
import { list, type Value } from '@rosefinch/core/message';
import {
  findTuning,
  type OwnTuning,
  openChord,
  type Tuning,
  targetsOf,
} from '@rosefinch/core/music';
import { kindInWords, tuningName } from '@rosefinch/core/sentences';
import { homeTuning, type Instrument, instrumentFor, stringLoad } from '@rosefinch/core/strings';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { flushSync } from 'react-dom';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { inHandFirst, type Stock, useData, useStock } from '../../data/index.ts';
import { newId } from '../../environment.ts';
import { NotSaved, Unsaved, ViewHead } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { ByPlaying } from './ByPlaying.tsx';
import {
  type Draft,
  draftOf,
  notesText,
  stepsText,
  tuningOf,
  withNotes,
  withPlayed,
  withSteps,
} from './draft.ts';
import { TemperChoice } from './TemperChoice.tsx';

/** A tuning of the teacher's own: made from a known one, or changed. */
export function TuningEditor() {
  const t = useWords();
  const { tuning: id } = useParams();
  const [search] = useSearchParams();
  const stock = useStock();
  if (!stock) return <p>{t('common.moment')}</p>;
  const { tunings, shelf, settings } = stock;
  const old = id === undefined ? undefined : findTuning(id, tunings);
  const bench = shelf.find((entry) => entry.id === settings.instrumentId) ?? shelf[0];
  const base =
    old ??
    findTuning(search.get('from') ?? '', tunings) ??
    (bench && homeTuning(bench, tunings)) ??
    tunings[0];
  if (!base || (id !== undefined && !old))
    return (
      <p>
        {t('tunings.noTuningCalled', { id: id ?? '' })}{' '}
        <Link to="/tunings">{t('tunings.allTunings')}</Link>
      </p>
    );
  const draft = old
    ? draftOf(old, old, old.id, t.value(old.name))
    : draftOf(base, base, newId(), '');
  return <Editor key={base.id} start={draft} stock={stock} isNew={!old} />;
}

interface EditorProps {
  readonly start: Draft;
  readonly stock: Stock;
  readonly isNew: boolean;
}

function Editor({ start, stock, isNew }: EditorProps) {
  const t = useWords();
  const [draft, setDraft] = useState(start);
  const tuning = tuningOf(draft);
  const { save, saved, problem } = useSaveTuning(tuning);
  const instrument = instrumentFor(tuning, inHandFirst(stock), (model) => t(model.name));
  const parts = { draft, setDraft };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Unsaved changed={!saved && draft !== start} />
      <Stack>
        <ViewHead
          title={
            isNew ? t('tunings.aTuningOfYourOwn') : t('tunings.changeName', { name: start.name })
          }
        />
        <Naming {...parts} stock={stock} isNew={isNew} />
        <Notes {...parts} />
        {instrument && (
          <ByPlaying
            key={draft.from.id}
            instrument={instrument}
            tuning={draft.from}
            stock={stock}
            onNote={(course, midi, cents) => setDraft((d) => withPlayed(d, course, midi, cents))}
          />
        )}
        <TemperChoice draft={draft} onChange={(temper) => setDraft((d) => ({ ...d, temper }))} />
        {instrument && <Outcome tuning={tuning} instrument={instrument} stock={stock} />}
        <NotSaved reason={problem} />
        <Group>
          <Button type="submit" disabled={draft.name.trim() === ''}>
            {t('tunings.save')}
          </Button>
          {draft.name.trim() === '' && <span className="soft">{t('tunings.needsName')}</span>}
        </Group>
      </Stack>
    </form>
  );
}

function useSaveTuning(tuning: OwnTuning) {
  const { repository } = useData();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<Value | null>(null);
  const [saved, setSaved] = useState(false);
  const save = async () => {
    setProblem(null);
    try {
      await repository.saveTuning(tuning);
      flushSync(() => setSaved(true));
      await navigate(`/tunings/${tuning.id}`);
    } catch (error) {
      setProblem(problemOf(error));
    }
  };
  return { save, saved, problem };
}

interface PartProps {
  readonly draft: Draft;
  readonly setDraft: Dispatch<SetStateAction<Draft>>;
}

interface NamingProps extends PartProps {
  readonly stock: Stock;
  readonly isNew: boolean;
}

function Naming({ draft, setDraft, stock, isNew }: NamingProps) {
  const t = useWords();
  const [, setSearch] = useSearchParams();
  const known = stock.tunings.map((one) => ({
    value: one.id,
    label: t.value(list([kindInWords(one.kind), tuningName(one)])),
  }));
  return (
    <Group align="end">
      <TextInput
        label={t('tunings.name')}
        value={draft.name}
        maxLength={60}
        onChange={(event) => {
          const name = event.currentTarget.value;
          setDraft((d) => ({ ...d, name }));
        }}
      />
      {isNew && (
        <NativeSelect
          label={t('tunings.startFrom')}
          data={known}
          value={draft.from.id}
          onChange={(event) => setSearch({ from: event.currentTarget.value }, { replace: true })}
        />
      )}
      <NativeSelect
        label={t('tunings.sharpsOrFlats')}
        data={[
          { value: 'by its key', label: t('tunings.byItsKey') },
          { value: 'sharp', label: t('tunings.sharps') },
          { value: 'flat', label: t('tunings.flats') },
        ]}
        value={draft.spelling}
        onChange={(event) => {
          const spelling = event.currentTarget.value as Draft['spelling'];
          setDraft((d) => ({ ...d, spelling }));
        }}
      />
    </Group>
  );
}

function Notes({ draft, setDraft }: PartProps) {
  const t = useWords();
  return (
    <Group align="start">
      <Typed
        label={t('tunings.notes')}
        says={t('tunings.theThickestStringFirstThe')}
        text={notesText(draft, t.reader)}
        onText={(text) => setDraft(withNotes(draft, text, t.reader.notes))}
      />
      <Typed
        label={t('tunings.semitonesFromName', { name: draft.from.name })}
        says={t('tunings.theThickestStringFirst')}
        text={stepsText(draft)}
        onText={(text) => setDraft(withSteps(draft, text))}
      />
    </Group>
  );
}

interface TypedProps {
  readonly label: string;
  readonly says: string;
  readonly text: string;
  /** @throws FormatError */
  readonly onText: (text: string) => void;
}

/** A line that is taken over as soon as it can be read; until then it says what is wrong with it. */
function Typed({ label, says, text, onText }: TypedProps) {
  const t = useWords();
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<Value | null>(null);
  const take = (next: string) => {
    setTyped(next);
    try {
      onText(next);
      setProblem(null);
    } catch (error) {
      setProblem(problemOf(error));
    }
  };
  return (
    <TextInput
      label={label}
      description={says}
      w={320}
      error={problem === null ? null : t.value(problem)}
      value={typed ?? text}
      onChange={(event) => take(event.currentTarget.value)}
      onBlur={() => {
        if (!problem) setTyped(null);
      }}
    />
  );
}

interface OutcomeProps {
  readonly tuning: Tuning;
  readonly instrument: Instrument;
  readonly stock: Stock;
}

/** What the tuning comes to on an instrument: its chord, its load, and strings that come near to breaking. */
function Outcome({ tuning, instrument, stock }: OutcomeProps) {
  const t = useWords();
  const { a4 } = stock.settings;
  const loads = targetsOf(tuning, a4).flatMap(({ course, hz }) => {
    const load = stringLoad(instrument, course, hz);
    return load ? [{ course, ...load }] : [];
  });
  const total = loads.reduce((sum, { tension }) => sum + tension, 0);
  const tightest = loads.reduce((a, b) => (b.headroom < a.headroom ? b : a));
  const chord = openChord(tuning, t.reader);
  return (
    <p role="status">
      {chord ? t('tunings.openChord', { chord: chord }) : t('tunings.noChord')}{' '}
      {t('tunings.neckCarries', {
        instrument: instrument.name,
        force: t.force(total),
        string: tightest.course,
        semitones: tightest.headroom,
      })}
    </p>
  );
}
