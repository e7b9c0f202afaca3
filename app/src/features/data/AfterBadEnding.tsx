import { useEffect } from 'react';
import { useData } from '../../data/index.ts';
import { counted, useNotices } from '../../ui/index.ts';
import { archiveAside } from '../../workers/index.ts';

const OPEN = 'rosefinch-open';
/** Held by every page for as long as it is there. */
const PAGE = 'rosefinch-page';

/** Checks the records by itself when the page was not closed in order the last time. */
export function AfterBadEnding() {
  const { shelf } = useData();
  const notices = useNotices();
  useEffect(() => {
    let cancel = () => {};
    const close = () => mark(false);
    window.addEventListener('pagehide', close);
    const badly = wasOpen();
    mark(true);
    const check = async () => {
      const others = await isOpenElsewhere();
      void navigator.locks?.request(PAGE, { mode: 'shared' }, () => new Promise(() => {}));
      // Another page has set the mark, and is still there.
      if (!badly || others) return;
      const job = archiveAside(shelf, { job: 'check' });
      cancel = job.cancel;
      const { mended, left } = await job.done;
      if (mended.length + left.length > 0)
        notices.say({
          message: `The last time this page was not closed in order. In the records ${counted(mended.length, 'fault')} ${mended.length === 1 ? 'was' : 'were'} mended, ${left.length} left. Under Data they can be checked again.`,
        });
    };
    // What could not be checked now can be by hand; nothing was changed.
    check().catch(() => {});
    return () => {
      window.removeEventListener('pagehide', close);
      cancel();
    };
  }, [shelf, notices]);
  return null;
}

async function isOpenElsewhere(): Promise<boolean> {
  const { held = [] } = (await navigator.locks?.query()) ?? {};
  return held.some(({ name }) => name === PAGE);
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
