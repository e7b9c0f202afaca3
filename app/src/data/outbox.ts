import { problemOf } from '@rosefinch/core/errors';
import type { Value } from '@rosefinch/core/message';
import { mayPass } from './stored.ts';

/** How long after a failure it is tried again, in ms. */
const AGAIN_MS = 5000;

/**
 * What is on its way to the disk, in its order. It belongs to the records and not to a view:
 * what could not be stored stays here, is tried again, one by one, and can be looked at.
 */
export class Outbox<Entry extends { readonly id: string }> {
  private waiting: readonly Entry[] = [];
  private trouble: Value | null = null;
  private working: Promise<void> | null = null;
  private toBeTried = false;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly store: (entry: Entry) => Promise<void>,
    private readonly later: (act: () => void, ms: number) => unknown,
  ) {}

  /** Not stored yet, the oldest first; the same array until something changes. */
  pending = (): readonly Entry[] => this.waiting;

  /** Why they are not, in words; null while all goes well. */
  problem = (): Value | null => this.trouble;

  /** @returns an unsubscribe function */
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  add(entry: Entry): void {
    this.change([...this.waiting, entry], this.trouble);
    void this.flush();
  }

  /** Tries everything that waits; resolves once each was stored or has failed. */
  flush(): Promise<void> {
    this.working ??= this.work().finally(() => {
      this.working = null;
      // What came while the last one was stored.
      if (this.trouble === null && this.waiting.length > 0) void this.flush();
    });
    return this.working;
  }

  private async work(): Promise<void> {
    let trouble: Value | null = null;
    for (const entry of this.waiting) {
      try {
        await this.store(entry);
        this.change(
          this.waiting.filter(({ id }) => id !== entry.id),
          this.trouble,
        );
      } catch (error) {
        trouble = problemOf(error);
        // A record that can never be stored must not hold up the others; a full disk holds up all.
        if (mayPass(error)) break;
      }
    }
    this.change(this.waiting, trouble);
    if (trouble !== null) this.tryAgain();
  }

  private tryAgain(): void {
    if (this.toBeTried) return;
    this.toBeTried = true;
    this.later(() => {
      this.toBeTried = false;
      void this.flush();
    }, AGAIN_MS);
  }

  private change(waiting: readonly Entry[], trouble: Value | null): void {
    this.waiting = waiting;
    this.trouble = trouble;
    for (const listener of this.listeners) listener();
  }
}
