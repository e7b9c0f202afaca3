import { readlinkSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Kills the browser that runs on a profile, and every process that it has started, without any
 * chance to store something. Chromium's own lock names its process: nothing else is touched.
 */
export function killBrowserOn(profile: string): void {
  const pid = Number(/-(\d+)$/.exec(readlinkSync(join(profile, 'SingletonLock')))?.[1]);
  if (!(pid > 1)) throw new Error(`No browser runs on ${profile}.`);
  // It leads a group of its own.
  process.kill(-pid, 'SIGKILL');
}
