import { Button, Group, Text, Title } from '@mantine/core';
import { problemOf } from '@rosefinch/core/errors';
import { message, type Value } from '@rosefinch/core/message';
import { useEffect, useState } from 'react';
import { storageState, useData, useLive } from '../../data/index.ts';
import { locale, zone } from '../../environment.ts';
import { chooseFolder } from '../../parts/copies/index.ts';
import { useNotices } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

/** Whether what is kept here will last, when it was copied, and where copies go by themselves. */
export function Copies() {
  const t = useWords();
  const copies = useLive((r) => r.copies(), 'copies');
  const storage = useStorage();
  return (
    <section aria-label={t('settings.copies')}>
      <Title order={2} size="h3">
        {t('settings.copies')}
      </Title>
      {copies && (
        <Text>
          {copies.at === null
            ? t('settings.noCopy')
            : t('settings.lastCopy', {
                moment: t.moment(copies.at, { now: copies.at, zone: zone() }, 'moment'),
              })}{' '}
          {copies.without > 0
            ? t('settings.noCopyOf', { readings: copies.without })
            : copies.at !== null && t('settings.copyWhole')}
        </Text>
      )}
      <Text>{t.value(storage)}</Text>
      <FolderChoice />
    </section>
  );
}

/** Where copies go by themselves, if anywhere. */
function FolderChoice() {
  const t = useWords();
  const { repository } = useData();
  const notices = useNotices();
  const folder = useLive((r) => r.folder(), 'folder');
  const choose = async () => {
    try {
      const handle = await chooseFolder();
      if (handle) await repository.setFolder(handle);
    } catch (error) {
      notices.say({ message: problemOf(error) });
    }
  };
  if (folder)
    return (
      <Group mt="sm">
        <Text>{t('settings.goesToFolder', { folder: folder.name })}</Text>
        <Button variant="default" onClick={() => void repository.setFolder(null)}>
          {t('settings.noMoreCopiesByItself')}
        </Button>
      </Group>
    );
  return chooseFolder.possible() ? (
    <Button variant="default" mt="sm" onClick={() => void choose()}>
      {t('settings.copyToAFolderAfter')}
    </Button>
  ) : (
    <Text>{t('settings.noFolder')}</Text>
  );
}

/** What the browser says of its storage, in words. */
function useStorage(): Value {
  const [says, setSays] = useState<Value>('');
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

async function storageInWords(): Promise<Value> {
  const state = await storageState();
  if (!state) return message('settings.unknownStay');
  const room = new Intl.NumberFormat(locale(), { maximumFractionDigits: 1 });
  const left = message('settings.roomLeft', { gib: room.format(state.left / GIB) });
  return [state.lasting ? message('settings.staysForGood') : message('settings.mayGo'), left];
}
