const NAME = 'rosefinch-listening';

/**
 * Takes the right to listen, which one tab has at a time. Answers the way to
 * give it back, or null if another tab has it.
 */
export function takeListeningLock(): Promise<(() => void) | null> {
  if (!navigator.locks) return Promise.resolve(() => {});
  return new Promise((resolve) => {
    void navigator.locks.request(NAME, { ifAvailable: true }, (lock) => {
      if (!lock) {
        resolve(null);
        return undefined;
      }
      return new Promise<void>((release) => resolve(release));
    });
  });
}
