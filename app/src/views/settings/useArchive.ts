import { SETTINGS_SAYS } from '@rosefinch/core/words';
import { useEffect, useRef, useState } from 'react';
import type { Archiving } from '../../data/index.ts';
import { Cancelled, type Progress } from '../../worker/index.ts';

/** One piece of work on all that is kept, and how it went. */
export type Work =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly share: number | null }
  | { readonly kind: 'done'; readonly says: string }
  | { readonly kind: 'failed'; readonly says: string };

type Begin<Answer> = (progress: Progress) => Archiving<Answer>;

/** Runs one job at a time, tells how far it is, and lets it be stopped. */
export function useArchive() {
  const [work, setWork] = useState<Work>({ kind: 'idle' });
  const cancel = useRef<() => void>(() => {});
  useEffect(() => () => cancel.current(), []);
  const run = async <Answer>(
    begin: Begin<Answer>,
    done: (answer: Answer) => string | null,
  ): Promise<void> => {
    setWork({ kind: 'running', share: null });
    const job = begin((at, of) => setWork({ kind: 'running', share: of > 0 ? at / of : null }));
    cancel.current = job.cancel;
    try {
      const says = done(await job.done);
      setWork(says === null ? { kind: 'idle' } : { kind: 'done', says });
    } catch (error) {
      if (error instanceof Cancelled) setWork({ kind: 'done', says: SETTINGS_SAYS.stopped });
      else
        setWork({ kind: 'failed', says: error instanceof Error ? error.message : String(error) });
    }
    cancel.current = () => {};
  };
  return { work, run, cancel: () => cancel.current(), forget: () => setWork({ kind: 'idle' }) };
}
