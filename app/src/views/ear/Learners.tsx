import { Button, Group, Select, TextInput } from '@mantine/core';
import { problemOf } from '@rosefinch/core/errors';
import { useState } from 'react';
import { useData, useLive } from '../../data/index.ts';
import { newId } from '../../environment.ts';
import { Dialog, useNotices } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

const NOBODY = '';

/** Whose ear is practised: by a name or initials that stay on this machine, or without a name. */
export function Learners({ learnerId }: { readonly learnerId: string | null }) {
  const t = useWords();
  const { repository } = useData();
  const notices = useNotices();
  const learners = useLive((r) => r.ears.learners(), 'learners');
  const [opened, setOpened] = useState(false);
  const current = learners?.find(({ id }) => id === learnerId);
  const choose = (id: string | null) => repository.saveSettings({ learnerId: id || null });
  const remove = async () => {
    if (!current) return;
    const undo = await repository.ears.deleteLearner(current.id);
    await choose(null);
    notices.undoable(t('ear.learnerGone', { name: current.name }), undo);
  };
  return (
    <Group gap="xs" align="end">
      <Select
        aria-label={t('ear.whoseEar')}
        data={[
          { value: NOBODY, label: t('ear.withoutAName') },
          ...(learners ?? []).map(({ id, name }) => ({ value: id, label: name })),
        ]}
        value={current ? current.id : NOBODY}
        allowDeselect={false}
        onChange={(id) => void choose(id)}
      />
      <Button variant="default" onClick={() => setOpened(true)}>
        {t('ear.addALearner')}
      </Button>
      {current && (
        <Button variant="subtle" onClick={() => void remove()}>
          {t('ear.deleteName', { name: current.name })}
        </Button>
      )}
      <Dialog title={t('ear.addALearner')} opened={opened} onClose={() => setOpened(false)}>
        <NewLearner onDone={() => setOpened(false)} />
      </Dialog>
    </Group>
  );
}

function NewLearner({ onDone }: { readonly onDone: () => void }) {
  const t = useWords();
  const { repository } = useData();
  const notices = useNotices();
  const [name, setName] = useState('');
  const add = async () => {
    const id = newId();
    await repository.ears.saveLearner({ id, name: name.trim() });
    await repository.saveSettings({ learnerId: id });
    onDone();
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() === '') return;
        add().catch((error: Error) => notices.say({ message: problemOf(error) }));
      }}
    >
      <TextInput
        label={t('ear.nameOrInitials')}
        description={t('ear.staysHere')}
        data-autofocus
        maxLength={60}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <Group mt="md">
        <Button type="submit" disabled={name.trim() === ''}>
          {t('ear.add')}
        </Button>
      </Group>
    </form>
  );
}
