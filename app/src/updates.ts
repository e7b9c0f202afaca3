import { registerSW } from 'virtual:pwa-register';
import type { Notices } from './parts/frame/index.ts';

/** Keeps the application on the machine for use offline; a new version waits until it is asked for. */
export function watchForUpdates(notices: Notices): void {
  const update = registerSW({
    onNeedRefresh: () =>
      notices.say({
        message: 'A new version is ready. Take it when you are between instruments.',
        action: {
          label: 'Update now',
          act: () =>
            void update(true).catch((error: Error) =>
              notices.say({
                message: `The new version could not be taken: ${error.message}. This one goes on.`,
              }),
            ),
        },
      }),
  });
}
