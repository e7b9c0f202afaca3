import { backupText, type Repository } from './data/index.ts';
import { now } from './environment.ts';
import { download } from './ui/index.ts';

/** Hands everything that is stored to the browser as a backup file. */
export async function saveBackup(repository: Repository): Promise<void> {
  const at = new Date(now());
  const text = backupText(await repository.contents(), at);
  download(`rosefinch-${at.toISOString().slice(0, 10)}.json`, text, 'application/json');
}
