import type { LogEntry, Measurement, Session } from '@rosefinch/core/sitting';
import {
  type BenchEvent,
  type BenchState,
  benchAfter,
  replay,
  type StampedEvent,
  withAttributions,
} from '@rosefinch/core/sitting';

/** A line of a session as views see it. */
export interface Heard {
  readonly id: string;
  readonly event: StampedEvent;
  /** The full measurement of a reading, once it is there. */
  readonly measurement?: Pick<Measurement, 'reading' | 'track'>;
  /** It is on the disk. */
  readonly stored: boolean;
}

/** Everything that was read is on the disk. */
export function allStored(log: readonly Heard[]): boolean {
  return log.every(({ stored }) => stored);
}

/** What is known of a session at one moment. */
export interface Known {
  /** The session's own record; null before its first event. */
  readonly session: Session | null;
  readonly state: BenchState;
  readonly log: readonly Heard[];
  /** What was kept has been read. */
  readonly loaded: boolean;
}

/** An event on its way to the disk. */
interface Draft {
  readonly id: string;
  readonly session: Session;
  readonly event: StampedEvent;
  readonly measurement?: Pick<Measurement, 'reading' | 'track'>;
}

/** The records, as far as a session wants them. Whoever watches gets an unsubscribe function. */
export interface SittingStore {
  /** The session that is open here, in whichever tab it was begun. */
  watchSession(found: (session: Session | null) => void): () => void;
  watchLog(sessionId: string, read: (log: readonly LogEntry[]) => void): () => void;
  measurements(ids: readonly string[]): Promise<readonly Measurement[]>;
  append(session: Session, event: StampedEvent, measurement?: Draft['measurement']): Draft;
  pending(): readonly Draft[];
  subscribe(changed: () => void): () => void;
}

/** What a new session is to be, and where its strings are to be brought. */
export interface SittingPlan {
  readonly goal: () => BenchState['goal'];
  readonly begin: (at: number) => Session;
  readonly now: () => number;
}

/**
 * One session while it is open: what the disk holds of it, from this tab and others, with what
 * is still on its way there. An event is shown and handed to the disk in the same breath.
 */
export class OpenSitting {
  private session: Session | null = null;
  private kept: readonly LogEntry[] = [];
  /** Appended here, and not yet read back. */
  private mine: readonly Draft[] = [];
  private loaded = false;
  /** The disk knows the session. */
  private seen = false;
  /** Sessions that were ended here, which the disk may still call open. */
  private readonly ended = new Set<string>();
  private readonly measured = new Map<string, Draft['measurement'] & {}>();
  private readonly undo: (() => void)[] = [];
  private unwatchLog: () => void = () => {};
  private readonly listeners = new Set<() => void>();
  private known: Known;

  constructor(
    private readonly store: SittingStore,
    private plan: SittingPlan,
  ) {
    this.known = this.build();
  }

  /** Begins to follow the disk; returns an unsubscribe function. */
  open(): () => void {
    this.undo.push(
      this.store.watchSession((session) => this.found(session)),
      this.store.subscribe(() => this.change()),
    );
    return () => {
      for (const stop of this.undo.splice(0)) stop();
      this.unwatchLog();
      this.unwatchLog = () => {};
    };
  }

  /** What is known at this very moment, before anything is drawn. */
  latest = (): Known => this.known;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** The plan of now: what it changes counts from the next session on. */
  replan(plan: SittingPlan): void {
    this.plan = plan;
  }

  record(event: BenchEvent, measurement?: Draft['measurement']): void {
    const at = this.plan.now();
    this.session ??= this.begun(this.plan.begin(at));
    const draft = this.store.append(this.session, { ...event, at }, measurement);
    this.mine = [...this.mine, draft];
    if (measurement) this.measured.set(draft.id, measurement);
    this.change();
  }

  /** Leaves the session, which begins anew; answers it, or null where nothing was heard yet. */
  leave(): Session | null {
    const { session } = this;
    if (session) this.ended.add(session.id);
    this.follow(null);
    return session;
  }

