import { Button, Group } from '@mantine/core';
import { TABLE_NAMES, writeBackup } from '@rosefinch/core/records';
import { useSyncExternalStore } from 'react';
import { useData } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { counted, download } from '../../ui/index.ts';

/** What could not be stored: why, how much, and the ways to keep it. It stands over every view. */
export function Unstored() {
  const { repository } = useData();
  const { outbox } = repository.log;
  const problem = useSyncExternalStore(outbox.subscribe, outbox.problem);
  const pending = useSyncExternalStore(outbox.subscribe, outbox.pending);
  if (problem === null || pending.length === 0) return null;
  const save = async () => {
    const instruments = await repository.instruments().catch(() => []);
    const sessions = new Map(pending.map(({ session }) => [session.id, session]));
    const nothing = Object.fromEntries(TABLE_NAMES.map((name) => [name, [] as never[]]));
    const text = writeBackup(
      {
        ...(nothing as Record<(typeof TABLE_NAMES)[number], never[]>),
        instruments,
        sessions: [...sessions.values()],
        events: pending.map(({ id, session, event }, number) => ({
          id,
          sessionId: session.id,
          machine: 'not stored yet',
          number,
          event,
        })),
        measurements: pending.flatMap(({ id, session, measurement }) =>
          measurement ? [{ id, sessionId: session.id, ...measurement }] : [],
        ),
      },
      new Date(now()),
    );
    download('rosefinch-not-stored.json', text, 'application/json');
  };
  return (
    <div className="problem" role="alert">
      <strong>{problem}</strong>
      <p>
        {counted(pending.length, 'event')} of this page {pending.length === 1 ? 'is' : 'are'} not
        stored yet. It is tried again by itself.
      </p>
      <Group>
        <Button onClick={() => void save()}>Save what is not stored</Button>
        <Button variant="default" onClick={() => void outbox.flush()}>
          Try again
        </Button>
      </Group>
    </div>
  );
}
