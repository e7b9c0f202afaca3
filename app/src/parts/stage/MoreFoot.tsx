import { Button, Group, NativeSelect, Switch } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { Settings } from '../../data/index.ts';
import type { JobView } from '../frame/index.ts';
import { useWords } from '../words/index.ts';
import { learnable } from './learned.ts';

interface Props {
  readonly view: JobView;
  readonly settings: Settings;
  readonly onSet: (change: Partial<Settings>) => void;
}

/** Whether keys act, and what a pedal or clicker does in this job. */
export default function MoreFoot({ view, settings, onSet }: Props) {
  const t = useWords();
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
        label={t('parts.keysAreOn')}
        checked={keysOn}
        onChange={(event) => onSet({ keysOn: event.currentTarget.checked })}
      />
      <NativeSelect
        label={t('parts.aPedalOrClickerDoes')}
        data={acts.map(({ act: value, does }) => ({ value, label: t(does) }))}
        value={act}
        onChange={(event) => setAct(event.currentTarget.value)}
      />
      <Button variant="default" onClick={() => setWaits(true)}>
        {waits
          ? t('parts.pressYourPedalNow')
          : learned
            ? t('parts.pedalKey', { key: learned.key })
            : t('parts.learnAPedal')}
      </Button>
      {learned && (
        <Button variant="default" onClick={forget}>
          {t('parts.forgetIt')}
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
