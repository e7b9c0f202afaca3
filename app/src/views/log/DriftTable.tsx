import type { Told } from '@rosefinch/core/drift';
import { dayInWords, signedCents, weekInWords } from '@rosefinch/core/words';
import { fixed } from '@rosefinch/core/writing';
import { locale, zone } from '../../environment.ts';
import { Wide } from '../../parts/frame/index.ts';

/** The figures behind the sentences: what all strings did alike in each span, and what each did alone. */
export function DriftTable({ told: { drift } }: { readonly told: Told }) {
  const day = (at: number) => dayInWords(at, zone(), locale());
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  return (
    <details className="card">
      <summary>The figures behind it</summary>
      <Wide label="Drift taken apart">
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">from</th>
              <th scope="col">to</th>
              <th scope="col">all alike, cents</th>
              <th scope="col">hands</th>
              {drift.strings.map(({ course }) => (
                <th key={course} scope="col">
                  string {course} alone, cents
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
                  {signedCents(common)} ± {fixed(commonError, 1)}
                </td>
                <td>{percent(handled)}</td>
                {own.map((cents, i) => (
                  <td key={drift.strings[i]?.course}>{cents === null ? '' : signedCents(cents)}</td>
                ))}
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row" colSpan={4}>
                its peg slips, probability
              </th>
              {drift.strings.map(({ course, habits }) => (
                <td key={course}>{percent(habits.slips)}</td>
              ))}
            </tr>
            <tr>
              <th scope="row" colSpan={4}>
                cents a week that it lets down
              </th>
              {drift.strings.map(({ course, weekly, weeklyError }) => (
                <td key={course}>
                  {weekly < 0.5 ? '' : `${fixed(weekly)} ± ${fixed(weeklyError)}`}
                </td>
              ))}
            </tr>
          </tfoot>
        </table>
      </Wide>
      <p className="soft">{weekInWords(drift)}</p>
    </details>
  );
}
