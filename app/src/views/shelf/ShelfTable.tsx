import { Checkbox } from '@mantine/core';
import {
  diagnosisInWords,
  kindInWords,
  minutesInShort,
  needInWords,
  tuningName,
} from '@rosefinch/core/sentences';
import type { Words } from '@rosefinch/words';
import {
  type Column,
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  type SortingState,
  useReactTable,
} from '@tanstack/react-table';
import { useState } from 'react';
import { Link } from 'react-router';
import { natural, now, zone } from '../../environment.ts';
import { Wide } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { Shelved } from './shelved.ts';

interface Props {
  readonly shelf: readonly Shelved[];
  readonly chosen: ReadonlySet<string>;
  readonly onPick: (id: string) => void;
}

const helper = createColumnHelper<Shelved>();
const byText = (read: (one: Shelved) => string) => ({
  sortingFn: (a: { original: Shelved }, b: { original: Shelved }) =>
    natural().compare(read(a.original), read(b.original)),
});
const groupsIn = ({ instrument }: Shelved) => (instrument.groups ?? []).join(', ');
const lastOf = ({ life }: Shelved) => life.sittings.at(-1)?.session;
const restrungOf = ({ facts }: Shelved) => facts.fittedAt ?? 0;

/** Every column that can be shown and sorted by. */
function columnsFor(t: Words) {
  const clock = { now: now(), zone: zone() };
  const day = (at: number | undefined) =>
    at ? t.moment(at, { now: at, zone: clock.zone }, 'day') : '';
  return [
    helper.accessor((one) => one.instrument.name, {
      id: 'name',
      header: t('shelf.name'),
      ...byText((one) => one.instrument.name),
    }),
    helper.accessor((one) => t(kindInWords(one.instrument.kind)), {
      id: 'kind',
      header: t('shelf.kind'),
    }),
    helper.accessor((one) => (one.tuning ? t.value(tuningName(one.tuning)) : ''), {
      id: 'tuning',
      header: t('shelf.tuning'),
    }),
    helper.accessor(groupsIn, {
      id: 'groups',
      header: t('shelf.groups2'),
      ...byText(groupsIn),
    }),
    helper.accessor((one) => lastOf(one)?.startedAt ?? 0, {
      id: 'last',
      header: t('shelf.lookedAt'),
      cell: ({ row }) => day(lastOf(row.original)?.startedAt),
    }),
    helper.accessor((one) => one.life.sittings.length, {
      id: 'sittings',
      header: t('shelf.sittings'),
    }),
    helper.accessor(restrungOf, {
      id: 'strings',
      header: t('shelf.stringsPutOn'),
      cell: ({ row }) => day(restrungOf(row.original)),
    }),
    helper.accessor((one) => t(diagnosisInWords(one.facts, clock)), {
      id: 'says',
      header: t('shelf.whatIsGoingOn'),
    }),
    helper.accessor((one) => one.minutes, {
      id: 'minutes',
      header: t('shelf.minutes'),
      cell: ({ getValue }) => t(minutesInShort(getValue())),
    }),
    helper.display({
      id: 'due',
      header: t('shelf.due'),
      cell: ({ row }) => t(needInWords(row.original.need, clock, row.original.facts.pending)),
    }),
  ];
}

/** The shelf for those who want columns: sorted by any, each can be put away. */
export function ShelfTable({ shelf, chosen, onPick }: Props) {
  const t = useWords();
  const [sorting, setSorting] = useState<SortingState>([]);
  const [columns] = useState(() => columnsFor(t));
  const [hidden, setHidden] = useState<Record<string, boolean>>({});
  const table = useReactTable({
    data: shelf as Shelved[],
    columns,
    state: { sorting, columnVisibility: hidden },
    onSortingChange: setSorting,
    onColumnVisibilityChange: setHidden,
    getRowId: ({ instrument }) => instrument.id,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  return (
    <>
      <details className="screen-only">
        <summary>{t('shelf.columns')}</summary>
        <div className="shelf-columns">
          {table.getAllLeafColumns().map((column) => (
            <Checkbox
              key={column.id}
              label={String(column.columnDef.header)}
              checked={column.getIsVisible()}
              onChange={column.getToggleVisibilityHandler()}
            />
          ))}
        </div>
      </details>
      <Wide label={t('shelf.theShelfAsATable')}>
        <table className="ledger shelf-table">
          <thead>
            {table.getHeaderGroups().map(({ id, headers }) => (
              <tr key={id}>
                <th scope="col">
                  <span className="unseen">{t('shelf.takeAlong')}</span>
                </th>
                {headers.map(({ column }) => (
                  <Heading key={column.id} column={column} />
                ))}
              </tr>
            ))}
          </thead>
          <tbody>
            {table.getRowModel().rows.map((row) => (
              <tr key={row.id}>
                <td>
                  <Checkbox
                    aria-label={t('shelf.takeNameAlong', { name: row.original.instrument.name })}
                    checked={chosen.has(row.id)}
                    onChange={() => onPick(row.id)}
                  />
                </td>
                {row.getVisibleCells().map((cell) => (
                  <td key={cell.id}>
                    {cell.column.id === 'name' ? (
                      <Link to={`/shelf/${row.id}`}>{row.original.instrument.name}</Link>
                    ) : (
                      flexRender(cell.column.columnDef.cell, cell.getContext())
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
    </>
  );
}

const SORTED = { asc: 'ascending', desc: 'descending' } as const;

function Heading({ column }: { readonly column: Column<Shelved> }) {
  const sorted = column.getIsSorted();
  const title = String(column.columnDef.header);
  return (
    <th scope="col" {...(sorted && { 'aria-sort': SORTED[sorted] })}>
      {column.getCanSort() ? (
        <button type="button" className="shelf-sort" onClick={() => column.toggleSorting()}>
          {title}
          {sorted === 'asc' ? ' ↑' : sorted === 'desc' ? ' ↓' : ''}
        </button>
      ) : (
        title
      )}
    </th>
  );
}
