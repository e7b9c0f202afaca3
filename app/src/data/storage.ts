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
