import { Button, Stack, TextInput } from '@mantine/core';
import { useState } from 'react';
import { Dialog } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

interface Props {
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly onNote: (text: string) => void;
}

/** What was noticed at the last reading: a buzz, a slip, a doubt. */
export function NoteDialog({ opened, onClose, onNote }: Props) {
  const t = useWords();
  const [text, setText] = useState('');
  return (
    <Dialog title={t('frets.noteTheLastReading')} opened={opened} onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          onNote(text.trim());
          setText('');
        }}
      >
        <Stack>
          <TextInput
            label={t('frets.noticed')}
            maxLength={300}
            data-autofocus
            value={text}
            onChange={(event) => setText(event.currentTarget.value)}
          />
          <Button type="submit" disabled={text.trim() === ''}>
            {t('frets.keepTheNote')}
          </Button>
        </Stack>
      </form>
    </Dialog>
  );
}
