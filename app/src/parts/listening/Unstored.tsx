import { Button, Group } from '@mantine/core';
import { useSyncExternalStore } from 'react';
import { asRecords, backupOf, useData } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { download } from '../frame/index.ts';
import { useWords } from '../words/index.ts';

/** What could not be stored: why, how much, and the ways to keep it. It stands over every view. */
export function Unstored() {
  const t = useWords();
  const { repository } = useData();
  const { outbox } = repository.log;
  const problem = useSyncExternalStore(outbox.subscribe, outbox.problem);
  const pending = useSyncExternalStore(outbox.subscribe, outbox.pending);
  if (problem === null || pending.length === 0) return null;
  const save = async () => {
    const instruments = await repository.instruments().catch(() => []);
    const text = await backupOf({ instruments, ...asRecords(pending, 0) }, new Date(now()));
    download('rosefinch-not-stored.json', text, 'application/json');
  };
  return (
    <div className="problem" role="alert">
      <strong>{t.value(problem)}</strong>
      <p>{t('records.notStoredYet', { events: pending.length })}</p>
      <Group>
        <Button onClick={() => void save()}>{t('common.saveWhatIsNotStored')}</Button>
        <Button variant="default" onClick={() => void outbox.flush()}>
          {t('common.tryAgain')}
        </Button>
      </Group>
    </div>
  );
}
