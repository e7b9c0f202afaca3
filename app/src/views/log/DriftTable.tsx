import type { Told } from '@rosefinch/core/drift';
import { weekInWords } from '@rosefinch/core/sentences';
import { zone } from '../../environment.ts';
import { Wide } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

/** The figures behind the sentences: what all strings did alike in each span, and what each did alone. */
export function DriftTable({ told: { drift } }: { readonly told: Told }) {
  const t = useWords();
  const day = (at: number) => t.moment(at, { now: at, zone: zone() }, 'day');
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  return (
    <details className="card">
      <summary>{t('log.theFiguresBehindIt')}</summary>
      <Wide label={t('log.driftTakenApart')}>
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">{t('log.from')}</th>
              <th scope="col">{t('log.to')}</th>
              <th scope="col">{t('log.allAlikeCents')}</th>
              <th scope="col">{t('log.hands')}</th>
              {drift.strings.map(({ course }) => (
                <th key={course} scope="col">
                  {t('log.stringCourseAloneCents', { course })}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {[...drift.spans].reverse().map(({ from, to, common, commonError, handled, own }) => (
              <tr key={from}>
                <td>{day(from)}</td>
                <td>{day(to)}</td>
                <td>
                  {t.signed(common)} ± {t.number(commonError, 1)}
                </td>
                <td>{percent(handled)}</td>
                {own.map((cents, i) => (
                  <td key={drift.strings[i]?.course}>{cents === null ? '' : t.signed(cents)}</td>
                ))}
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row" colSpan={4}>
                {t('log.itsPegSlipsProbability')}
              </th>
              {drift.strings.map(({ course, habits }) => (
                <td key={course}>{percent(habits.slips)}</td>
              ))}
            </tr>
            <tr>
              <th scope="row" colSpan={4}>
                {t('log.centsAWeekThatIt')}
              </th>
              {drift.strings.map(({ course, weekly, weeklyError }) => (
                <td key={course}>
                  {weekly < 0.5 ? '' : `${t.number(weekly)} ± ${t.number(weeklyError)}`}
                </td>
              ))}
            </tr>
          </tfoot>
        </table>
      </Wide>
      <p className="soft">{t(weekInWords(drift))}</p>
    </details>
  );
}
