import { Button, Checkbox, Text } from '@mantine/core';
import type { Instrument } from '@rosefinch/core/strings';
import { SHELF_SAYS } from '@rosefinch/core/words';
import { useState } from 'react';
import { archiveAside, useData } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { Dialog, download, useNotices } from '../../parts/frame/index.ts';

/** One instrument as a file for a colleague, with its log or without. */
export function HandOn({ instrument }: { readonly instrument: Instrument }) {
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
        Hand it on
      </Button>
      <Dialog title={`Hand on ${instrument.name}`} opened={opened} onClose={() => setOpened(false)}>
        <Text mb="sm">{SHELF_SAYS.handOn}</Text>
        <Checkbox
          label="With its log: sittings, strings, checks, notes"
          checked={log}
          onChange={(event) => setLog(event.currentTarget.checked)}
        />
        <Button
          mt="md"
          onClick={() => save().catch((error: Error) => notices.say({ message: error.message }))}
        >
          Save the file
        </Button>
      </Dialog>
    </>
  );
}
