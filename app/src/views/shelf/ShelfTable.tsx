import { Checkbox } from '@mantine/core';
import { dayInWords, diagnosisInWords, minutesInShort, needInWords } from '@rosefinch/core/words';
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
import { locale, natural, now, zone } from '../../environment.ts';
import { Wide } from '../../parts/frame/index.ts';
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
function columnsFor() {
  const clock = { now: now(), zone: zone(), reader: locale() };
  const day = (at: number | undefined) => (at ? dayInWords(at, clock.zone, clock.reader) : '');
  return [
    helper.accessor((one) => one.instrument.name, {
      id: 'name',
      header: 'Name',
      ...byText((one) => one.instrument.name),
    }),
    helper.accessor((one) => one.instrument.kind, { id: 'kind', header: 'Kind' }),
    helper.accessor((one) => one.tuning?.name ?? '', { id: 'tuning', header: 'Tuning' }),
    helper.accessor(groupsIn, { id: 'groups', header: 'Groups', ...byText(groupsIn) }),
    helper.accessor((one) => lastOf(one)?.startedAt ?? 0, {
      id: 'last',
      header: 'Looked at',
      cell: ({ row }) => day(lastOf(row.original)?.startedAt),
    }),
    helper.accessor((one) => one.life.sittings.length, { id: 'sittings', header: 'Sittings' }),
    helper.accessor(restrungOf, {
      id: 'strings',
      header: 'Strings put on',
      cell: ({ row }) => day(restrungOf(row.original)),
    }),
    helper.accessor((one) => diagnosisInWords(one.facts, clock), {
      id: 'says',
      header: 'What is going on',
    }),
    helper.accessor((one) => one.minutes, {
      id: 'minutes',
      header: 'Minutes',
      cell: ({ getValue }) => minutesInShort(getValue()),
    }),
    helper.display({
      id: 'due',
      header: 'Due',
      cell: ({ row }) => needInWords(row.original.need, clock),
    }),
  ];
}

/** The shelf for those who want columns: sorted by any, each can be put away. */
export function ShelfTable({ shelf, chosen, onPick }: Props) {
  const [sorting, setSorting] = useState<SortingState>([]);
  const [columns] = useState(columnsFor);
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
        <summary>Columns</summary>
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
      <Wide label="The shelf as a table">
        <table className="ledger shelf-table">
          <thead>
            {table.getHeaderGroups().map(({ id, headers }) => (
              <tr key={id}>
                <th scope="col">
                  <span className="unseen">Take along</span>
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
                    aria-label={`Take ${row.original.instrument.name} along`}
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
