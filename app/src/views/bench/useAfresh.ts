import { message } from '@rosefinch/core/message';
import { useCallback, useEffect, useRef } from 'react';
import { useNotices } from '../../parts/frame/index.ts';
import type { Sitting } from '../../parts/listening/index.ts';

const AFRESH = message('bench.afresh');

/** Ends the session and begins another; the way back is offered for as long as the bench is there. */
export function useAfresh({ startAfresh }: Sitting): (undoable: boolean) => void {
  const notices = useNotices();
  // The way back to a session is the bench's own: it goes with it.
  const putAway = useRef(() => {});
  useEffect(() => () => putAway.current(), []);
  return useCallback(
    (undoable) => {
      const undo = startAfresh();
      if (undo && undoable) putAway.current = notices.undoable(AFRESH, undo);
    },
    [startAfresh, notices],
  );
}
