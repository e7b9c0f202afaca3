import { Button, Group, Text } from '@mantine/core';
import { PARTS_SAYS } from '@rosefinch/core/words';
import { useEffect } from 'react';
import { useBlocker } from 'react-router';
import { Dialog } from './Dialog.tsx';

/** Asks before a form with changes is left, by a link, the browser's way back, or its closing. */
export function Unsaved({ changed }: { changed: boolean }) {
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
    <Dialog title={PARTS_SAYS.leave} opened onClose={() => blocker.reset()}>
      <Text>{PARTS_SAYS.notSaved}</Text>
      <Group mt="md">
        <Button onClick={() => blocker.reset()}>Stay here</Button>
        <Button variant="default" onClick={() => blocker.proceed()}>
          Leave without saving
        </Button>
      </Group>
    </Dialog>
  );
}
