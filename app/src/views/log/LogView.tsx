import { Button, Checkbox, Group, Pagination, Stack } from '@mantine/core';
import { findTuning } from '@rosefinch/core/music';
import { movedMost } from '@rosefinch/core/sitting';
import { counted, signedCents } from '@rosefinch/core/words';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Listed, useData, useLive } from '../../data/index.ts';
import { EmptyView, useNotices, ViewHead } from '../../parts/frame/index.ts';
import { MiniWires } from '../../parts/wires/index.ts';
import { Comparison } from './Comparison.tsx';
import { noteOf, type Sitting, whenOf } from './sitting.ts';

/** Sittings on a page. */
const ON_A_PAGE = 20;

/** Sessions, newest first: found → left per string, what moved; two can be compared. */
export function LogView() {
  const { repository } = useData();
  const [page, setPage] = useState(1);
  const [picked, setPicked] = useState<readonly string[]>([]);
  const shown = useSittings(page);
  const compared = usePicked(picked);
  const notices = useNotices();
  if (!shown) return <p>One moment …</p>;
  const remove = async (id: string) => {
    const back = await repository.deleteSession(id);
    setPicked((ids) => ids.filter((other) => other !== id));
    notices.undoable('The sitting is deleted.', back);
  };
  const pick = (id: string) =>
    setPicked((ids) => (ids.includes(id) ? ids.filter((x) => x !== id) : [...ids, id].slice(-2)));
  const { sittings, total } = shown;
  const pages = Math.ceil(total / ON_A_PAGE);
  return (
    <Stack>
      <ViewHead title="Log" />
      {sittings.length === 0 && (
        <EmptyView
          says="Every sitting at the bench is kept here: what each string was found at, and where it was left."
          offer={
            <Button component={Link} to="/?listen=practice">
              Try it with a practice instrument
            </Button>
          }
        />
      )}
      {compared.length === 2 && <Comparison pair={compared as [Sitting, Sitting]} />}
      {sittings.map((sitting) => (
        <SittingCard
          key={sitting.session.id}
          sitting={sitting}
          picked={picked.includes(sitting.session.id)}
          onPick={() => pick(sitting.session.id)}
          onDelete={() => void remove(sitting.session.id)}
        />
      ))}
      {pages > 1 && (
        <Pagination
          total={pages}
          value={page}
          onChange={setPage}
          getControlProps={(control) => ({ 'aria-label': PAGE_WORDS[control] })}
        />
      )}
    </Stack>
  );
}

const PAGE_WORDS = {
  first: 'First page',
  last: 'Last page',
  next: 'Older sittings',
  previous: 'Newer sittings',
} as const;

/** One page of the sittings, the newest first. */
function useSittings(page: number): { sittings: Sitting[]; total: number } | undefined {
  const listed = useLive((r) => r.listed((page - 1) * ON_A_PAGE, ON_A_PAGE), `log ${page}`);
  const named = useNamed();
  return useMemo(() => {
    if (!listed || !named) return undefined;
    return { sittings: listed.page.flatMap(named), total: listed.total };
  }, [listed, named]);
}

/** The sittings that are picked, on whichever page. */
function usePicked(ids: readonly string[]): Sitting[] {
  const found = useLive((r) => r.listedOf(ids), `picked ${ids.join()}`);
  const named = useNamed();
  return found && named ? found.flatMap(named) : [];
}

/** Puts instrument and tuning to a sitting. */
function useNamed(): ((listed: Listed) => Sitting[]) | undefined {
  const stock = useLive(
    async (r) => ({ instruments: await r.instruments(), tunings: await r.tunings() }),
    'names of the log',
  );
  return useMemo(() => {
    if (!stock) return undefined;
    const byId = new Map(stock.instruments.map((entry) => [entry.id, entry]));
    return ({ session, summary }) => {
      const instrument = byId.get(session.instrumentId);
      if (!instrument) return [];
      return [
        { session, instrument, tuning: findTuning(session.tuningId, stock.tunings), summary },
      ];
    };
  }, [stock]);
}

interface CardProps {
  readonly sitting: Sitting;
  readonly picked: boolean;
  readonly onPick: () => void;
  readonly onDelete: () => void;
}

function SittingCard({ sitting, picked, onPick, onDelete }: CardProps) {
  const { session, instrument, summary } = sitting;
  const moved = movedMost(summary);
  const title = `${instrument.name}, ${whenOf(session)}`;
  return (
    <section className="card" aria-label={title}>
      <Group justify="space-between" align="flex-start">
        <div>
          <strong>{title}</strong>
          <div className="soft">
            {session.source} · A4 {session.a4} Hz · {counted(summary.passes, 'pass', 'passes')} ·{' '}
            {counted(summary.plucks, 'pluck')}
            {session.endedAt === null ? ' · on the bench' : ''}
          </div>
          {moved && (
            <div className="soft">
              moved most: string {moved.course}, {signedCents(moved.cents)} cents
            </div>
          )}
        </div>
        <Group>
          <Checkbox label="Compare" size="md" checked={picked} onChange={onPick} />
          <Button variant="default" onClick={onDelete}>
            Delete
          </Button>
        </Group>
      </Group>
      <MiniWires strings={summary.strings} tolerance={session.tolerance} />
      <details>
        <summary>found → left, string by string</summary>
        <StringRows sitting={sitting} />
      </details>
    </section>
  );
}

function StringRows({ sitting }: { readonly sitting: Sitting }) {
  return (
    <table className="ledger narrow">
      <thead>
        <tr>
          <th scope="col">string</th>
          <th scope="col">found, cents</th>
          <th scope="col">left, cents</th>
          <th scope="col">plucks</th>
        </tr>
      </thead>
      <tbody>
        {[...sitting.summary.strings].reverse().map((row) => (
          <tr key={row.course}>
            <th scope="row">
              {row.course} {noteOf(sitting, row.course)}
            </th>
            <td>{row.found === null ? '' : signedCents(row.found)}</td>
            <td>{row.left === null ? '' : signedCents(row.left)}</td>
            <td>{row.plucks}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
