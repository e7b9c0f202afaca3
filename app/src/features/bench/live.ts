import type { Stroke } from '../../ui/index.ts';

/** What rings at this moment. Changed many times a second, so it lives outside of React's state. */
export class LiveNote {
  course: number | null = null;
  cents: number | null = null;
  private points: number[] = [];
  private readonly watchers = new Set<() => void>();

  /** A new note begins; nothing is known of it yet. */
  begin(): void {
    this.points = [];
    this.course = null;
    this.cents = null;
    this.tell();
  }

  add(course: number, sinceOnset: number, cents: number): void {
    if (course !== this.course) this.points = [];
    this.course = course;
    this.cents = cents;
    if (sinceOnset < 1.2) this.points.push(sinceOnset, cents);
    this.tell();
  }

  /** The note has become a reading or faded away. */
  end(): void {
    this.points = [];
    this.cents = null;
    this.tell();
  }

  strokeOf(course: number): Stroke | null {
    return this.course === course && this.points.length > 0 ? this.points : null;
  }

  /** Calls `watcher` on every change; answers the way to stop. */
  subscribe(watcher: () => void): () => void {
    this.watchers.add(watcher);
    return () => this.watchers.delete(watcher);
  }

  private tell(): void {
    for (const watcher of this.watchers) watcher();
  }
}
