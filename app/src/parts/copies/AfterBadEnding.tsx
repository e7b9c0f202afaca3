import { RECORDS_SAYS } from '@rosefinch/core/words';
import { useEffect } from 'react';
import { archiveAside, markOpen, useData } from '../../data/index.ts';
import { useNotices } from '../frame/index.ts';

/** Checks the records by itself when the page was not closed in order the last time. */
export function AfterBadEnding() {
  const { shelf } = useData();
  const notices = useNotices();
  useEffect(() => {
    let cancel = () => {};
    const { badly, undo } = markOpen();
    const check = async () => {
      if (!(await badly)) return;
      const job = archiveAside(shelf, { job: 'check' });
      cancel = job.cancel;
      const { mended, left } = await job.done;
      if (mended.length + left.length > 0)
        notices.say({
          message: RECORDS_SAYS.notClosedInOrder(mended.length, left.length),
        });
    };
    // What could not be checked now can be by hand; nothing was changed.
    check().catch(() => {});
    return () => {
      undo();
      cancel();
    };
  }, [shelf, notices]);
  return null;
}
