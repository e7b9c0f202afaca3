import { Button, Checkbox, Group, NativeSelect, Pagination, Stack, TextInput } from '@mantine/core';
import { list, message, type Value } from '@rosefinch/core/message';
import { findTuning, type Tuning } from '@rosefinch/core/music';
import { kindInWords, sourceInWords, tuningName } from '@rosefinch/core/sentences';
import { movedMost } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import { useMemo, useState } from 'react';
import { type Listed, useData, useLive } from '../../data/index.ts';
import { useNotices } from '../../parts/frame/index.ts';
import { MiniWires } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { Comparison } from './Comparison.tsx';
import { type Filter, isWanted, NO_FILTER } from './filter.ts';
import { NothingYet } from './NothingYet.tsx';
import { noteOf, type Sitting, whenOf } from './sitting.ts';

/** Sessions on a page. */
const ON_A_PAGE = 20;

/** Sessions, newest first: found → left per string, what moved; two can be compared. */
export function Sittings({ instrumentId }: { readonly instrumentId: string | null }) {
  const t = useWords();
  const { repository } = useData();
  const [page, setPage] = useState(1);
  const [filter, setFilter] = useState<Filter>(NO_FILTER);
  const [picked, setPicked] = useState<readonly string[]>([]);
  const names = useNames();
  const shown = useSittings(page, { ...filter, instrumentId }, names, t.value);
  const compared = usePicked(picked, names);
  const notices = useNotices();
  if (!shown || !names) return <p>{t('common.moment')}</p>;
  const remove = async (id: string) => {
    const back = await repository.deleteSession(id);
    setPicked((ids) => ids.filter((other) => other !== id));
    notices.undoable(t('log.deleted'), back);
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
      {total === 0 && isFiltered && <p>{t('log.noneChosen')}</p>}
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
          getControlProps={(control) => ({ 'aria-label': t(PAGE_WORDS[control]) })}
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
  const t = useWords();
  return (
    <Group align="end">
      <TextInput
        label={t('log.findInTheSittings')}
        type="search"
        value={filter.text}
        onChange={(event) => onPut({ text: event.currentTarget.value })}
      />
      <NativeSelect
        label={t('log.tuning')}
        data={[
          { value: '', label: t('log.any') },
          ...names.tunings.map((one) => ({
            value: one.id,
            label: t.value(list([tuningName(one), kindInWords(one.kind)])),
          })),
        ]}
        value={filter.tuningId}
        onChange={(event) => onPut({ tuningId: event.currentTarget.value })}
      />
      <TextInput
        label={t('log.from2')}
        type="date"
        value={filter.from}
        onChange={(event) => onPut({ from: event.currentTarget.value })}
      />
      <TextInput
        label={t('log.to2')}
        type="date"
        value={filter.to}
        onChange={(event) => onPut({ to: event.currentTarget.value })}
      />
      <span className="soft">{t('log.sittingsFound', { sittings: total })}</span>
    </Group>
  );
}

const PAGE_WORDS = {
  first: 'log.firstPage',
  last: 'log.lastPage',
  next: 'log.olderSittings',
  previous: 'log.newerSittings',
} as const;

interface Names {
  readonly instruments: ReadonlyMap<string, Instrument>;
  readonly tunings: readonly Tuning[];
}

/** Instruments and tunings by which sessions are named. */
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

/** One page of the sessions that are wanted, the newest first. */
function useSittings(
  page: number,
  filter: Filter & { readonly instrumentId: string | null },
  names: Names | undefined,
  read: (name: Value) => string,
): { sittings: Sitting[]; total: number } | undefined {
  const listed = useLive(
    async (r) =>
      names &&
      r.listed((page - 1) * ON_A_PAGE, ON_A_PAGE, (session) =>
        isWanted(session, filter, {
          instrument: names.instruments.get(session.instrumentId)?.name ?? '',
          tuning: read(findTuning(session.tuningId, names.tunings)?.name ?? ''),
        }),
      ),
    `log ${page} ${JSON.stringify(filter)} ${names?.instruments.size}`,
  );
  return useMemo(() => {
    if (!listed || !names) return undefined;
    return { sittings: listed.page.flatMap((one) => named(one, names)), total: listed.total };
  }, [listed, names]);
}

/** The sessions that are picked, on whichever page. */
function usePicked(ids: readonly string[], names: Names | undefined): Sitting[] {
  const found = useLive((r) => r.listedOf(ids), `picked ${ids.join()}`);
  return found && names ? found.flatMap((one) => named(one, names)) : [];
}

/** Puts instrument and tuning to a session. */
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
  const t = useWords();
  const { session, instrument, summary } = sitting;
  const moved = movedMost(summary);
  const title = t.value(list([instrument.name, whenOf(session)]));
  return (
    <section className="card" aria-label={title}>
      <Group justify="space-between" align="flex-start">
        <div>
          <strong>{title}</strong>
          <div className="soft">
            {t.value(
              list(
                [
                  sourceInWords(session.source),
                  message('common.a4', { a4: session.a4 }),
                  message('log.passes', { passes: summary.passes }),
                  message('log.plucksCounted', { plucks: summary.plucks }),
                  ...(session.endedAt === null ? [message('log.onTheBench')] : []),
                ],
                'points',
              ),
            )}
          </div>
          {moved && (
            <div className="soft">
              {t('log.movedMostStringCourseCents', {
                course: moved.course,
                cents: t.signed(moved.cents),
              })}
            </div>
          )}
        </div>
        <Group>
          <Checkbox label={t('log.compare')} size="md" checked={picked} onChange={onPick} />
          <Button variant="default" onClick={onDelete}>
            {t('log.delete')}
          </Button>
        </Group>
      </Group>
      <MiniWires strings={summary.strings} tolerance={session.tolerance} />
      <details>
        <summary>{t('log.foundLeftStringByString')}</summary>
        <StringRows sitting={sitting} />
      </details>
    </section>
  );
}

function StringRows({ sitting }: { readonly sitting: Sitting }) {
  const t = useWords();
  return (
    <table className="ledger narrow">
      <thead>
        <tr>
          <th scope="col">{t('log.string')}</th>
          <th scope="col">{t('log.foundCents')}</th>
          <th scope="col">{t('log.leftCents')}</th>
          <th scope="col">{t('log.plucks')}</th>
        </tr>
      </thead>
      <tbody>
        {[...sitting.summary.strings].reverse().map((row) => (
          <tr key={row.course}>
            <th scope="row">
              {row.course} {t.value(noteOf(sitting, row.course))}
            </th>
            <td>{row.found === null ? '' : t.signed(row.found)}</td>
            <td>{row.left === null ? '' : t.signed(row.left)}</td>
            <td>{row.plucks}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
