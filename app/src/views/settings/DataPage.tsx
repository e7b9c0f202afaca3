import { message } from '@rosefinch/core/message';
import { useWords } from '../../parts/words/index.ts';
import './settings.css';
import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { saltmarshLibrary } from '@rosefinch/core/demo';
import { useState } from 'react';
import { Link } from 'react-router';
import { archiveAside, useData, useLive } from '../../data/index.ts';
import { base, dayHere, locale, now } from '../../environment.ts';
import { saveBackup } from '../../parts/copies/index.ts';
import { download, useNotices, ViewHead } from '../../parts/frame/index.ts';
import { Copies } from './Copies.tsx';
import { RecentChanges } from './RecentChanges.tsx';
import { Restore } from './Restore.tsx';
import { StoreCheck } from './StoreCheck.tsx';
import { useArchive } from './useArchive.ts';
import { useUndo } from './useUndo.ts';
import { WorkLine } from './WorkLine.tsx';

/** Backup, restore, readings as a table, the state of the records. */
export function DataPage() {
  const t = useWords();
  return (
    <Stack>
      <ViewHead title={t('settings.backupAndRestore')}>
        <Button component={Link} to="/settings" variant="default">
          {t('settings.settings')}
        </Button>
      </ViewHead>
      <div className="data-groups">
        <Files />
        <Restore />
        <Copies />
        <RecentChanges />
        <StoreCheck />
        <Upkeep />
      </div>
    </Stack>
  );
}

function Files() {
  const t = useWords();
  const counts = useLive((r) => r.counts(), 'counts');
  const { archive, backup, csv } = useWriting();
  return (
    <section aria-label={t('settings.files')}>
      <Title order={2} size="h3">
        {t('settings.takeItWithYou')}
      </Title>
      <Text mb="sm">{counts ? t('settings.keptHere', counts) : t('settings.counting')}</Text>
      <Group>
        <Button onClick={() => void backup()}>{t('settings.writeABackup')}</Button>
        <Button variant="default" onClick={() => void csv()}>
          {t('settings.readingsAsCSV')}
        </Button>
      </Group>
      <WorkLine work={archive.work} name={t('settings.writing')} onCancel={archive.cancel} />
      <Text size="sm" mt="sm">
        {t('settings.formOfBackup')}{' '}
        <a href={`${base}backup.schema.json`}>{t('settings.itsFormAsJSONSchema')}</a>
      </Text>
    </section>
  );
}

/** Writes what is kept to a file, as a backup or as a table. */
function useWriting() {
  const { repository, shelf } = useData();
  const archive = useArchive();
  const backup = () =>
    archive.run(
      (progress) => saveBackup(repository, progress),
      (says) => says,
    );
  const csv = () => {
    const unstored = repository.log.outbox.pending();
    const job = { job: 'readings' as const, unstored, locale: locale() };
    return archive.run(
      (progress) => archiveAside(shelf, job, progress),
      (file) => {
        const day = dayHere(now());
        download(`rosefinch-readings-${day}.csv`, file);
        return null;
      },
    );
  };
  return { archive, backup, csv };
}

function Upkeep() {
  const t = useWords();
  const { repository } = useData();
  const { archive, sure, setSure, clear } = useClearing();
  return (
    <section aria-label={t('settings.upkeep')}>
      <Title order={2} size="h3" mb="sm">
        {t('settings.demoAndClearing')}
      </Title>
      <Group>
        <Button
          variant="default"
          onClick={() => void repository.addInstruments(saltmarshLibrary())}
        >
          {t('settings.addTheSaltmarshLibrary')}
        </Button>
        {sure ? (
          <>
            <Text>{t('settings.allGoes')}</Text>
            <Button color="dark" onClick={() => void clear()}>
              {t('settings.removeEverything')}
            </Button>
            <Button variant="default" onClick={() => setSure(false)}>
              {t('settings.keepIt')}
            </Button>
          </>
        ) : (
          <Button variant="default" onClick={() => setSure(true)}>
            {t('settings.clearThisBrowser')}
          </Button>
        )}
      </Group>
      <WorkLine work={archive.work} name={t('settings.clearing')} onCancel={archive.cancel} />
    </section>
  );
}

/** Deletes everything, once that is confirmed; it can be undone. */
function useClearing() {
  const { shelf } = useData();
  const [sure, setSure] = useState(false);
  const archive = useArchive();
  const notices = useNotices();
  const undo = useUndo(archive);
  const clear = () =>
    archive.run(
      (progress) => archiveAside(shelf, { job: 'clear', at: now() }, progress),
      (id) => {
        setSure(false);
        notices.undoable(message('settings.removed'), () => undo(id));
        return null;
      },
    );
  return { archive, sure, setSure, clear };
}
