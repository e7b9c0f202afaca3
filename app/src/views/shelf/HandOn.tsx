import { Button, Checkbox, Text } from '@mantine/core';
import { problemOf } from '@rosefinch/core/errors';
import type { Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import { archiveAside, useData } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { Dialog, download, useNotices } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

/** One instrument as a file for a colleague, with its log or without. */
export function HandOn({ instrument }: { readonly instrument: Instrument }) {
  const t = useWords();
  const { repository } = useData();
  const notices = useNotices();
  const [opened, setOpened] = useState(false);
  const [log, setLog] = useState(true);
  const save = async () => {
    // What was read a moment ago goes along.
    await repository.log.outbox.flush();
    const job = { job: 'instrument' as const, instrumentId: instrument.id, log, at: now() };
    const file = await archiveAside(repository.shelfKind, job).done;
    download(`${instrument.name}.json`, file);
    setOpened(false);
  };
  return (
    <>
      <Button variant="default" onClick={() => setOpened(true)}>
        {t('shelf.handItOn')}
      </Button>
      <Dialog
        title={t('shelf.handOnName', { name: instrument.name })}
        opened={opened}
        onClose={() => setOpened(false)}
      >
        <Text mb="sm">{t('shelf.handOn')}</Text>
        <Checkbox
          label={t('shelf.withItsLogSittingsStrings')}
          checked={log}
          onChange={(event) => setLog(event.currentTarget.checked)}
        />
        <Button
          mt="md"
          onClick={() => save().catch((error: Error) => notices.say({ message: problemOf(error) }))}
        >
          {t('shelf.saveTheFile')}
        </Button>
      </Dialog>
    </>
  );
}
