import { counted, dayInWords, LOG_SAYS, sparesInWords } from '@rosefinch/core/words';
import { fixed, lengthInWords } from '@rosefinch/core/writing';
import './log.css';
import { Button, NativeSelect } from '@mantine/core';
import { sparesFor } from '@rosefinch/core/drift';
import type { Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import { type Life, useLive, useStock } from '../../data/index.ts';
import { locale, now, zone } from '../../environment.ts';
import { NO_LIFE } from '../../parts/drift/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { type YearLine, yearLine } from './year.ts';

/** What a lender is told of a year: each instrument's sittings, strings, loans and repairs; and which strings to have. */
export function YearSheet() {
  const stock = useStock();
  const lives = useLive((r) => r.chronicle.lives(), 'lives all');
  const thisYear = new Date(now()).getFullYear();
  const [year, setYear] = useState(thisYear);
  const [group, setGroup] = useState('');
  if (!stock || !lives) return <p>One moment …</p>;
  const groups = [...new Set(stock.shelf.flatMap(({ groups: own = [] }) => own))];
  const shelf = stock.shelf.filter(({ groups: own = [] }) => group === '' || own.includes(group));
  return (
    <>
      <ViewHead title={`The year ${year}${group === '' ? '' : `, ${group}`}`}>
        <NativeSelect
          aria-label="Year"
          data={[0, 1, 2, 3].map((back) => String(thisYear - back))}
          value={String(year)}
          onChange={(event) => setYear(Number(event.currentTarget.value))}
        />
        {groups.length > 0 && (
          <NativeSelect
            aria-label="Group"
            data={[{ value: '', label: 'all groups' }, ...groups]}
            value={group}
            onChange={(event) => setGroup(event.currentTarget.value)}
          />
        )}
        <Button onClick={() => window.print()}>Print it</Button>
      </ViewHead>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">instrument</th>
            <th scope="col">sittings</th>
            <th scope="col">found off, in the middle, cents</th>
            <th scope="col">found right as it was</th>
            <th scope="col">new strings</th>
            <th scope="col">loans, repairs, notes</th>
          </tr>
        </thead>
        <tbody>
          {shelf.map((instrument) => (
            <Row
              key={instrument.id}
              instrument={instrument}
              line={yearLine(lives.get(instrument.id) ?? NO_LIFE, year)}
            />
          ))}
        </tbody>
      </table>
      <h2>Strings to have</h2>
      <ul>
        {sorts(shelf).map(([sort, instruments]) => (
          <li key={sort}>{sparesInWords(sort, sparesOf(instruments, lives))}</li>
        ))}
      </ul>
      <p className="soft">{LOG_SAYS.spares}</p>
    </>
  );
}

function Row({ instrument, line }: { readonly instrument: Instrument; readonly line: YearLine }) {
  const day = (at: number) => dayInWords(at, zone(), locale());
  return (
    <tr>
      <th scope="row">{instrument.name}</th>
      <td>{line.sittings}</td>
      <td>{line.offBy === null ? '' : fixed(line.offBy, 1)}</td>
      <td>{line.sittings === 0 ? '' : `${line.right} of ${line.sittings}`}</td>
      <td>{line.sets.map(day).join(', ')}</td>
      <td className="year-marks">
        {line.marks.map(({ kind, at, until, text }) => (
          <div key={at}>
            {kind}, {day(at)}
            {until !== null && ` to ${day(until)}`}
            {text && `: ${text}`}
          </div>
        ))}
      </td>
    </tr>
  );
}

/** Instruments by the sort of strings that they take. */
function sorts(shelf: readonly Instrument[]): [string, Instrument[]][] {
  const all = new Map<string, Instrument[]>();
  for (const instrument of shelf) {
    const { material } = instrument.courses[0]?.strings[0]?.spec ?? { material: 'steel' };
    const sort = `${instrument.kind}, ${counted(instrument.courses.length, 'string')}, ${material}, ${lengthInWords(instrument.scaleMm, 0)}`;
    all.set(sort, [...(all.get(sort) ?? []), instrument]);
  }
  return [...all];
}

function sparesOf(instruments: readonly Instrument[], lives: ReadonlyMap<string, Life>) {
  const fitted = instruments.flatMap(({ id }) =>
    (lives.get(id)?.restringings ?? []).map(({ fittedAt }) => fittedAt),
  );
  return sparesFor(fitted, instruments.length, now());
}
