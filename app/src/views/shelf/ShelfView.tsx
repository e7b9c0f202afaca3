import {
  Button,
  Group,
  NativeSelect,
  NumberInput,
  SegmentedControl,
  Stack,
  TextInput,
} from '@mantine/core';
import { findTuning, type Tuning } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import type { Session, Summary } from '@rosefinch/core/sitting';
import { findModel, type Instrument, MODELS } from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';
import { dayInWords, whenInWords } from '@rosefinch/core/words';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { type Repository, useData, useLive } from '../../data/index.ts';
import { locale, newId, now as timeOfDay } from '../../environment.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { MiniWires } from '../../parts/wires/index.ts';
import { groupsOf, isFound } from './found.ts';
import { MOST_AT_ONCE, numberedNames } from './names.ts';

/** An instrument with its newest sitting. */
interface Shelved {
  readonly instrument: Instrument;
  readonly tuning: Tuning | undefined;
  /** When its new strings are to be looked at again; null where none are watched. */
  readonly look: { readonly at: number; readonly zone: string } | null;
  readonly last: {
    readonly at: number;
    readonly zone: string;
    readonly tolerance: Cents;
    readonly summary: Summary;
  } | null;
}

async function readShelf(repository: Repository): Promise<Shelved[]> {
  const newest = new Map<string, Session>();
  for (const session of await repository.sessions())
    if (repository.tells(session) && !newest.has(session.instrumentId))
      newest.set(session.instrumentId, session);
  const summaries = await repository.log.summaries([...newest.values()]);
  const shelf = await repository.shelf();
  const tunings = await repository.tunings();
  const watched = (await repository.restringings()).filter(({ doneAt }) => doneAt === null);
  const all = shelf.map((instrument): Shelved => {
    const tuning = findTuning(instrument.tuningId, tunings);
    const look = lookOf(watched.find(({ instrumentId }) => instrumentId === instrument.id));
    const session = newest.get(instrument.id);
    const summary = session && summaries.get(session.id);
    if (!summary) return { instrument, tuning, look, last: null };
    const { startedAt, zone, tolerance } = session;
    return { instrument, tuning, look, last: { at: startedAt, zone, tolerance, summary } };
  });
  // What is due stands first, the longest due before the others.
  const now = timeOfDay();
  const due = ({ look }: Shelved) => (look && look.at <= now ? look.at : Number.POSITIVE_INFINITY);
  return all.sort((a, b) => due(a) - due(b) || 0);
}

/** The next look, on the clock on the wall: practice time may have been let go by. */
function lookOf(restringing: Restringing | undefined): Shelved['look'] {
  const at = restringing?.looks[0];
  if (!restringing || at === undefined) return null;
  return { at: at - (restringing.practiceAheadMs ?? 0), zone: restringing.zone };
}

/** Which of the instruments are shown, by what the address says. */
const ALL = { label: 'All', holds: (_: Shelved) => true };
const SHOWN: Readonly<
  Record<string, { readonly label: string; readonly holds: (entry: Shelved) => boolean }>
> = {
  all: ALL,
  never: { label: 'Never looked at', holds: ({ last }) => last === null },
  due: { label: 'Look due', holds: ({ look }) => look !== null && look.at <= timeOfDay() },
};

/** Every instrument as a small set of wires: what was found last and left last. */
export function ShelfView() {
  const shelf = useLive(readShelf, 'shelf with sittings');
  const [search, setSearch] = useSearchParams();
  if (!shelf) return <p>One moment …</p>;
  const wanted = search.get('show') ?? 'all';
  const shown = shelf
    .filter((SHOWN[wanted] ?? ALL).holds)
    .filter((entry) => isFound(entry, search.get('find') ?? ''))
    .filter(({ instrument }) => isOfGroup(instrument, search.get('group')));
  /** Puts a word of the address; an empty one is taken out. */
  const put = (key: string, value: string) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        if (value === '') next.delete(key);
        else next.set(key, value);
        return next;
      },
      { replace: true },
    );
  return (
    <Stack>
      <ViewHead title="Shelf" />
      {shelf.length === 0 && (
        <>
          <p>The instruments that you keep in tune stand here. Put the first one on it.</p>
          <p className="soft">
            This is the shelf of {location.origin}. The same page at another port or host name has
            another one.
          </p>
        </>
      )}
      {shelf.length > 1 && (
        <Group align="end">
          <SegmentedControl
            className="shelf-shown"
            aria-label="Which are shown"
            value={wanted}
            onChange={(show) => put('show', show === 'all' ? '' : show)}
            data={Object.entries(SHOWN).map(([value, { label, holds }]) => ({
              value,
              label: `${label}, ${shelf.filter(holds).length}`,
            }))}
          />
          <Finding shelf={shelf} search={search} onPut={put} />
        </Group>
      )}
      {shelf.length > 0 && shown.length === 0 && <p>None of them.</p>}
      <div className="tiles">
        {shown.map((entry) => (
          <Tile key={entry.instrument.id} entry={entry} />
        ))}
      </div>
      <AddForm names={shelf.map(({ instrument }) => instrument.name)} />
    </Stack>
  );
}

