import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { saltmarshLibrary } from '@rosefinch/core/records';
import { useState } from 'react';
import { saveBackup } from '../../backup.ts';
import { readingsCsv, useData, useLive, useSettings } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { counted, download, useNotices } from '../../ui/index.ts';
import { Restore } from './Restore.tsx';
import { SettingsForm } from './SettingsForm.tsx';

/** Settings, backup, restore, readings as a table, demo data. */
export function DataPage() {
  const settings = useSettings();
  if (!settings) return <p>One moment …</p>;
  return (
    <Stack gap="xl" maw={760}>
      <SettingsForm settings={settings} />
      <Files />
      <Restore />
      <Upkeep />
    </Stack>
  );
}

function today(): string {
  return new Date(now()).toISOString().slice(0, 10);
}

function Files() {
  const { repository } = useData();
  const counts = useLive(async (r) => {
    const all = await r.contents();
    const readings = all.log.filter((entry) => entry.event.type === 'reading').length;
    return { instruments: all.instruments.length, sessions: all.sessions.length, readings };
  }, 'counts');
  const csv = async () => {
    const { instruments, sessions, log } = await repository.contents();
    download(
      `rosefinch-readings-${today()}.csv`,
      readingsCsv(instruments, sessions, log),
      'text/csv',
    );
  };
  return (
    <section aria-label="Files">
      <Title order={2} size="h3">
        Take it with you
      </Title>
      <Text mb="sm">
        {counts
          ? `${counted(counts.instruments, 'instrument')}, ${counted(counts.sessions, 'sitting')} and ${counted(counts.readings, 'reading')} are kept in this browser.`
          : 'Counting …'}
      </Text>
      <Group>
        <Button onClick={() => void saveBackup(repository)}>Write a backup</Button>
        <Button variant="default" onClick={() => void csv()}>
          Readings as CSV
        </Button>
      </Group>
    </section>
  );
}

function Upkeep() {
  const { repository } = useData();
  const [sure, setSure] = useState(false);
  const notices = useNotices();
  const wipe = async () => {
    const before = await repository.contents();
    await repository.wipe();
    setSure(false);
    notices.undoable('Everything is removed.', () => repository.restore(before));
  };
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
            <Text>Everything in this browser goes. Write a backup first.</Text>
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
    </section>
  );
}
