import { problemOf } from '@rosefinch/core/errors';
import { message } from '@rosefinch/core/message';
import { notUpdatedInWords, UPDATE_READY } from '@rosefinch/core/sentences';
import { base } from './environment.ts';
import type { Notices } from './parts/frame/index.ts';

/** Keeps the application on the machine for use offline; a new version waits until it is asked for. */
export function watchForUpdates(notices: Notices): void {
  // While it is being built there is nothing to keep.
  if (!import.meta.env.PROD) return;
  // Where it cannot be, everything works but offline.
  register(notices).catch(() => {});
}

async function register(notices: Notices): Promise<void> {
  const { Workbox } = await import('workbox-window');
  const worker = new Workbox(`${base}sw.js`, { scope: base });
  const failed = (error: Error) => notices.say({ message: notUpdatedInWords(problemOf(error)) });
  const update = async () => {
    worker.addEventListener('controlling', ({ isUpdate }) => {
      if (isUpdate) location.reload();
    });
    worker.messageSkipWaiting();
  };
  worker.addEventListener('waiting', () =>
    notices.say({
      message: UPDATE_READY,
      action: { label: message('common.updateNow'), act: () => void update().catch(failed) },
    }),
  );
  await worker.register();
}
