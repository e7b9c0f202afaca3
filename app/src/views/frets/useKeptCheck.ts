import { changedCheck, type FretChange } from '@rosefinch/core/dialogue';
import { problemOf } from '@rosefinch/core/errors';
import { message, type Text } from '@rosefinch/core/message';
import { useCallback, useRef, useState } from 'react';
import { useData } from '../../data/index.ts';

/** The way of a check's changes to the disk. */
export interface KeptCheck {
  readonly change: (change: FretChange) => void;
  /** All of it is on the disk. */
  readonly stored: boolean;
  /** Why the last one could not be stored; it is tried again with the next. */
  readonly problem: Text | null;
}

/** Stores changes in their order, each made to the check as it is on the disk by then. */
export function useKeptCheck(id: string): KeptCheck {
  const { repository } = useData();
  const [stored, setStored] = useState(true);
  const [problem, setProblem] = useState<Text | null>(null);
  const waiting = useRef<readonly FretChange[]>([]);
  const busy = useRef(false);
  const store = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      while (waiting.current.length > 0) {
        const batch = waiting.current;
        await repository.changeFretCheck(id, (check) => batch.reduce(changedCheck, check));
        waiting.current = waiting.current.slice(batch.length);
        setProblem(null);
      }
    } catch (error) {
      setProblem(message('common.problem', { reason: problemOf(error) }));
    }
    busy.current = false;
    setStored(waiting.current.length === 0);
  }, [repository, id]);
  const change = useCallback(
    (made: FretChange) => {
      waiting.current = [...waiting.current, made];
      setStored(false);
      void store();
    },
    [store],
  );
  return { change, stored, problem };
}