  /** Takes a session up again that was left. */
  resume(session: Session): void {
    this.ended.delete(session.id);
    this.follow(session);
  }

  private found(session: Session | null): void {
    this.loaded = true;
    const other = session && !this.ended.has(session.id) ? session : null;
    // A session that was just begun here is not on the disk yet.
    const justBegun = this.session !== null && !this.seen && other === null;
    if (other?.id !== this.session?.id && !justBegun) this.follow(other);
    if (other) {
      this.session = other;
      this.seen = true;
    }
    this.change();
  }

  private begun(session: Session): Session {
    this.watch(session);
    return session;
  }

  private follow(session: Session | null): void {
    this.session = session;
    this.seen = false;
    this.kept = [];
    this.mine = [];
    this.measured.clear();
    this.unwatchLog();
    this.unwatchLog = () => {};
    if (session) this.watch(session);
    this.change();
  }

  private watch({ id }: Session): void {
    this.unwatchLog();
    this.unwatchLog = this.store.watchLog(id, (log) => {
      if (this.session?.id !== id) return;
      this.kept = log;
      const there = new Set(log.map((entry) => entry.id));
      this.mine = this.mine.filter((draft) => !there.has(draft.id));
      this.change();
      this.fetchMeasured(log);
    });
  }

  /** Readings of other tabs and of before a reload come with their measurements a moment later. */
  private fetchMeasured(log: readonly LogEntry[]): void {
    const wanted = log
      .filter(({ id, event }) => hasMeasurement(event) && !this.measured.has(id))
      .map(({ id }) => id);
    if (wanted.length === 0) return;
    this.store.measurements(wanted).then(
      (found) => {
        for (const { id, reading, track } of found) this.measured.set(id, { reading, track });
        if (found.length > 0) this.change();
      },
      // They are asked for again with the next event.
      () => {},
    );
  }

  private change(): void {
    const next = this.build();
    if (isSame(next, this.known)) return;
    this.known = next;
    for (const listener of this.listeners) listener();
  }

  private build(): Known {
    const { session, loaded } = this;
    if (!session) return { session, loaded, log: [], state: replay(this.plan.goal(), []) };
    const there = new Set(this.kept.map(({ id }) => id));
    const pending = this.store.pending().filter((draft) => draft.session.id === session.id);
    const unstored = new Set(pending.map(({ id }) => id));
    // Those of before this view was opened, then its own.
    const older = pending.filter(({ id }) => !this.mine.some((draft) => draft.id === id));
    const waiting = [...older, ...this.mine].filter(({ id }) => !there.has(id));
    const log = [
      ...this.kept.map(({ id, event }) => this.heard(id, event, true)),
      ...waiting.map(({ id, event }) => this.heard(id, event, !unstored.has(id))),
    ];
    return { session, loaded, log: withAttributions(log), state: this.stateOf(session, log) };
  }

  private heard(id: string, event: StampedEvent, stored: boolean): Heard {
    const measurement = this.measured.get(id);
    return { id, event, stored, ...(measurement && { measurement }) };
  }

  /** A session keeps the tolerance that it began with, whatever was set since. */
  private stateOf(session: Session, log: readonly Heard[]): BenchState {
    const before = this.known?.log ?? [];
    const goesOn =
      this.known?.session?.id === session.id &&
      before.length <= log.length &&
      before.every(({ id }, i) => log[i]?.id === id);
    if (goesOn)
      return log
        .slice(before.length)
        .reduce((state, { event }) => benchAfter(state, event), this.known.state);
    const goal = { ...this.plan.goal(), tolerance: session.tolerance };
    return replay(
      goal,
      log.map(({ event }) => event),
    );
  }
}

function isSame(a: Known, b: Known): boolean {
  return (
    a.session === b.session &&
    a.loaded === b.loaded &&
    a.log.length === b.log.length &&
    a.log.every((line, i) => {
      const other = b.log[i]!;
      return (
        line.id === other.id &&
        line.stored === other.stored &&
        line.measurement === other.measurement
      );
    })
  );
}

function hasMeasurement({ type }: StampedEvent): boolean {
  return type === 'reading' || type === 'unattributed';
}
