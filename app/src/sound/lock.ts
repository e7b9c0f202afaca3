import { ownName } from '../environment.ts';

const NAME = ownName('rosefinch-listening');

/** Milliseconds for a tab that is just closing or loading anew to give its right back. */
const GRACE = 1000;

/**
 * Takes the right to listen, which one tab has at a time. Answers the way to
 * give it back, or null if another tab has it and keeps it.
 */
export function takeListeningLock(): Promise<(() => void) | null> {
  if (!navigator.locks) return Promise.resolve(() => {});
  return new Promise((resolve) => {
    const signal = AbortSignal.timeout(GRACE);
    navigator.locks
      .request(NAME, { signal }, () => new Promise<void>((release) => resolve(release)))
      .catch(() => resolve(null));
  });
}
