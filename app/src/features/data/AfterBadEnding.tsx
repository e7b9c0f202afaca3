import { useEffect } from 'react';
import { useData } from '../../data/index.ts';
import { counted, useNotices } from '../../ui/index.ts';
import { archiveAside } from '../../workers/index.ts';

const OPEN = 'rosefinch-open';

/** Checks the records by itself when the page was not closed in order the last time. */
export function AfterBadEnding() {
  const { shelf } = useData();
  const notices = useNotices();
  useEffect(() => {
    const close = () => mark(false);
    window.addEventListener('pagehide', close);
    const badly = wasOpen();
    mark(true);
    const undo = () => window.removeEventListener('pagehide', close);
    if (!badly) return undo;
    const { done, cancel } = archiveAside(shelf, { job: 'check' });
    done.then(
      ({ mended, left }) => {
        if (mended.length + left.length > 0)
          notices.say({
            message: `The last time this page was not closed in order: ${counted(mended.length, 'thing')} in the records mended, ${counted(left.length, 'fault')} left. Under Data they can be checked again.`,
          });
      },
      // It can be checked by hand; nothing was changed.
      () => {},
    );
    return () => {
      undo();
      cancel();
    };
  }, [shelf, notices]);
  return null;
}

function wasOpen(): boolean {
  try {
    return localStorage.getItem(OPEN) !== null;
  } catch {
    return false;
  }
}

function mark(open: boolean): void {
  try {
    if (open) localStorage.setItem(OPEN, 'yes');
    else localStorage.removeItem(OPEN);
  } catch {
    // A browser that forbids even this is only never taken for one that ended badly.
  }
}
