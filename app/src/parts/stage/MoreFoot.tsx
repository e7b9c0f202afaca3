import { Button, Group, NativeSelect, Switch } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { Settings } from '../../data/index.ts';
import type { JobView } from '../frame/index.ts';
import { learnable } from './learned.ts';

interface Props {
  readonly view: JobView;
  readonly settings: Settings;
  readonly onSet: (change: Partial<Settings>) => void;
}

/** Whether keys act, and what a pedal or clicker does in this job. */
export default function MoreFoot({ view, settings, onSet }: Props) {
  const { pedals, keysOn } = settings;
  const learned = pedals[view];
  const acts = learnable(view);
  const [act, setAct] = useState(learned?.act ?? acts[0]?.act ?? '');
  const [waits, setWaits] = useState(false);
  useNextKey(waits, (key) => {
    setWaits(false);
    if (key !== 'Escape') onSet({ pedals: { ...pedals, [view]: { key, act } } });
  });
  const forget = () => {
    const { [view]: _, ...rest } = pedals;
    onSet({ pedals: rest });
  };
  return (
    <Group align="end" gap="sm">
      <Switch
        label="Keys are on"
        checked={keysOn}
        onChange={(event) => onSet({ keysOn: event.currentTarget.checked })}
      />
      <NativeSelect
        label="A pedal or clicker does"
        data={acts.map(({ act: value, does }) => ({ value, label: does }))}
        value={act}
        onChange={(event) => setAct(event.currentTarget.value)}
      />
      <Button variant="default" onClick={() => setWaits(true)}>
        {waits ? 'Press your pedal now' : learned ? `Pedal: ${learned.key}` : 'Learn a pedal'}
      </Button>
      {learned && (
        <Button variant="default" onClick={forget}>
          Forget it
        </Button>
      )}
    </Group>
  );
}

/** Tells the next key that is pressed, whatever it is, and keeps it from doing anything else. */
function useNextKey(waits: boolean, told: (key: string) => void): void {
  useEffect(() => {
    if (!waits) return;
    const onKey = (event: KeyboardEvent) => {
      event.preventDefault();
      event.stopPropagation();
      told(event.key.length === 1 ? event.key.toLowerCase() : event.key);
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  });
}
