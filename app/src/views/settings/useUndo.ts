import { message, type Text } from '@rosefinch/core/message';
import { archiveAside, useData } from '../../data/index.ts';
import { now } from '../../environment.ts';
import type { useArchive } from './useArchive.ts';

/** Undoes a change by its id, and says what came back. */
export function useUndo({ run }: Pick<ReturnType<typeof useArchive>, 'run'>) {
  const { shelf } = useData();
  return (id: number) =>
    run(
      (progress) => archiveAside(shelf, { job: 'undo', id, at: now() }, progress),
      ({ broughtBack, left }): Text => [
        message('settings.broughtBack', { records: broughtBack }),
        ...(left > 0 ? [message('settings.leftAsIs', { records: left })] : []),
      ],
    );
}
