/** Something that concerns the whole application. */
export interface Notice {
  readonly message: string;
  readonly action?: { readonly label: string; readonly act: () => void };
}

/** The newest notice, and those who want to know of it. */
export class Notices {
  latest: Notice | null = null;
  private readonly watchers = new Set<() => void>();

  say(notice: Notice): void {
    this.latest = notice;
    for (const watcher of this.watchers) watcher();
  }

  /** Calls `watcher` on every notice; answers the way to stop. */
  subscribe = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => this.watchers.delete(watcher);
  };
}
