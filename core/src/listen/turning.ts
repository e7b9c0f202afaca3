import { centsBetween } from '../music/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';
import type { StringKnowledge } from './identity.ts';
import { NoteTrack, type SteadyStretch } from './noteTrack.ts';
import {
  type PluckAnalyser,
  type PluckOutcome,
  type PluckStretch,
  READING_WINDOW,
  type Reading,
} from './pluck.ts';

/** Whether a string is being turned is looked at in its last moments, every so many values. */
const TURN_LOOK = { over: 1.5, values: 3 } as const;
/** A string that was turned has come to stand when it stood still for so long; when its note ends, however long it did. */
const STANDS: Seconds = 0.6;
/** Before a turn is noticed it has begun by so much. */
const BEFORE_TURN: Seconds = 0.05;
/** A pitch that stood still from here to the end of the reading's window was not turned in it. */
const WHOLE_WINDOW = { from: 0.3, ends: 0.08 } as const satisfies Record<string, Seconds>;
/** Samples that are missing move the pitch by less than this. */
const TURNED_AWAY: Cents = 8;
/** A string that came back to where it was read was not turned, or not so that anybody would hear it. */
const SAME_PLACE: Cents = 1.2;

/** A note whose string was turned while it rang. */
interface Turning {
  /** What its reading would be without a turn: said where it turns out to be no string. */
  readonly outcome: PluckOutcome | null;
  /** Where it was last read in this note. */
  readonly read: Reading | null;
  /** The end of that stretch. */
  readonly after: Seconds;
}

/** The note that rings, in decimated samples since the first one. */
export interface RingingNote {
  readonly onset: number;
  readonly heard: number;
  /** The oldest sample that is still kept. */
  readonly oldest: number;
  /** What was heard from a sample on. */
  from(start: number): PluckStretch;
}

/** Notices that a string is turned while it rings, and reads it again where it stands still. */
export class TurnReader {
  private readonly track = new NoteTrack();
  /** The note that rings is being turned, or has been. */
  private turning: Turning | null = null;
  /** Where the string of the note that rings stood when it was last read. */
  private lastRead: { readonly reading: Reading; readonly to: Seconds } | null = null;
  /** The beginning of that note in which nobody turned it, once it was read. */
  private untouched: { readonly hz: Hz; readonly to: Seconds } | null = null;

  constructor(
    private readonly rate: Hz,
    private readonly analyser: PluckAnalyser,
  ) {}

  /** A new note begins. */
  begin(): void {
    this.track.clear();
    this.turning = null;
    this.lastRead = null;
    this.untouched = null;
  }

  /** The next value of the live track, in seconds since the onset. */
  add(sinceOnset: Seconds, hz: Hz): void {
    this.track.add(sinceOnset, hz);
  }

  /** The note that rings was read already. */
  get wasRead(): boolean {
    return this.lastRead !== null;
  }

  /** The note that rings was just read. */
  noteReading(reading: Reading): void {
    const to = reading.windowFrom + reading.windowLength;
    this.lastRead = { reading, to };
    if (!reading.turned) this.untouched = { hz: reading.hz, to };
  }

  /** Whether the string was turned before its reading was due, so long after its onset. */
  wasTurned(seconds: Seconds, { kind }: PluckOutcome): boolean {
    const { track } = this;
    if (kind === 'too quiet' || kind === 'hum only' || !track.isTurned()) return false;
    // Where samples are missing the track jumps too, but comes back.
    if (kind === 'interrupted' && track.went() < TURNED_AWAY) return false;
    const steady = track.lastSteady();
    return !(
      steady &&
      steady.from < WHOLE_WINDOW.from &&
      steady.to > Math.min(seconds, READING_WINDOW.to) - WHOLE_WINDOW.ends &&
      !steady.leaves
    );
  }

  /**
   * Reads what there is from before the turn; what comes of the turn is read when the string stands still.
   * @returns null where it was turned from its beginning on
   */
  readBefore(
    pluck: PluckStretch,
    outcome: PluckOutcome,
    strings: readonly StringKnowledge[],
  ): Reading | null {
    const to = this.track.untouchedUntil() - BEFORE_TURN;
    const end = Math.min(pluck.end, pluck.onset + Math.round(to * this.rate));
    const before = this.analyser.analyse({ ...pluck, end }, strings);
    const read = before.kind === 'reading' ? before : null;
    this.turning = { outcome, read, after: read ? to : 0 };
    return read;
  }

  /**
   * Notices a string that is turned after its reading, and reads it again once it stands still.
   * @returns null where there is nothing to say
   */
  watch(now: Seconds, note: RingingNote): Reading | null {
    const { track, turning, lastRead } = this;
    if (turning) {
      const steady = track.lastSteady(turning.after);
      const stands = steady && !steady.leaves && steady.to - steady.from >= STANDS;
      return stands ? (this.readAfter(steady, note)?.say ?? null) : null;
    }
    if (lastRead && track.count % TURN_LOOK.values === 0) {
      const from = Math.max(lastRead.reading.windowFrom, now - TURN_LOOK.over);
      if (track.isTurned(from))
        this.turning = { outcome: null, read: lastRead.reading, after: lastRead.to };
    }
    return null;
  }

  /** A note that was turned is over: it is read where it stood still last, or it is said that it did not. */
  end(end: number, note: RingingNote): PluckOutcome | null {
    const { turning } = this;
    if (!turning) return null;
    const until = (end - note.onset) / this.rate;
    const steady = this.track.lastSteady(turning.after);
    const stands = steady !== null && !steady.leaves && steady.to <= until + BEFORE_TURN;
    const after = stands ? this.readAfter(steady, note) : null;
    this.turning = null;
    if (after) return after.say;
    return turning.read || turning.outcome?.kind === 'reading'
      ? { kind: 'turned' }
      : (turning.outcome ?? { kind: 'turned' });
  }

  /** Reads a string where it stands still after a turn; nothing is to be said where it stands where it was read. */
  private readAfter(
    steady: SteadyStretch,
    note: RingingNote,
  ): { readonly say: Reading | null } | null {
    const { turning, rate } = this;
    if (!turning) return null;
    const { from } = steady;
    const to = Math.min(steady.to, from + STANDS);
    const start = Math.max(0, note.onset, note.oldest);
    if (note.onset + from * rate < start || (start > note.onset && !this.untouched)) return null;
    const reading = this.analyser.analyseSteady(
      note.from(start),
      { ...steady, to },
      this.untouched,
    );
    if (!reading) return null;
    this.turning = null;
    const { read } = turning;
    const isNew =
      !read ||
      // What was read of its beginning alone may be less sure than where it stands now.
      (read.windowFrom < READING_WINDOW.from && read.errorCents > reading.errorCents) ||
      Math.abs(centsBetween(read.hz, reading.hz)) > SAME_PLACE;
    if (!isNew && this.lastRead) this.lastRead = { ...this.lastRead, to };
    return { say: isNew ? reading : null };
  }
}
