import type { Instrument } from '@rosefinch/core/strings';
import type { Stock } from '../../data/index.ts';
import { Wide } from '../frame/index.ts';
import { useWords } from '../words/index.ts';
import { useCoupling } from './useCoupling.ts';

/** A turn of this size is what the table tells the effect of, in cents. */
const TURN = 100;

/** How the strings of an instrument move each other, and how well that is known. */
export function NeckCard({ instrument, stock }: { instrument: Instrument; stock: Stock }) {
  const t = useWords();
  const { matrix, error, turns } = useCoupling(instrument, stock);
  const courses = instrument.courses.map(({ number }) => number).reverse();
  return (
    <section className="card medium" aria-label={t('parts.howTheStringsMoveEach')}>
      <strong>{t('parts.howTheStringsMoveEach')}</strong>
      <p className="soft">
        {turns === 0
          ? t('parts.usualNeck')
          : t('parts.neckLearned', { turns: turns, percent: 100 * error })}{' '}
        {t('parts.neckRows', { cents: TURN })}
      </p>
      <Wide label={t('parts.howTheStringsMoveEach')}>
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">{t('parts.raised')}</th>
              {courses.map((course) => (
                <th scope="col" key={course}>
                  {t('parts.stringCourse', { course })}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {courses.map((raised) => (
              <tr key={raised}>
                <th scope="row">{t('parts.stringRaised', { raised })}</th>
                {courses.map((course) => (
                  <td key={course}>
                    {course === raised
                      ? `+${TURN}`
                      : t.signed(TURN * (matrix[course - 1]?.[raised - 1] ?? 0))}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
    </section>
  );
}
