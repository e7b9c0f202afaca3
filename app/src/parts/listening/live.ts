import type { Cents } from '@rosefinch/core/units';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { monotonic } from '../../environment.ts';
import type { Stroke } from '../wires/index.ts';

/** While a note rings the figure follows it, no faster than an eye can read. */
const REFRESH_MS = 90;

/** What rings at this moment. Changed many times a second, so it lives outside of React's state. */
export class LiveNote {
  course: number | null = null;
  cents: Cents | null = null;
  private points: number[] = [];
  /** The note has its reading. */
  concluded = false;
  private left = false;
  private readonly watchers = new Set<() => void>();

  /** A new note begins; nothing is known of it yet. */
  begin(): void {
    this.points = [];
    this.concluded = false;
    this.left = false;
    this.course = null;
    this.cents = null;
    this.tell();
  }

  /** The note has its reading: its stroke is a perch now, but its pitch may go on being followed. */
  conclude(): void {
    this.concluded = true;
    this.points = [];
    this.tell();
  }

  /** The player has gone on to something else: what still rings is followed no further. */
  leave(): void {
    this.left = true;
    this.end();
  }

  add(course: number, sinceOnset: number, cents: Cents): void {
    if (this.left) return;
    if (course !== this.course) this.points = [];
    this.course = course;
    this.cents = cents;
    if (!this.concluded) this.points.push(sinceOnset, cents);
    this.tell();
  }

  /** The note has faded away or was cut short. */
  end(): void {
    this.points = [];
    this.cents = null;
    this.tell();
  }

  strokeOf(course: number): Stroke | null {
    return this.course === course && this.points.length > 0 ? this.points : null;
  }

  /** Calls `watcher` on every change; returns an unsubscribe function. */
  subscribe(watcher: () => void): () => void {
    this.watchers.add(watcher);
    return () => this.watchers.delete(watcher);
  }

  private tell(): void {
    for (const watcher of this.watchers) watcher();
  }
}

/** The course of the note that rings now; changes only when the course does. */
export function useRingingCourse(live: LiveNote): number | null {
  return useSyncExternalStore(
    (changed) => live.subscribe(changed),
    () => (live.cents === null ? null : live.course),
  );
}

/** A note that rings, as it is shown. */
export interface Ringing {
  readonly course: number;
  readonly cents: Cents;
  /** It has its reading. */
  readonly concluded: boolean;
}

/** The note that rings now, told no faster than an eye can read; null when none does. */
export function useRinging(live: LiveNote): Ringing | null {
  const [ringing, setRinging] = useState<Ringing | null>(null);
  const last = useRef(0);
  useEffect(() => {
    const put = () => {
      const { course, cents, concluded } = live;
      const now = monotonic();
      if (course === null || cents === null) setRinging(null);
      else if (now - last.current > REFRESH_MS) {
        last.current = now;
        setRinging({ course, cents, concluded });
      }
    };
    return live.subscribe(put);
  }, [live]);
  return ringing;
}

/** A ringing string that stays this near to its reading is shown as it was read: one figure, not two. */
const STANDS: Cents = 3;

/** The deviation to show: while a note rings the figure runs; once it is read it is the reading, until a peg moves it. */
export function shownCents(ringing: Ringing | null, read: Cents | undefined): Cents | null {
  if (!ringing) return read ?? null;
  const stands = ringing.concluded && read !== undefined && Math.abs(ringing.cents - read) < STANDS;
  return stands ? read : ringing.cents;
}
