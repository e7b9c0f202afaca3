import { isRosefinchError } from '@rosefinch/core/errors';
import { Dexie } from 'dexie';

/** A reading or setting could not be stored; what is on screen stays there. */
export class StoreProblem extends Error {
  override readonly name = 'StoreProblem';
}

/** True for a failure that time or room may mend; a record that is not as it must be stays so. */
export function mayPass(error: unknown): boolean {
  return !(error instanceof StoreProblem && isRosefinchError(error.cause));
}

/** What went wrong in the database, in words. */
export async function stored<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof StoreProblem) throw error;
    throw new StoreProblem(inWords(error), { cause: error });
  }
}

function inWords(error: unknown): string {
  if (!(error instanceof Dexie.DexieError))
    return `The browser could not store this: ${error instanceof Error ? error.message : error}`;
  switch (error.name) {
    case 'QuotaExceededError':
      return 'The browser’s storage is full. Save what is not stored, or write a backup under Backup and restore; then free some space.';
    case 'DatabaseClosedError':
      return 'The browser has closed the records. Save what is not stored; then reload this page.';
    case 'MissingAPIError':
      return 'This browser keeps no records for this page: what is read here is gone when it is closed.';
    case 'InvalidStateError':
    case 'UnknownError':
      return `The browser’s storage does not answer (${error.message}). Save what is not stored; then restart the browser.`;
    default:
      return `The browser could not store this: ${error.message}`;
  }
}
