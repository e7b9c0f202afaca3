import type { Cents } from '@rosefinch/core/units';
import { LOG_SAYS, signedCents } from '@rosefinch/core/words';
import { noteOf, type Sitting, whenOf } from './sitting.ts';

/** Two sessions side by side, the earlier one first: where it was left, where it was found again. */
export function Comparison({ pair }: { pair: readonly [Sitting, Sitting] }) {
  const [first, second] = [...pair].sort((a, b) => a.session.startedAt - b.session.startedAt) as [
    Sitting,
    Sitting,
  ];
  const same = first.instrument.id === second.instrument.id;
  const rows = [...first.summary.strings].reverse();
  return (
    <section className="card" aria-label="Comparison">
      <strong>
        {first.instrument.name}, {whenOf(first.session)}, and {second.instrument.name},{' '}
        {whenOf(second.session)}
      </strong>
      {!same && <div className="soft">{LOG_SAYS.different}</div>}
      <table className="ledger narrow">
        <thead>
          <tr>
            <th scope="col">string</th>
            <th scope="col">left then, cents</th>
            <th scope="col">found later, cents</th>
            <th scope="col">moved between, cents</th>
            <th scope="col">left later, cents</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const later = second.summary.strings.find((s) => s.course === row.course);
            const found = later?.found ?? null;
            return (
              <tr key={row.course}>
                <th scope="row">
                  {row.course} {noteOf(first, row.course)}
                </th>
                <td>{cell(row.left)}</td>
                <td>{cell(found)}</td>
                <td>{row.left === null || found === null ? '' : signedCents(found - row.left)}</td>
                <td>{cell(later?.left ?? null)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function cell(cents: Cents | null): string {
  return cents === null ? '' : signedCents(cents);
}
