import { Button, Checkbox, Group, NumberInput, Stack, TextInput } from '@mantine/core';
import { list, message, signed, type Value } from '@rosefinch/core/message';
import type { RoomMove } from '@rosefinch/core/settling';
import type { RoomNote } from '@rosefinch/core/sitting';
import { useState } from 'react';
import { zone } from '../../environment.ts';
import { Dialog, decimals } from '../../parts/frame/index.ts';
import type { Heard } from '../../parts/listening/index.ts';
import { useWords } from '../../parts/words/index.ts';

interface Props {
  readonly log: readonly Heard[];
  readonly move: RoomMove | null;
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly onNote: (note: RoomNote) => void;
}

/** What is known of the room beside the drift, and the way to add to it. */
export function RoomNotes({ log, move, opened, onClose, onNote }: Props) {
  const t = useWords();
  const notes = log.flatMap(({ event }) => (event.type === 'room note' ? [event] : []));
  const latest = notes.at(-1);
  return (
    <Dialog title={t('settle.theRoom')} opened={opened} onClose={onClose}>
      {move && (
        <p role="note">
          <strong>
            {move.by === 'old strings'
              ? t('settle.oldMoved', { cents: signed(move.cents) })
              : t('settle.allMoved', { cents: signed(move.cents) })}
          </strong>{' '}
          {move.by === 'all alike' && t('settle.oldWouldTell')}
        </p>
      )}
      {latest?.note.broughtIn && <p>{t('settle.broughtIn')}</p>}
      {notes.length > 0 && (
        <ul className="soft" aria-label={t('settle.notesOfTheRoom')}>
          {notes.map(({ at, note }) => (
            <li key={at}>
              {t.moment(at, { now: at, zone: zone() }, 'moment')}: {t.value(noteInWords(note))}
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
  const t = useWords();
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
            {...decimals(t.reader)}
            label={t('settle.temperatureC')}
            min={-30}
            max={60}
            value={celsius}
            onChange={setCelsius}
          />
          <NumberInput
            {...decimals(t.reader)}
            label={t('settle.humidity')}
            min={0}
            max={100}
            value={humidity}
            onChange={setHumidity}
          />
        </Group>
        <Checkbox
          label={t('settle.theInstrumentHasJustBeen')}
          checked={broughtIn}
          onChange={(event) => setBroughtIn(event.currentTarget.checked)}
        />
        <TextInput
          label={t('settle.note')}
          maxLength={300}
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <Button type="submit" disabled={Object.keys(note).length === 0}>
          {t('settle.keepTheNote')}
        </Button>
      </Stack>
    </form>
  );
}

function noteInWords({ celsius, humidity, broughtIn, text }: RoomNote): Value {
  return list([
    ...(celsius === undefined ? [] : [message('settle.celsius', { celsius })]),
    ...(humidity === undefined ? [] : [message('settle.percentHumidity', { humidity })]),
    ...(broughtIn ? [message('settle.broughtInNow')] : []),
    ...(text ? [text] : []),
  ]);
}
