import { useSyncExternalStore } from 'react';

/** Whether the stage has the room to itself, so that it is read from afar. Nothing but the teacher changes it. */
class Distance {
  on = false;
  private readonly watchers = new Set<() => void>();

  toggle = (): void => {
    this.on = !this.on;
    for (const watcher of this.watchers) watcher();
  };

  /** Calls `watcher` on every change; returns an unsubscribe function. */
  subscribe = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => this.watchers.delete(watcher);
  };
}

const distance = new Distance();

/** Whether the stage is read from afar, and the way there and back. */
export function useDistance(): { readonly afar: boolean; readonly toggle: () => void } {
  const afar = useSyncExternalStore(distance.subscribe, () => distance.on);
  return { afar, toggle: distance.toggle };
}
