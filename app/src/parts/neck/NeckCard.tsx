import type { Instrument } from '@rosefinch/core/strings';
import { PARTS_SAYS, signedCents } from '@rosefinch/core/words';
import type { Stock } from '../../data/index.ts';
import { Wide } from '../frame/index.ts';
import { useCoupling } from './useCoupling.ts';

/** A turn of this size is what the table tells the effect of, in cents. */
const TURN = 100;

/** How the strings of an instrument move each other, and how well that is known. */
export function NeckCard({ instrument, stock }: { instrument: Instrument; stock: Stock }) {
  const { matrix, error, turns } = useCoupling(instrument, stock);
  const courses = instrument.courses.map(({ number }) => number).reverse();
  return (
    <section className="card medium" aria-label="How the strings move each other">
      <strong>How the strings move each other</strong>
      <p className="soft">
        {turns === 0 ? PARTS_SAYS.usualNeck : PARTS_SAYS.neckLearned(turns, error)}{' '}
        {PARTS_SAYS.neckRows(TURN)}
      </p>
      <Wide label="How the strings move each other">
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">raised</th>
              {courses.map((course) => (
                <th scope="col" key={course}>
                  string {course}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {courses.map((raised) => (
              <tr key={raised}>
                <th scope="row">string {raised}</th>
                {courses.map((course) => (
                  <td key={course}>
                    {course === raised
                      ? `+${TURN}`
                      : signedCents(TURN * (matrix[course - 1]?.[raised - 1] ?? 0))}
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
