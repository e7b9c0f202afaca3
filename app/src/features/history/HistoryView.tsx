import { Button, Checkbox, Group, Stack, Title } from '@mantine/core';
import { findTuning } from '@rosefinch/core/music';
import { type LogEntry, summarise } from '@rosefinch/core/records';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useData, useLive } from '../../data/index.ts';
import { counted, EmptyView, MiniWires, signedCents, useNotices } from '../../ui/index.ts';
import { Comparison } from './Comparison.tsx';
import { noteOf, type Sitting, whenOf } from './sitting.ts';

/** Sessions, newest first: found → left per string, what moved; two can be compared. */
export function HistoryView() {
  const { repository } = useData();
  const sittings = useSittings();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const notices = useNotices();
  if (!sittings) return <p>One moment …</p>;
  const remove = async (id: string) => {
    const back = await repository.deleteSession(id);
    setPicked((ids) => ids.filter((other) => other !== id));
    notices.undoable('The sitting is deleted.', back);
  };
  const pick = (id: string) =>
    setPicked((ids) => (ids.includes(id) ? ids.filter((x) => x !== id) : [...ids, id].slice(-2)));
  const pair = picked.flatMap((id) => sittings.find((s) => s.session.id === id) ?? []);
  return (
    <Stack>
      <Title order={1} size="h2">
        History
      </Title>
      {sittings.length === 0 && (
        <EmptyView
          says="Every sitting at the bench is kept here: what each string was found at, and where it was left."
          offer={
            <Button component={Link} to="/?listen=practice">
              Try it with the practice guitar
            </Button>
          }
        />
      )}
      {pair.length === 2 && <Comparison pair={pair as [Sitting, Sitting]} />}
      {sittings.map((sitting) => (
        <SittingCard
          key={sitting.session.id}
          sitting={sitting}
          picked={picked.includes(sitting.session.id)}
          onPick={() => pick(sitting.session.id)}
          onDelete={() => void remove(sitting.session.id)}
        />
      ))}
    </Stack>
  );
}

function useSittings(): Sitting[] | undefined {
  const stored = useLive(
    async (r) => ({
      sessions: await r.sessions(),
      log: await r.log(),
      instruments: await r.instruments(),
      tunings: await r.tunings(),
    }),
    'history',
  );
  return useMemo(() => {
    if (!stored) return undefined;
    const logs = new Map<string, LogEntry[]>();
    for (const entry of stored.log)
      logs.set(entry.sessionId, [...(logs.get(entry.sessionId) ?? []), entry]);
    return stored.sessions.flatMap((session) => {
      const instrument = stored.instruments.find((entry) => entry.id === session.instrumentId);
      if (!instrument) return [];
      const log = logs.get(session.id) ?? [];
      const tuning = findTuning(session.tuningId, stored.tunings);
      const summary = summarise(session, log, instrument.courses.length);
      return { session, instrument, tuning, summary };
    });
  }, [stored]);
}

interface CardProps {
  readonly sitting: Sitting;
  readonly picked: boolean;
  readonly onPick: () => void;
  readonly onDelete: () => void;
}

function SittingCard({ sitting, picked, onPick, onDelete }: CardProps) {
  const { session, instrument, summary } = sitting;
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
          {summary.movedMost && (
            <div className="soft">
              moved most: string {summary.movedMost.course}, {signedCents(summary.movedMost.cents)}{' '}
              cents
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
            {[...summary.strings].reverse().map((row) => (
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
      </details>
    </section>
  );
}
