import type { Cents } from '@rosefinch/core/units';
import type { Words } from '@rosefinch/words';
import { useWords } from '../../parts/words/index.ts';
import { noteOf, type Sitting, whenOf } from './sitting.ts';

/** Two sessions side by side, the earlier one first: where it was left, where it was found again. */
export function Comparison({ pair }: { pair: readonly [Sitting, Sitting] }) {
  const t = useWords();
  const [first, second] = [...pair].sort((a, b) => a.session.startedAt - b.session.startedAt) as [
    Sitting,
    Sitting,
  ];
  const same = first.instrument.id === second.instrument.id;
  const rows = [...first.summary.strings].reverse();
  return (
    <section className="card" aria-label={t('log.comparison')}>
      <strong>
        {t('log.nameSessionAndName2Session2', {
          name: first.instrument.name,
          session: whenOf(first.session),
          name2: second.instrument.name,
          session2: whenOf(second.session),
        })}
      </strong>
      {!same && <div className="soft">{t('log.different')}</div>}
      <table className="ledger narrow">
        <thead>
          <tr>
            <th scope="col">{t('log.string')}</th>
            <th scope="col">{t('log.leftThenCents')}</th>
            <th scope="col">{t('log.foundLaterCents')}</th>
            <th scope="col">{t('log.movedBetweenCents')}</th>
            <th scope="col">{t('log.leftLaterCents')}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const later = second.summary.strings.find((s) => s.course === row.course);
            const found = later?.found ?? null;
            return (
              <tr key={row.course}>
                <th scope="row">
                  {row.course} {t.value(noteOf(first, row.course))}
                </th>
                <td>{cell(row.left, t)}</td>
                <td>{cell(found, t)}</td>
                <td>{row.left === null || found === null ? '' : t.signed(found - row.left)}</td>
                <td>{cell(later?.left ?? null, t)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function cell(cents: Cents | null, t: Words): string {
  return cents === null ? '' : t.signed(cents);
}
