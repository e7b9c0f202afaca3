import { Text } from '@mantine/core';
import { type Tuning, targetsOf } from '@rosefinch/core/music';
import { directionInWords } from '@rosefinch/core/sentences';
import { homeTuning, type Instrument, stringLoad } from '@rosefinch/core/strings';
import type { Card } from '../../parts/cards/index.ts';
import { Wide } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { ShownTuning } from './shown.ts';

/** What each string carries in this tuning, and the neck in all against the instrument's own tuning. */
export function LoadTable({ card, tuning, instrument, stock }: ShownTuning) {
  const t = useWords();
  const { force, a4 } = stock.settings;
  const home = homeTuning(instrument, stock.tunings);
  const total = (of: Tuning) =>
    targetsOf(of, a4).reduce(
      (sum, { course, hz }) => sum + (stringLoad(instrument, course, hz)?.tension ?? 0),
      0,
    );
  const carried = total(tuning);
  const offset = card.strings.some((string) => Math.abs(string.offset) >= 0.05);
  return (
    <section className="card medium" aria-label={t('tunings.strings')}>
      <strong>{t('tunings.onName', { name: instrument.name })}</strong>
      <Wide label={t('tunings.whatEachStringCarries')}>
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">{t('tunings.string')}</th>
              <th scope="col">{t('tunings.note')}</th>
              {offset && <th scope="col">{t('tunings.offsetCents')}</th>}
              <th scope="col">{t('tunings.pegFromTheNut')}</th>
              <th scope="col">{t('tunings.tighten')}</th>
              <th scope="col">{t('tunings.hz')}</th>
              <th scope="col">{t('tunings.tensionForce', { force })}</th>
              <th scope="col">{t('tunings.toBreakingSemitones')}</th>
            </tr>
          </thead>
          <tbody>
            {card.strings.map((string) => (
              <LoadRow key={string.course} {...{ string, offset, instrument }} />
            ))}
          </tbody>
        </table>
      </Wide>
      <Text size="sm" mt={8}>
        {home
          ? t('tunings.carriesOfUsual', {
              force: t.force(carried),
              percent: (100 * carried) / total(home),
            })
          : t('tunings.carries', { force: t.force(carried) })}
      </Text>
    </section>
  );
}

interface LoadRowProps {
  readonly string: Card['strings'][number];
  /** The tuning sets some of its notes off. */
  readonly offset: boolean;
  readonly instrument: Instrument;
}

function LoadRow({ string, offset, instrument }: LoadRowProps) {
  const t = useWords();
  const load = stringLoad(instrument, string.course, string.hz);
  return (
    <tr>
      <th scope="row">{string.course}</th>
      <td>{string.note}</td>
      {offset && <td>{t.signed(string.offset)}</td>}
      <td>{string.peg}</td>
      <td>{t(directionInWords(string.tighten))}</td>
      <td>{t.number(string.hz, 2)}</td>
      <td>{load && t.force(load.tension, false)}</td>
      <td>{load && t.number(load.headroom, 1)}</td>
    </tr>
  );
}
