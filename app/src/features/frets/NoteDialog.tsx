import { Button, Modal, Stack, TextInput } from '@mantine/core';
import { useState } from 'react';

interface Props {
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly onNote: (text: string) => void;
}

/** What was noticed at the last reading: a buzz, a slip, a doubt. */
export function NoteDialog({ opened, onClose, onNote }: Props) {
  const [text, setText] = useState('');
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      title="Note the last reading"
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          onNote(text.trim());
          setText('');
        }}
      >
        <Stack>
          <TextInput
            label="Noticed"
            maxLength={300}
            data-autofocus
            value={text}
            onChange={(event) => setText(event.currentTarget.value)}
          />
          <Button type="submit" disabled={text.trim() === ''}>
            Keep the note
          </Button>
        </Stack>
      </form>
    </Modal>
  );
}
