import { Button, Group } from '@mantine/core';
import type { Instrument } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { type Stock, useData } from '../../data/index.ts';
import { dayHere, now } from '../../environment.ts';
import { useJudged } from '../../parts/drift/index.ts';
import { download } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { driftCsv, dueCalendar, sittingsCsv } from './out.ts';

interface Props {
  readonly stock: Stock;
  /** Null for all instruments. */
  readonly instrument: Instrument | null;
}

/** What of the log leaves the browser: tables of sessions and drift, due days as a calendar, the sheet of a year. */
export function WaysOut({ stock, instrument }: Props) {
  const t = useWords();
  const { repository } = useData();
  // One is worked out for its log anyway; the others only where they are wanted.
  const of = useMemo(() => (instrument ? [instrument] : stock.shelf), [instrument, stock.shelf]);
  const judged = useJudged(of, stock) ?? [];
  const day = dayHere(now());
  const sittings = async () => {
    const all = await repository.sessions();
    const wanted = all.filter(({ instrumentId }) => !instrument || instrumentId === instrument.id);
    const listed = await repository.listedOf(wanted.map(({ id }) => id));
    const names = new Map((await repository.instruments()).map(({ id, name }) => [id, name]));
    download(`rosefinch-sittings-${day}.csv`, sittingsCsv(listed, names), 'text/csv');
  };
  const ready = judged.some(({ told }) => told !== null);
  return (
    <Group className="screen-only">
      <Button variant="default" onClick={() => void sittings()}>
        {t('log.sittingsAsCSV')}
      </Button>
      <Button
        variant="default"
        disabled={!ready}
        onClick={() => download(`rosefinch-drift-${day}.csv`, driftCsv(judged), 'text/csv')}
      >
        {t('log.driftAsCSV')}
      </Button>
      <Button
        variant="default"
        disabled={!ready}
        onClick={() =>
          download('rosefinch-due.ics', dueCalendar(judged, now(), t), 'text/calendar')
        }
      >
        {t('log.dueDaysAsACalendar')}
      </Button>
      <Button component={Link} to="/year" variant="default">
        {t('log.sheetOfTheYear')}
      </Button>
    </Group>
  );
}
