import { Button, Checkbox, Group, NativeSelect, Pagination, Stack, TextInput } from '@mantine/core';
import { findTuning, type Tuning } from '@rosefinch/core/music';
import { movedMost } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import { counted, LOG_SAYS, signedCents } from '@rosefinch/core/words';
import { useMemo, useState } from 'react';
import { type Listed, useData, useLive } from '../../data/index.ts';
import { useNotices } from '../../parts/frame/index.ts';
import { MiniWires } from '../../parts/wires/index.ts';
import { Comparison } from './Comparison.tsx';
import { type Filter, isWanted, NO_FILTER } from './filter.ts';
import { NothingYet } from './NothingYet.tsx';
import { noteOf, type Sitting, whenOf } from './sitting.ts';

/** Sittings on a page. */
const ON_A_PAGE = 20;

/** Sittings, newest first: found → left per string, what moved; two can be compared. */
export function Sittings({ instrumentId }: { readonly instrumentId: string | null }) {
  const { repository } = useData();
  const [page, setPage] = useState(1);
  const [filter, setFilter] = useState<Filter>(NO_FILTER);
  const [picked, setPicked] = useState<readonly string[]>([]);
  const names = useNames();
  const shown = useSittings(page, { ...filter, instrumentId }, names);
  const compared = usePicked(picked, names);
  const notices = useNotices();
  if (!shown || !names) return <p>One moment …</p>;
  const remove = async (id: string) => {
    const back = await repository.deleteSession(id);
    setPicked((ids) => ids.filter((other) => other !== id));
    notices.undoable(LOG_SAYS.deleted, back);
  };
  const pick = (id: string) =>
    setPicked((ids) => (ids.includes(id) ? ids.filter((x) => x !== id) : [...ids, id].slice(-2)));
  const { sittings, total } = shown;
  const pages = Math.ceil(total / ON_A_PAGE);
  const put = (change: Partial<Filter>) => {
    setFilter((before) => ({ ...before, ...change }));
    setPage(1);
  };
  const isFiltered = JSON.stringify(filter) !== JSON.stringify(NO_FILTER);
  return (
    <Stack>
      {(total > 0 || isFiltered) && (
        <Filters filter={filter} names={names} total={total} onPut={put} />
      )}
      {total === 0 && isFiltered && <p>{LOG_SAYS.noneChosen}</p>}
      {total === 0 && !isFiltered && <NothingYet />}
      {compared.length === 2 && <Comparison pair={compared as [Sitting, Sitting]} />}
      {sittings.map((sitting) => (
        <SittingCard
          key={sitting.session.id}
          sitting={sitting}
          picked={picked.includes(sitting.session.id)}
          onPick={() => pick(sitting.session.id)}
          onDelete={() => void remove(sitting.session.id)}
        />
      ))}
      {pages > 1 && (
        <Pagination
          total={pages}
          value={page}
          onChange={setPage}
          getControlProps={(control) => ({ 'aria-label': PAGE_WORDS[control] })}
        />
      )}
    </Stack>
  );
}

interface FiltersProps {
  readonly filter: Filter;
  readonly names: Names;
  readonly total: number;
  readonly onPut: (change: Partial<Filter>) => void;
}

function Filters({ filter, names, total, onPut }: FiltersProps) {
  return (
    <Group align="end">
      <TextInput
        label="Find in the sittings"
        type="search"
        value={filter.text}
        onChange={(event) => onPut({ text: event.currentTarget.value })}
      />
      <NativeSelect
        label="Tuning"
        data={[
          { value: '', label: 'any' },
          ...names.tunings.map(({ id, name, kind }) => ({ value: id, label: `${name}, ${kind}` })),
        ]}
        value={filter.tuningId}
        onChange={(event) => onPut({ tuningId: event.currentTarget.value })}
      />
      <TextInput
        label="From"
        type="date"
        value={filter.from}
        onChange={(event) => onPut({ from: event.currentTarget.value })}
      />
      <TextInput
        label="To"
        type="date"
        value={filter.to}
        onChange={(event) => onPut({ to: event.currentTarget.value })}
      />
      <span className="soft">{counted(total, 'sitting')}</span>
    </Group>
  );
}

