import { message, type Text } from '@rosefinch/core/message';
import type { Repository } from '../../data/index.ts';
import { type Archiving, archiveAside } from '../../data/index.ts';
import { dayHere, now } from '../../environment.ts';
import { download } from '../frame/index.ts';

/**
 * Writes everything that is kept, and what is not stored yet, as a backup; once it was read
 * back, it is handed to the browser. Answers what is in it.
 */
export function saveBackup(
  repository: Repository,
  progress?: (done: number, of: number) => void,
): Archiving<Text> {
  const at = now();
  const unstored = repository.log.outbox.pending();
  const job = { job: 'write' as const, unstored, at };
  const { done, cancel } = archiveAside(repository.shelfKind, job, progress);
  const saved = done.then(async ({ file, counts, upTo, faults }) => {
    download(`rosefinch-${dayHere(at)}.json`, file);
    await repository.noteCopy(at, upTo);
    const all = message('records.backupChecked', counts);
    const [first] = faults;
    if (!first) return all;
    return [
      all,
      message('records.wouldNotComeBack', {
        count: faults.length,
        place: first.place,
        reason: first.reason,
      }),
    ];
  });
  return { done: saved, cancel };
}
