import { type Target, targetName } from '@rosefinch/core/music';
import { type BenchState, ledger } from '@rosefinch/core/sitting';
import type { Cents } from '@rosefinch/core/units';
import { signedCents } from '@rosefinch/core/words';

interface Props {
  readonly state: BenchState;
  readonly targets: readonly Target[];
  readonly hidden: boolean;
}

/** Strings × passes: what was found, what was left, what moved since. */
export function Ledger({ state, targets, hidden }: Props) {
  const rows = ledger(state);
  const figure = (cents: Cents | null | undefined) =>
    hidden ? '·' : cents === null || cents === undefined ? '' : signedCents(cents);
  const many = state.passes.length > 1;
  return (
    <table className="ledger">
      <caption className="unseen">Found and left, in cents</caption>
      <thead>
        <tr>
          <th scope="col">string</th>
          {many && <th scope="col">found first</th>}
          <th scope="col">found</th>
          <th scope="col">left</th>
          {many && <th scope="col">moved</th>}
          <th scope="col">now</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => {
          const target = targets.find((t) => t.course === row.course);
          return (
            <tr key={row.course} data-active={row.course === state.active}>
              <th scope="row">
                {row.course} {target ? targetName(target) : ''}
              </th>
              {many && <td>{figure(row.passes[0]?.found)}</td>}
              <td>{figure(row.passes.at(-1)?.found)}</td>
              <td>{figure(row.passes.at(-1)?.left)}</td>
              {many && <td>{figure(row.moved)}</td>}
              <td>{hidden && row.standing !== 'unread' ? 'read' : row.standing}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
