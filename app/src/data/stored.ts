import { isRosefinchError } from '@rosefinch/core/errors';
import { STORE_TROUBLES, storeSilentInWords } from '@rosefinch/core/words';
import { Dexie } from 'dexie';
import { atRecords } from '../environment.ts';

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
  atRecords(1);
  try {
    return await work();
  } catch (error) {
    if (error instanceof StoreProblem) throw error;
    throw new StoreProblem(inWords(error), { cause: error });
  } finally {
    atRecords(-1);
  }
}

function inWords(error: unknown): string {
  if (!(error instanceof Dexie.DexieError))
    return `The browser could not store this: ${error instanceof Error ? error.message : error}`;
  switch (error.name) {
    case 'QuotaExceededError':
      return STORE_TROUBLES.full;
    case 'DatabaseClosedError':
      return STORE_TROUBLES.closed;
    case 'MissingAPIError':
      return STORE_TROUBLES.none;
    case 'InvalidStateError':
    case 'UnknownError':
      return storeSilentInWords(error.message);
    default:
      return `The browser could not store this: ${error.message}`;
  }
}
