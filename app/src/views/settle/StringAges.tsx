import type { Restringing } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { dayInWords, durationInWords } from '@rosefinch/core/words';
import { useLive } from '../../data/index.ts';
import { locale, now } from '../../environment.ts';

/** When each string was put on, and the ones before it. */
export function StringAges({ instrument }: { instrument: Instrument }) {
  const restringings = useLive((r) => r.restringings(instrument.id), instrument.id);
  if (!restringings || restringings.length === 0) return null;
  const of = (course: number) =>
    restringings.filter((r) => r.strings.some((string) => string.course === course));
  return (
    <section className="card medium" aria-label="Age of the strings">
      <strong>Age of the strings</strong>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">string</th>
            <th scope="col">material</th>
            <th scope="col">fitted</th>
            <th scope="col">age</th>
            <th scope="col">before that</th>
          </tr>
        </thead>
        <tbody>
          {[...instrument.courses].reverse().map(({ number }) => {
            const [newest, ...earlier] = of(number);
            const fresh = newest?.strings.find(({ course }) => course === number);
            return (
              <tr key={number}>
                <th scope="row">string {number}</th>
                <td>{fresh?.material ?? ''}</td>
                <td>{newest ? dayOf(newest) : 'not known'}</td>
                <td>{newest && durationInWords((now() - newest.fittedAt) / 1000)}</td>
                <td>{earlier.map(dayOf).join(', ')}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function dayOf({ fittedAt, zone }: Restringing): string {
  return dayInWords(fittedAt, zone, locale());
}
