/** Folders of the machine, where the browser gives access to them (File System Access API). */

interface Pickers {
  readonly showDirectoryPicker?: (options: {
    readonly mode: 'readwrite';
  }) => Promise<FileSystemDirectoryHandle>;
}

interface Permitted {
  readonly queryPermission?: (wish: { readonly mode: 'readwrite' }) => Promise<PermissionState>;
  readonly requestPermission?: (wish: { readonly mode: 'readwrite' }) => Promise<PermissionState>;
}

const MODE = { mode: 'readwrite' } as const;

/** Asks for a folder; null where none was chosen. */
export async function chooseFolder(): Promise<FileSystemDirectoryHandle | null> {
  try {
    return (await (globalThis as Pickers).showDirectoryPicker?.(MODE)) ?? null;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return null;
    throw error;
  }
}
chooseFolder.possible = (): boolean => 'showDirectoryPicker' in globalThis;

/** Whether the folder may be written to now, without asking. */
export async function isPermitted(folder: FileSystemDirectoryHandle): Promise<boolean> {
  const state = await (folder as Permitted).queryPermission?.(MODE);
  return state === undefined || state === 'granted';
}

/** Asks again for leave that has lapsed; browsers allow that only in a key press or a click. */
export async function askAgain(folder: FileSystemDirectoryHandle): Promise<boolean> {
  const state = await (folder as Permitted).requestPermission?.(MODE);
  return state === undefined || state === 'granted';
}

const COPY = /^rosefinch-copy-[\dTZ-]+\.json$/;
/** So many stay, the newest. */
const MOST = 10;

/**
 * Puts a copy in the folder and takes the oldest away. The file is there whole or not at all:
 * what is written is swapped in when it is closed.
 */
export async function putCopy(
  folder: FileSystemDirectoryHandle,
  file: Blob,
  at: number,
): Promise<void> {
  const name = `rosefinch-copy-${new Date(at).toISOString().replaceAll(/[:.]/g, '-')}.json`;
  const handle = await folder.getFileHandle(name, { create: true });
  const writing = await handle.createWritable();
  try {
    await writing.write(file);
    await writing.close();
  } catch (error) {
    await writing.abort().catch(() => {});
    throw error;
  }
  const names: string[] = [];
  for await (const each of folder.keys()) if (COPY.test(each)) names.push(each);
  for (const old of names.sort().slice(0, -MOST)) await folder.removeEntry(old);
}
