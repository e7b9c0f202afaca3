import { Button, Group, Text } from '@mantine/core';
import { useEffect } from 'react';
import { useBlocker } from 'react-router';
import { useWords } from '../words/index.ts';
import { Dialog } from './Dialog.tsx';

/** Asks before a form with changes is left, by a link, the browser's way back, or its closing. */
export function Unsaved({ changed }: { changed: boolean }) {
  const t = useWords();
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) =>
      changed && currentLocation.pathname !== nextLocation.pathname,
  );
  useEffect(() => {
    if (!changed) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [changed]);
  if (blocker.state !== 'blocked') return null;
  return (
    <Dialog title={t('parts.leave')} opened onClose={() => blocker.reset()}>
      <Text>{t('parts.notSaved')}</Text>
      <Group mt="md">
        <Button onClick={() => blocker.reset()}>{t('parts.stayHere')}</Button>
        <Button variant="default" onClick={() => blocker.proceed()}>
          {t('parts.leaveWithoutSaving')}
        </Button>
      </Group>
    </Dialog>
  );
}
