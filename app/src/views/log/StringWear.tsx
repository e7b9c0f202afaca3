import { type Heard, heardOf, wornStrings } from '@rosefinch/core/drift';
import { wearInWords } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import type { EpochMs } from '@rosefinch/core/units';
import { useMemo } from 'react';
import { type Life, type Repository, type Stock, useData, useLive } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { useWords } from '../../parts/words/index.ts';
import { stringsIn } from '../frets/index.ts';

/** The first sessions with a set and the last ones tell what has become of it. */
const AT_EACH_END = 3;

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly life: Life;
}

/** Whether the strings are still good, by their age, what they were played, and how they have come to sound. */
export function StringWear({ instrument, stock, life }: Props) {
  const t = useWords();
  const { sittings, restringings, marks } = life;
  const fitted = restringings.map(({ fittedAt }) => fittedAt);
  const fittedAt = fitted.length > 0 ? Math.max(...fitted) : null;
  const since = sittings.filter(({ session }) => session.startedAt >= (fittedAt ?? 0));
  const ends = [...since.slice(0, AT_EACH_END), ...since.slice(-AT_EACH_END)];
  const ids = [...new Set(ends.map(({ session }) => session.id))];
  const heard = useLive((r) => heardIn(r, ids), `worn ${ids.join()}`);
  const inCheck = useStringsInCheck(instrument, stock, fittedAt ?? 0);
  if (!heard || !inCheck) return <p>{t('common.moment')}</p>;
  const { verdict, signs } = wornStrings({
    now: now(),
    fittedAt,
    loans: marks
      .filter(({ kind }) => kind === 'loan')
      .map(({ at, until }) => ({ from: at, to: until })),
    sittings: since.length,
    heard,
    ...inCheck,
    soft: instrument.courses[0]?.strings[0]?.spec.material !== 'steel',
  });
  const { say, more } = wearInWords(verdict, signs);
  return (
    <section aria-label={t('log.strings')}>
      <h2>{t('log.strings')}</h2>
      <p>
        <strong>{t(say)}</strong> {t(more)}
      </p>
    </section>
  );
}

/** What the newest fret check since the strings were put on says of them. */
function useStringsInCheck(instrument: Instrument, { tunings }: Stock, since: EpochMs) {
  const { repository } = useData();
  const checks = useLive((r) => r.fretChecks(instrument.id), `strings in checks ${instrument.id}`);
  return useMemo(() => {
    const newest = checks?.find((one) => repository.tells(one) && one.startedAt >= since);
    return checks && stringsIn(instrument, newest, tunings);
  }, [checks, repository, instrument, tunings, since]);
}

/** What the plucks of some sessions tell of their strings, oldest first. */
async function heardIn({ log }: Repository, ids: readonly string[]): Promise<Heard[]> {
  const all: Heard[] = [];
  for (const id of ids) {
    const readings = (await log.of(id)).filter(({ event }) => event.type === 'reading');
    const measured = new Map(
      (await log.measurements(readings.map((one) => one.id))).map((m) => [m.id, m]),
    );
    for (const entry of readings) {
      const { event } = entry;
      const measurement = measured.get(entry.id);
      if (event.type !== 'reading' || !measurement) continue;
      const told = heardOf(event.reading.course, event.at, measurement.reading);
      if (told) all.push(told);
    }
  }
  return all;
}
