import { list, moment, type Value } from '@rosefinch/core/message';
import type { Restringing } from '@rosefinch/core/records';
import { durationInWords, materialInWords } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import { useLive } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { useWords } from '../../parts/words/index.ts';

/** When each string was put on, and the ones before it. */
export function StringAges({ instrument }: { instrument: Instrument }) {
  const t = useWords();
  const restringings = useLive((r) => r.restringings(instrument.id), instrument.id);
  if (!restringings || restringings.length === 0) return null;
  const of = (course: number) =>
    restringings.filter((r) => r.strings.some((string) => string.course === course));
  return (
    <section className="card medium" aria-label={t('settle.ageOfTheStrings')}>
      <strong>{t('settle.ageOfTheStrings')}</strong>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">{t('settle.string')}</th>
            <th scope="col">{t('settle.material2')}</th>
            <th scope="col">{t('settle.fitted')}</th>
            <th scope="col">{t('settle.age')}</th>
            <th scope="col">{t('settle.beforeThat')}</th>
          </tr>
        </thead>
        <tbody>
          {[...instrument.courses].reverse().map(({ number }) => {
            const [newest, ...earlier] = of(number);
            const fresh = newest?.strings.find(({ course }) => course === number);
            return (
              <tr key={number}>
                <th scope="row">{t('settle.stringNumber', { number })}</th>
                <td>{fresh ? t(materialInWords(fresh.material)) : ''}</td>
                <td>{newest ? t.value(dayOf(newest)) : t('settle.notKnown')}</td>
                <td>{newest && t(durationInWords((now() - newest.fittedAt) / 1000))}</td>
                <td>{t.value(list(earlier.map(dayOf)))}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function dayOf({ fittedAt, zone }: Restringing): Value {
  return moment(fittedAt, { now: fittedAt, zone }, 'day');
}
