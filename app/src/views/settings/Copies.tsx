import { Button, Group, Text, Title } from '@mantine/core';
import { momentInWords, SETTINGS_SAYS } from '@rosefinch/core/words';
import { useEffect, useState } from 'react';
import { storageState, useData, useLive } from '../../data/index.ts';
import { locale, zone } from '../../environment.ts';
import { chooseFolder } from '../../parts/copies/index.ts';
import { useNotices } from '../../parts/frame/index.ts';

/** Whether what is kept here will last, when it was copied, and where copies go by themselves. */
export function Copies() {
  const copies = useLive((r) => r.copies(), 'copies');
  const storage = useStorage();
  return (
    <section aria-label="Copies">
      <Title order={2} size="h3">
        Copies
      </Title>
      {copies && (
        <Text>
          {copies.at === null
            ? SETTINGS_SAYS.noCopy
            : SETTINGS_SAYS.lastCopy(momentInWords(copies.at, zone(), locale()))}{' '}
          {copies.without > 0 ? SETTINGS_SAYS.noCopyOf(copies.without) : SETTINGS_SAYS.copyWhole}
        </Text>
      )}
      <Text>{storage}</Text>
      <FolderChoice />
    </section>
  );
}

/** Where copies go by themselves, if anywhere. */
function FolderChoice() {
  const { repository } = useData();
  const notices = useNotices();
  const folder = useLive((r) => r.folder(), 'folder');
  const choose = async () => {
    try {
      const handle = await chooseFolder();
      if (handle) await repository.setFolder(handle);
    } catch (error) {
      notices.say({ message: error instanceof Error ? error.message : String(error) });
    }
  };
  if (folder)
    return (
      <Group mt="sm">
        <Text>{SETTINGS_SAYS.goesToFolder(folder.name)}</Text>
        <Button variant="default" onClick={() => void repository.setFolder(null)}>
          No more copies by itself
        </Button>
      </Group>
    );
  return chooseFolder.possible() ? (
    <Button variant="default" mt="sm" onClick={() => void choose()}>
      Copy to a folder after each sitting …
    </Button>
  ) : (
    <Text>{SETTINGS_SAYS.noFolder}</Text>
  );
}

/** What the browser says of its storage, in words. */
function useStorage(): string {
  const [says, setSays] = useState('');
  useEffect(() => {
    let gone = false;
    storageInWords().then((words) => {
      if (!gone) setSays(words);
    });
    return () => {
      gone = true;
    };
  }, []);
  return says;
}

const GIB = 2 ** 30;

async function storageInWords(): Promise<string> {
  const state = await storageState();
  if (!state) return SETTINGS_SAYS.unknownStay;
  const room = new Intl.NumberFormat(locale(), { maximumFractionDigits: 1 });
  const left = SETTINGS_SAYS.roomLeft(room.format(state.left / GIB));
  return `${state.lasting ? SETTINGS_SAYS.staysForGood : SETTINGS_SAYS.mayGo} ${left}`;
}
