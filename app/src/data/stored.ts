import { asText, isRosefinchError, problemOf } from '@rosefinch/core/errors';
import { type Message, message, type Value } from '@rosefinch/core/message';
import { STORE_TROUBLES, storeSilentInWords } from '@rosefinch/core/sentences';
import { Dexie } from 'dexie';
import { atRecords } from '../environment.ts';

/** A reading or setting could not be stored; what is on screen stays there. */
export class StoreProblem extends Error {
  override readonly name = 'StoreProblem';

  constructor(
    readonly problem: Value,
    options?: ErrorOptions,
  ) {
    super(asText(problem), options);
  }
}

/** True for a failure that time or room may mend; a record that is not as it must be stays so. */
export function mayPass(error: unknown): boolean {
  return !(error instanceof StoreProblem && isRosefinchError(error.cause));
}

/** Does something with the database. @throws StoreProblem if the database fails */
export async function stored<T>(work: () => Promise<T>): Promise<T> {
  atRecords(1);
  try {
    return await work();
  } catch (error) {
    if (error instanceof StoreProblem) throw error;
    throw new StoreProblem(problemIn(error), { cause: error });
  } finally {
    atRecords(-1);
  }
}

function problemIn(error: unknown): Message {
  if (!(error instanceof Dexie.DexieError)) return notStored(problemOf(error));
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
      return notStored(error.message);
  }
}

function notStored(reason: Value): Message {
  return message('troubles.notStored', { reason });
}
