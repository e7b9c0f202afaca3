import { NativeSelect } from '@mantine/core';
import { useEffect, useRef } from 'react';
import { type Settings, useData } from '../../data/index.ts';
import { useInputDevices } from '../../sound/index.ts';
import { useWords } from '../words/index.ts';

interface Props {
  readonly settings: Settings;
  /** Called when another input or channel is to be heard. */
  readonly onChange: () => void;
}

/** Which input, and which side of it: pickups and line inputs often sit on one. */
export function MicrophoneChoice({ settings, onChange }: Props) {
  const t = useWords();
  const { repository } = useData();
  const devices = useInputDevices();
  const { microphoneId, channel } = settings;
  const before = useRef(`${microphoneId} ${channel}`);
  const latest = useRef(onChange);
  latest.current = onChange;
  useEffect(() => {
    const now = `${microphoneId} ${channel}`;
    if (now === before.current) return;
    before.current = now;
    latest.current();
  }, [microphoneId, channel]);
  return (
    <>
      <NativeSelect
        aria-label={t('parts.input')}
        size="sm"
        value={microphoneId ?? ''}
        data={[
          { value: '', label: t('parts.usualInput') },
          ...devices.map(({ id, name }, i) => ({
            value: id,
            label: name ?? t('parts.inputNumber', { number: i + 1 }),
          })),
        ]}
        onChange={(event) =>
          void repository.saveSettings({ microphoneId: event.currentTarget.value || null })
        }
      />
      <NativeSelect
        aria-label={t('parts.channel')}
        size="sm"
        value={channel}
        data={[
          { value: 'mix', label: t('parts.bothSides') },
          { value: 'left', label: t('parts.left') },
          { value: 'right', label: t('parts.right') },
        ]}
        onChange={(event) =>
          void repository.saveSettings({
            channel: event.currentTarget.value as Settings['channel'],
          })
        }
      />
    </>
  );
}