const PAGE_WORDS = {
  first: 'First page',
  last: 'Last page',
  next: 'Older sittings',
  previous: 'Newer sittings',
} as const;

interface Names {
  readonly instruments: ReadonlyMap<string, Instrument>;
  readonly tunings: readonly Tuning[];
}

/** Instruments and tunings by which sittings are named. */
function useNames(): Names | undefined {
  const stock = useLive(
    async (r) => ({ instruments: await r.instruments(), tunings: await r.tunings() }),
    'names of the log',
  );
  return useMemo(
    () =>
      stock && {
        instruments: new Map(stock.instruments.map((entry) => [entry.id, entry])),
        tunings: stock.tunings,
      },
    [stock],
  );
}

/** One page of the sittings that are wanted, the newest first. */
function useSittings(
  page: number,
  filter: Filter & { readonly instrumentId: string | null },
  names: Names | undefined,
): { sittings: Sitting[]; total: number } | undefined {
  const listed = useLive(
    async (r) =>
      names &&
      r.listed((page - 1) * ON_A_PAGE, ON_A_PAGE, (session) =>
        isWanted(session, filter, {
          instrument: names.instruments.get(session.instrumentId)?.name ?? '',
          tuning: findTuning(session.tuningId, names.tunings)?.name ?? '',
        }),
      ),
    `log ${page} ${JSON.stringify(filter)} ${names?.instruments.size}`,
  );
  return useMemo(() => {
    if (!listed || !names) return undefined;
    return { sittings: listed.page.flatMap((one) => named(one, names)), total: listed.total };
  }, [listed, names]);
}

/** The sittings that are picked, on whichever page. */
function usePicked(ids: readonly string[], names: Names | undefined): Sitting[] {
  const found = useLive((r) => r.listedOf(ids), `picked ${ids.join()}`);
  return found && names ? found.flatMap((one) => named(one, names)) : [];
}

/** Puts instrument and tuning to a sitting. */
function named({ session, summary }: Listed, { instruments, tunings }: Names): Sitting[] {
  const instrument = instruments.get(session.instrumentId);
  if (!instrument) return [];
  return [{ session, instrument, tuning: findTuning(session.tuningId, tunings), summary }];
}

interface CardProps {
  readonly sitting: Sitting;
  readonly picked: boolean;
  readonly onPick: () => void;
  readonly onDelete: () => void;
}

function SittingCard({ sitting, picked, onPick, onDelete }: CardProps) {
  const { session, instrument, summary } = sitting;
  const moved = movedMost(summary);
  const title = `${instrument.name}, ${whenOf(session)}`;
  return (
    <section className="card" aria-label={title}>
      <Group justify="space-between" align="flex-start">
        <div>
          <strong>{title}</strong>
          <div className="soft">
            {session.source} · A4 {session.a4} Hz · {counted(summary.passes, 'pass', 'passes')} ·{' '}
            {counted(summary.plucks, 'pluck')}
            {session.endedAt === null ? ' · on the bench' : ''}
          </div>
          {moved && (
            <div className="soft">
              moved most: string {moved.course}, {signedCents(moved.cents)} cents
            </div>
          )}
        </div>
        <Group>
          <Checkbox label="Compare" size="md" checked={picked} onChange={onPick} />
          <Button variant="default" onClick={onDelete}>
            Delete
          </Button>
        </Group>
      </Group>
      <MiniWires strings={summary.strings} tolerance={session.tolerance} />
      <details>
        <summary>found → left, string by string</summary>
        <StringRows sitting={sitting} />
      </details>
    </section>
  );
}

function StringRows({ sitting }: { readonly sitting: Sitting }) {
  return (
    <table className="ledger narrow">
      <thead>
        <tr>
          <th scope="col">string</th>
          <th scope="col">found, cents</th>
          <th scope="col">left, cents</th>
          <th scope="col">plucks</th>
        </tr>
      </thead>
      <tbody>
        {[...sitting.summary.strings].reverse().map((row) => (
          <tr key={row.course}>
            <th scope="row">
              {row.course} {noteOf(sitting, row.course)}
            </th>
            <td>{row.found === null ? '' : signedCents(row.found)}</td>
            <td>{row.left === null ? '' : signedCents(row.left)}</td>
            <td>{row.plucks}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
