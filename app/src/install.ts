import { message } from '@rosefinch/core/message';
import { CAN_BE_INSTALLED } from '@rosefinch/core/sentences';
import { isFirstTime } from './data/index.ts';
import { setInstaller } from './environment.ts';
import type { Notices } from './parts/frame/index.ts';

/** What a browser offers that can keep a page as a program of its own; no type of the platform's yet. */
interface InstallOffer extends Event {
  prompt(): Promise<unknown>;
}

/** Says once that the page can be kept as a program; the settings go on offering it. */
export function watchForInstall(notices: Notices): void {
  window.addEventListener('beforeinstallprompt', (event) => {
    const offer = event as InstallOffer;
    // The browser's own question would come in the middle of a string.
    offer.preventDefault();
    const install = () => {
      setInstaller(null);
      notices.putAway();
      void offer.prompt();
    };
    setInstaller(install);
    if (isAtWork() || !isFirstTime('install-told')) return;
    notices.say({
      message: CAN_BE_INSTALLED,
      action: { label: message('common.installIt'), act: install },
      calm: true,
    });
  });
}

/** On the bench nothing is asked that does not concern the string in hand. */
function isAtWork(): boolean {
  return document.querySelector('.job') !== null;
}
