import { lengthValue, list, message } from '@rosefinch/core/message';
import { kindInWords, materialInWords, sparesInWords } from '@rosefinch/core/sentences';
import type { Words } from '@rosefinch/words';
import { useWords } from '../../parts/words/index.ts';
import './log.css';
import { Button, NativeSelect } from '@mantine/core';
import { sparesFor } from '@rosefinch/core/drift';
import type { Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import { type Life, useLive, useStock } from '../../data/index.ts';
import { now, zone } from '../../environment.ts';
import { NO_LIFE } from '../../parts/drift/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { type YearLine, yearLine } from './year.ts';

/** A year’s report for a lender: each instrument's sessions, strings, loans and repairs; and which strings to have. */
export function YearSheet() {
  const t = useWords();
  const stock = useStock();
  const lives = useLive((r) => r.chronicle.lives(), 'lives all');
  const thisYear = new Date(now()).getFullYear();
  const [year, setYear] = useState(thisYear);
  const [group, setGroup] = useState('');
  if (!stock || !lives) return <p>{t('common.moment')}</p>;
  const groups = [...new Set(stock.shelf.flatMap(({ groups: own = [] }) => own))];
  const shelf = stock.shelf.filter(({ groups: own = [] }) => group === '' || own.includes(group));
  return (
    <>
      <ViewHead
        title={t.value(list([t('log.theYear', { year }), ...(group === '' ? [] : [group])]))}
      >
        <NativeSelect
          aria-label={t('log.year')}
          data={[0, 1, 2, 3].map((back) => String(thisYear - back))}
          value={String(year)}
          onChange={(event) => setYear(Number(event.currentTarget.value))}
        />
        {groups.length > 0 && (
          <NativeSelect
            aria-label={t('log.group')}
            data={[{ value: '', label: t('log.allGroups') }, ...groups]}
            value={group}
            onChange={(event) => setGroup(event.currentTarget.value)}
          />
        )}
        <Button onClick={() => window.print()}>{t('log.printIt')}</Button>
      </ViewHead>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">{t('log.instrument')}</th>
            <th scope="col">{t('log.sittings')}</th>
            <th scope="col">{t('log.foundOffInTheMiddle')}</th>
            <th scope="col">{t('log.foundRightAsItWas')}</th>
            <th scope="col">{t('log.newStrings')}</th>
            <th scope="col">{t('log.loansRepairsNotes2')}</th>
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
      <h2>{t('log.stringsToHave')}</h2>
      <ul>
        {sorts(shelf, t).map(([sort, instruments]) => (
          <li key={sort}>{t(sparesInWords(sort, sparesOf(instruments, lives)))}</li>
        ))}
      </ul>
      <p className="soft">{t('log.viewSpares')}</p>
    </>
  );
}

/** What a loan, a repair or a note is called in the sheet. */
const MARKS = {
  loan: message('log.markLoan'),
  repair: message('log.markRepair'),
  note: message('log.markNote'),
} as const;

function Row({ instrument, line }: { readonly instrument: Instrument; readonly line: YearLine }) {
  const t = useWords();
  const day = (at: number) => t.moment(at, { now: at, zone: zone() }, 'day');
  return (
    <tr>
      <th scope="row">{instrument.name}</th>
      <td>{line.sittings}</td>
      <td>{line.offBy === null ? '' : t.number(line.offBy, 1)}</td>
      <td>
        {line.sittings === 0
          ? ''
          : t('log.rightOfSittings', { right: line.right, sittings: line.sittings })}
      </td>
      <td>{line.sets.map(day).join(', ')}</td>
      <td className="year-marks">
        {line.marks.map(({ kind, at, until, text }) => (
          <div key={at}>
            {t.value(
              list([
                MARKS[kind],
                until === null
                  ? day(at)
                  : message('common.range', { from: day(at), to: day(until) }),
              ]),
            )}
            {text && `: ${text}`}
          </div>
        ))}
      </td>
    </tr>
  );
}

/** Instruments by the sort of strings that they take. */
function sorts(shelf: readonly Instrument[], t: Words): [string, Instrument[]][] {
  const all = new Map<string, Instrument[]>();
  for (const instrument of shelf) {
    const { material } = instrument.courses[0]?.strings[0]?.spec ?? { material: 'steel' };
    const sort = t.value(
      list([
        kindInWords(instrument.kind),
        message('log.stringsCounted', { strings: instrument.courses.length }),
        materialInWords(material),
        lengthValue(instrument.scaleMm, 0),
      ]),
    );
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
