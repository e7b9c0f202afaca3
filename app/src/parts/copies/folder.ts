import { RecordError } from '@rosefinch/core/errors';
import { message } from '@rosefinch/core/message';

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
/** So many stay, the ones written last. */
const MOST = 10;

/**
 * Puts a copy in the folder, reads it back from there and removes the oldest copies. A copy is there whole or not
 * at all: what is written is swapped in when it is closed, and what did not arrive whole is removed.
 * @param written the copies that this browser wrote, the oldest first: dates in names follow a clock that may be wrong
 * @returns the same after this one
 */
export async function putCopy(
  folder: FileSystemDirectoryHandle,
  file: Blob,
  at: number,
  written: readonly string[],
): Promise<readonly string[]> {
  const before = await copiesIn(folder);
  const name = freeName(at, before);
  try {
    await writeWhole(folder, name, file);
  } catch (error) {
    // What is left of it may be an empty file.
    await folder.removeEntry(name).catch(() => {});
    throw error;
  }
  // Those of other browsers, and of older versions, count as older.
  const known = written.filter((each) => before.includes(each));
  const others = before.filter((each) => !known.includes(each)).sort();
  const all = [...others, ...known, name];
  const old = all.slice(0, -MOST);
  for (const each of old) await folder.removeEntry(each);
  return [...known, name].filter((each) => !old.includes(each));
}

async function copiesIn(folder: FileSystemDirectoryHandle): Promise<string[]> {
  const names: string[] = [];
  for await (const each of folder.keys()) if (COPY.test(each)) names.push(each);
  return names;
}

/** A copy of the same moment must not replace another one. */
function freeName(at: number, taken: readonly string[]): string {
  const time = new Date(at).toISOString().replaceAll(/[:.]/g, '-');
  const names = ['', '-2', '-3'].map((more) => `rosefinch-copy-${time}${more}.json`);
  return names.find((name) => !taken.includes(name)) ?? `rosefinch-copy-${time}-4.json`;
}

async function writeWhole(
  folder: FileSystemDirectoryHandle,
  name: string,
  file: Blob,
): Promise<void> {
  const handle = await folder.getFileHandle(name, { create: true });
  const writing = await handle.createWritable();
  try {
    await writing.write(file);
    await writing.close();
  } catch (error) {
    await writing.abort().catch(() => {});
    throw error;
  }
  const there = await handle.getFile();
  if ((await digestOf(there)) !== (await digestOf(file)))
    throw new RecordError('copy', message('records.copyNotWhole'));
}

/** SHA-256 of a file's bytes, in hexadecimal. */
async function digestOf(file: Blob): Promise<string> {
  const bytes = await crypto.subtle.digest('SHA-256', await file.arrayBuffer());
  return Array.from(new Uint8Array(bytes), (byte) => byte.toString(16).padStart(2, '0')).join('');
}