function isOfGroup({ groups = [] }: Instrument, group: string | null): boolean {
  return group === null || groups.includes(group);
}

interface FindingProps {
  readonly shelf: readonly Shelved[];
  readonly search: URLSearchParams;
  readonly onPut: (key: string, value: string) => void;
}

/** Finds instruments by words, and by a group where there are any. */
function Finding({ shelf, search, onPut }: FindingProps) {
  const groups = groupsOf(shelf, locale());
  return (
    <>
      <TextInput
        label="Find"
        type="search"
        value={search.get('find') ?? ''}
        onChange={(event) => onPut('find', event.currentTarget.value)}
      />
      {groups.length > 0 && (
        <NativeSelect
          label="Group"
          data={[{ value: '', label: 'all' }, ...groups]}
          value={search.get('group') ?? ''}
          onChange={(event) => onPut('group', event.currentTarget.value)}
        />
      )}
    </>
  );
}

function Tile({ entry: { instrument, tuning, look, last } }: { entry: Shelved }) {
  const now = timeOfDay();
  return (
    <Link to={`/shelf/${instrument.id}`} className="card tile">
      <strong>{instrument.name}</strong>
      <span className="soft">
        {instrument.kind}, {tuning?.name}
        {instrument.capo && `, capo ${instrument.capo}`}
      </span>
      {look && (
        <strong>
          {look.at <= now ? 'look due since ' : 'next look '}
          {whenInWords(look.at, look.zone, now, locale())}
        </strong>
      )}
      <span>{instrument.note}</span>
      {instrument.groups?.length ? (
        <span className="soft">{instrument.groups.join(', ')}</span>
      ) : null}
      {last ? (
        <>
          <MiniWires strings={last.summary.strings} tolerance={last.tolerance} />
          <span className="soft">looked at {dayInWords(last.at, last.zone, locale())}</span>
        </>
      ) : (
        <span className="soft">not looked at yet</span>
      )}
    </Link>
  );
}

function AddForm({ names }: { names: readonly string[] }) {
  const { repository } = useData();
  const [name, setName] = useState('');
  const [model, setModel] = useState(MODELS[0]?.id ?? '');
  const [count, setCount] = useState<number | string>(1);
  const many = Math.max(1, Math.min(MOST_AT_ONCE, Math.round(Number(count) || 1)));
  const wanted = numberedNames(name, many, names);
  const add = async () => {
    const found = findModel(model);
    if (!found || name.trim() === '') return;
    await repository.addInstruments(wanted.map((one) => found.build(newId(), one)));
    setName('');
    setCount(1);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Group align="end">
        <TextInput
          label="Name"
          value={name}
          maxLength={60}
          description={aboutNames(wanted, names)}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <NativeSelect
          label="Kind"
          data={MODELS.map(({ id, name: label }) => ({ value: id, label }))}
          value={model}
          onChange={(event) => setModel(event.currentTarget.value)}
        />
        <NumberInput
          label="How many"
          w={100}
          min={1}
          max={MOST_AT_ONCE}
          value={count}
          onChange={setCount}
        />
        <Button type="submit" disabled={name.trim() === ''}>
          {many > 1 ? `Put ${many} on the shelf` : 'Put it on the shelf'}
        </Button>
        <Button component={Link} to="/?new" variant="default">
          Strum it, to know what it is
        </Button>
      </Group>
    </form>
  );
}

/** Which names are given, or that one is there already. */
function aboutNames(wanted: readonly string[], taken: readonly string[]): string | null {
  const [first = ''] = wanted;
  if (wanted.length > 1) return `${first} to ${wanted.at(-1)}`;
  return taken.includes(first) ? 'Another one on the shelf has this name.' : null;
}
