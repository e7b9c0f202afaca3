import type { DexieOptions } from 'dexie';
import { ownName } from '../environment.ts';
/** What the browser says of its storage. */
export interface StorageState {
  /** It has promised to keep what is stored until it is removed by hand. */
  readonly lasting: boolean;
  /** Room left, in bytes. */
  readonly left: number;
}

/** Asks the browser to keep what is stored for good; it may decline. */
export function keepStorage(): void {
  void navigator.storage?.persist?.();
}

/** What is known of the storage; null where the browser does not say. */
export async function storageState(): Promise<StorageState | null> {
  const { storage } = navigator;
  if (!storage?.persisted || !storage.estimate) return null;
  const [lasting, { quota = 0, usage = 0 }] = await Promise.all([
    storage.persisted(),
    storage.estimate(),
  ]);
  return { lasting, left: Math.max(0, quota - usage) };
}

/** A browser that does not answer in this time is slow, not unwilling, in ms. */
const PATIENCE_MS = 1500;

/** Whether this browser lets the page keep anything: private windows and policies may refuse it. */
export function canKeep(): Promise<boolean> {
  return new Promise((resolve) => {
    setTimeout(() => resolve(true), PATIENCE_MS);
    try {
      const opening = indexedDB.open(ownName('rosefinch-probe'));
      opening.onsuccess = () => {
        opening.result.close();
        resolve(true);
      };
      opening.onerror = () => resolve(false);
    } catch {
      resolve(false);
    }
  });
}

/** A database that lives as long as the page, for browsers that refuse to keep one. */
export async function inMemory(): Promise<Pick<DexieOptions, 'indexedDB' | 'IDBKeyRange'>> {
  const { IDBKeyRange, indexedDB } = await import('fake-indexeddb');
  return { indexedDB, IDBKeyRange };
}
