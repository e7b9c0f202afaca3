import { problemOf } from '@rosefinch/core/errors';
import { message } from '@rosefinch/core/message';
import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { archiveAside, useData, useLive } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { useNotices } from '../frame/index.ts';
import { askAgain, isPermitted, putCopy } from './folder.ts';

/** Puts a copy in the teacher’s folder when a session is over: ended, or left for another view. */
export function AutomaticCopies() {
  const { repository, shelf } = useData();
  const { pathname } = useLocation();
  const notices = useNotices();
  const folder = useLive((r) => r.folder(), 'folder');
  const ended = useLive((r) => r.endedSittings(), 'ended sittings');
  const busy = useRef(false);

  // biome-ignore lint/correctness/useExhaustiveDependencies: a view that is left and a session that is ended are the moments
  useEffect(() => {
    if (!folder || busy.current) return;
    busy.current = true;
    const copy = async () => {
      if ((await repository.copies()).without === 0) return;
      if (!(await isPermitted(folder))) return;
      const at = now();
      const unstored = repository.log.outbox.pending();
      const { done } = archiveAside(shelf, { job: 'write', unstored, at });
      const { file, upTo } = await done;
      const written = await putCopy(folder, file, at, await repository.writtenCopies());
      await repository.noteWrittenCopies(written);
      await repository.noteCopy(at, upTo);
    };
    copy()
      .catch((error: Error) =>
        notices.say({
          message: message('records.noCopyPut', { folder: folder.name, reason: problemOf(error) }),
        }),
      )
      .finally(() => {
        busy.current = false;
      });
  }, [folder, ended, pathname]);

  // Leave that has lapsed is asked for at the first key press of the day.
  useEffect(() => {
    if (!folder) return;
    const ask = async () => {
      if (!(await isPermitted(folder))) await askAgain(folder);
    };
    const once = { once: true, capture: true };
    const onKey = () => void ask().catch(() => {});
    window.addEventListener('keydown', onKey, once);
    return () => window.removeEventListener('keydown', onKey, once);
  }, [folder]);
  return null;
}
