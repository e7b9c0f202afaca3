import { SETTINGS_SAYS } from '@rosefinch/core/words';
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
import { Restore } from './Restore.tsx';
import { StoreCheck } from './StoreCheck.tsx';
import { useArchive } from './useArchive.ts';
import { WorkLine } from './WorkLine.tsx';

/** Backup, restore, readings as a table, the state of the records. */
export function DataPage() {
  return (
    <Stack>
      <ViewHead title="Backup and restore">
        <Button component={Link} to="/settings" variant="default">
          Settings
        </Button>
      </ViewHead>
      <div className="data-groups">
        <Files />
        <Restore />
        <Copies />
        <StoreCheck />
        <Upkeep />
      </div>
    </Stack>
  );
}

function Files() {
  const counts = useLive((r) => r.counts(), 'counts');
  const { archive, backup, csv } = useWriting();
  return (
    <section aria-label="Files">
      <Title order={2} size="h3">
        Take it with you
      </Title>
      <Text mb="sm">{counts ? SETTINGS_SAYS.keptHere(counts) : 'Counting …'}</Text>
      <Group>
        <Button onClick={() => void backup()}>Write a backup</Button>
        <Button variant="default" onClick={() => void csv()}>
          Readings as CSV
        </Button>
      </Group>
      <WorkLine work={archive.work} name="Writing" onCancel={archive.cancel} />
      <Text size="sm" mt="sm">
        {SETTINGS_SAYS.formOfBackup}{' '}
        <a href={`${base}backup.schema.json`}>Its form, as JSON Schema</a>
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
  const { repository } = useData();
  const { archive, sure, setSure, wipe } = useWiping();
  return (
    <section aria-label="Upkeep">
      <Title order={2} size="h3" mb="sm">
        Demo and clearing
      </Title>
      <Group>
        <Button
          variant="default"
          onClick={() => void repository.addInstruments(saltmarshLibrary())}
        >
          Add the Saltmarsh Library
        </Button>
        {sure ? (
          <>
            <Text>{SETTINGS_SAYS.allGoes}</Text>
            <Button color="dark" onClick={() => void wipe()}>
              Remove everything
            </Button>
            <Button variant="default" onClick={() => setSure(false)}>
              Keep it
            </Button>
          </>
        ) : (
          <Button variant="default" onClick={() => setSure(true)}>
            Clear this browser …
          </Button>
        )}
      </Group>
      <WorkLine work={archive.work} name="Clearing" onCancel={archive.cancel} />
    </section>
  );
}

/** Takes everything away, once that is sure; it can be taken back. */
function useWiping() {
  const { shelf } = useData();
  const [sure, setSure] = useState(false);
  const archive = useArchive();
  const notices = useNotices();
  const undo = () =>
    archive.run(
      (progress) => archiveAside(shelf, { job: 'undo' }, progress),
      () => SETTINGS_SAYS.asBefore,
    );
  const wipe = () =>
    archive.run(
      (progress) => archiveAside(shelf, { job: 'wipe', at: now() }, progress),
      () => {
        setSure(false);
        notices.undoable(SETTINGS_SAYS.removed, undo);
        return null;
      },
    );
  return { archive, sure, setSure, wipe };
}
