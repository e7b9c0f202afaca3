import { problemOf } from '@rosefinch/core/errors';
import { message, type Text, type Value } from '@rosefinch/core/message';
import { useEffect, useRef, useState } from 'react';
import type { Archiving } from '../../data/index.ts';
import { Cancelled, type Progress } from '../../worker/index.ts';

/** One piece of work on all that is kept, and how it went. */
export type Work =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly share: number | null }
  | { readonly kind: 'done'; readonly says: Text }
  | { readonly kind: 'failed'; readonly says: Value };

type Begin<Answer> = (progress: Progress) => Archiving<Answer>;

/** Runs one job at a time, tells how far it is, and lets it be stopped. */
export function useArchive() {
  const [work, setWork] = useState<Work>({ kind: 'idle' });
  const cancel = useRef<() => void>(() => {});
  useEffect(() => () => cancel.current(), []);
  const run = async <Answer>(
    begin: Begin<Answer>,
    done: (answer: Answer) => Text | null,
  ): Promise<void> => {
    setWork({ kind: 'running', share: null });
    const job = begin((at, of) => setWork({ kind: 'running', share: of > 0 ? at / of : null }));
    cancel.current = job.cancel;
    try {
      const says = done(await job.done);
      setWork(says === null ? { kind: 'idle' } : { kind: 'done', says });
    } catch (error) {
      if (error instanceof Cancelled) setWork({ kind: 'done', says: message('settings.stopped') });
      else setWork({ kind: 'failed', says: problemOf(error) });
    }
    cancel.current = () => {};
  };
  return { work, run, cancel: () => cancel.current(), forget: () => setWork({ kind: 'idle' }) };
}
