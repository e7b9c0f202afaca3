import { Button, Checkbox, Group, NumberInput, Stack, TextInput } from '@mantine/core';
import type { RoomMove } from '@rosefinch/core/settling';
import type { RoomNote } from '@rosefinch/core/sitting';
import { momentInWords, SETTLE_SAYS } from '@rosefinch/core/words';
import { useState } from 'react';
import { locale, zone } from '../../environment.ts';
import { Dialog, decimals } from '../../parts/frame/index.ts';
import type { Heard } from '../../parts/listening/index.ts';

interface Props {
  readonly log: readonly Heard[];
  readonly move: RoomMove | null;
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly onNote: (note: RoomNote) => void;
}

/** What is known of the room beside the drift, and the way to add to it. */
export function RoomNotes({ log, move, opened, onClose, onNote }: Props) {
  const notes = log.flatMap(({ event }) => (event.type === 'room note' ? [event] : []));
  const latest = notes.at(-1);
  return (
    <Dialog title="The room" opened={opened} onClose={onClose}>
      {move && (
        <p role="note">
          <strong>
            {move.by === 'old strings'
              ? SETTLE_SAYS.oldMoved(move.cents)
              : SETTLE_SAYS.allMoved(move.cents)}
          </strong>{' '}
          {move.by === 'all alike' && SETTLE_SAYS.oldWouldTell}
        </p>
      )}
      {latest?.note.broughtIn && <p>{SETTLE_SAYS.broughtIn}</p>}
      {notes.length > 0 && (
        <ul className="soft" aria-label="Notes of the room">
          {notes.map(({ at, note }) => (
            <li key={at}>
              {momentInWords(at, zone(), locale())}: {noteInWords(note)}
            </li>
          ))}
        </ul>
      )}
      <NoteForm
        onNote={(note) => {
          onNote(note);
          onClose();
        }}
      />
    </Dialog>
  );
}

function NoteForm({ onNote }: { onNote: (note: RoomNote) => void }) {
  const [celsius, setCelsius] = useState<number | string>('');
  const [humidity, setHumidity] = useState<number | string>('');
  const [broughtIn, setBroughtIn] = useState(false);
  const [text, setText] = useState('');
  const note: RoomNote = {
    ...(typeof celsius === 'number' && { celsius }),
    ...(typeof humidity === 'number' && { humidity }),
    ...(broughtIn && { broughtIn }),
    ...(text.trim() !== '' && { text: text.trim() }),
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onNote(note);
      }}
    >
      <Stack>
        <Group>
          <NumberInput
            {...decimals()}
            label="Temperature, °C"
            min={-30}
            max={60}
            value={celsius}
            onChange={setCelsius}
          />
          <NumberInput
            {...decimals()}
            label="Humidity, %"
            min={0}
            max={100}
            value={humidity}
            onChange={setHumidity}
          />
        </Group>
        <Checkbox
          label="The instrument has just been brought in"
          checked={broughtIn}
          onChange={(event) => setBroughtIn(event.currentTarget.checked)}
        />
        <TextInput
          label="Note"
          maxLength={300}
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <Button type="submit" disabled={Object.keys(note).length === 0}>
          Keep the note
        </Button>
      </Stack>
    </form>
  );
}

function noteInWords({ celsius, humidity, broughtIn, text }: RoomNote): string {
  return [
    celsius !== undefined && `${celsius} °C`,
    humidity !== undefined && `${humidity} % humidity`,
    broughtIn && 'just brought in',
    text,
  ]
    .filter(Boolean)
    .join(', ');
}
