import { message } from '@rosefinch/core/message';
import { useEffect } from 'react';
import { archiveAside, markOpen, useData } from '../../data/index.ts';
import { useNotices } from '../frame/index.ts';
import { useWords } from '../words/index.ts';

/** Checks the records by itself when the page was not closed in order the last time. */
export function AfterBadEnding() {
  const t = useWords();
  const { shelf } = useData();
  const notices = useNotices();
  // biome-ignore lint/correctness/useExhaustiveDependencies: another way to read is no reason to check again
  useEffect(() => {
    let cancel = () => {};
    const { badly, undo } = markOpen();
    const check = async () => {
      if (!(await badly)) return;
      const job = archiveAside(shelf, { job: 'check', foundAgain: t('records.foundAgain') });
      cancel = job.cancel;
      const { mended, left } = await job.done;
      if (mended.length + left.length > 0)
        notices.say({
          message: message('records.notClosedInOrder', {
            mended: mended.length,
            left: left.length,
          }),
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
