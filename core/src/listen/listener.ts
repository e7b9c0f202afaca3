import { decibels, nth, nth64 } from '../maths/index.ts';
import type { Dbfs, Hz, Seconds } from '../units.ts';
import { PITCH_RANGE } from './candidates.ts';
import { Decimator } from './decimate.ts';
import { GapFinder } from './gaps.ts';
import type { StringKnowledge } from './identity.ts';
import { lowestOf } from './identity.ts';
import { LiveTrack, type TrackPoint } from './liveTrack.ts';
import { NewTones } from './newTones.ts';
import { OnsetDetector } from './onset.ts';
import type { PluckOutcome } from './pluck.ts';
import { PluckAnalyser, READING_WINDOW } from './pluck.ts';
import type { RoomReport } from './room.ts';
import { RoomWatcher } from './room.ts';
import {
  isStrum,
  likeliest,
  mayBeStrum,
  readStrum,
  STRUM_WINDOW,
  type StrumLike,
  type StrumString,
  type StrumTuning,
  tuningsLike,
} from './strum.ts';
import { type RingingNote, TurnReader } from './turning.ts';

/** So many samples at the limit in a row are clipping; fewer may be one that just reaches it. */
const CLIPPED_RUN = 3;
/** The level is told every so many hops: ten times a second. */
const HOPS_A_LEVEL = 19;
/** A reading is made so long after its window is over: the frames that overlap its end. */
const AFTER_WINDOW: Seconds = 0.02;
/** A note ends so long before the onset of the next is noticed: the finger is on its way, and the rise has begun. */
const BEFORE_NEXT: Seconds = 0.02;
/** Tones nearer to the room's noise than this are none of a string. */
const LEAST_OVER_FLOOR_DB = 10;
/** Talk is forgotten in this time to 1/e. */
const TALK_LASTS: Seconds = 4;
/** A strum is heard out for so long; fewer strings than this are plucked one by one. */
const STRUM_HEARD: Seconds = STRUM_WINDOW.from + STRUM_WINDOW.final + 0.01;
const FEWEST_STRUMMED = 3;
/** Samples of a whole recording that are heard at once. */
const BLOCK = 4096;

/** So much of what was heard is kept. */
const BUFFER_S = 4;
/** So much of the room is heard before each onset. */
const BEFORE_S = 0.19;
/** A note longer than its reading is followed on the live track for at most this long. */
const LONGEST_TRACK_S = 12;
/** Hops in silence that end a note. */
const SILENT_HOPS = 6;
/** Below this peak a signal that has an onset is too quiet to be read. */
const TOO_QUIET: Dbfs = -66;
/** A rise that is over sooner is a knock or the end of a note, no pluck. */
const SHORTEST_PLUCK_S = 0.06;
/** Changes of what is asked that are remembered: more than can be made while one note rings. */
const MOST_ASKED = 64;
/** Samples that are looked at together before they are analysed. */
const PIECE = 256;
const CLIPPED_AT = 0.985;

/**
 * What a listener says while it hears. Times are seconds since its first sample; `asked` is
 * what was asked of the player at the moment of the onset.
 */
export type ListenEvent =
  | { readonly type: 'onset'; readonly at: Seconds; readonly asked: number }
  | { readonly type: 'track'; readonly point: TrackPoint }
  | {
      readonly type: 'outcome';
      readonly asked: number;
      readonly start: Seconds;
      readonly length: Seconds;
      readonly outcome: PluckOutcome;
      /** The string of a note that was read before was turned while it rang: this is where it stands now. */
      readonly again?: true;
      /** The live track up to the outcome: time since onset and Hz by turns. */
      readonly track: Float32Array;
      readonly clipped: boolean;
    }
  /** All strings at once; those that it is not sure of are told as such. */
  | {
      readonly type: 'strum';
      readonly asked: number;
      readonly start: Seconds;
      readonly strings: readonly StrumString[];
      /** Where it clearly was not its own: the tuning that it sounds like, or two. */
      readonly like: readonly StrumLike[];
    }
  | { readonly type: 'released'; readonly at: Seconds }
  | {
      readonly type: 'level';
      readonly levelDbfs: Dbfs;
      readonly floorDbfs: Dbfs;
      readonly peak: number;
    }
  | { readonly type: 'room'; readonly report: RoomReport };

/**
 * Hears a stream of samples at any rate from 8 to 192 kHz and says when a
 * string was plucked, how its pitch runs, and what its reading is. The same
 * class serves the microphone, a recording and the practice instrument.
 */
export class Listener {
  private readonly decimator: Decimator;
  private readonly detector: OnsetDetector;
  private readonly analyser: PluckAnalyser;
  private readonly live: LiveTrack;
  private readonly rate: Hz;
  private tones = new NewTones('usual');
  private readonly gaps: GapFinder;
  private readonly room: RoomWatcher;
  private interrupted = false;
  /** Sounds of late that were no string, by their number, and when that was counted. */
  private talk = 0;
  private talkAt = 0;
  private readonly buffer: Float64Array;
  private readonly scratch: Float64Array;
  private readonly track: number[] = [];
  private readonly turns: TurnReader;
  /** Decimated samples heard so far. */
  private heard = 0;
  private onset = -1;
  private concluded = true;
  private silentHops = 0;
  /** Where something rose that may be a click; −1 while nothing is in doubt. */
  private inDoubt = -1;
  private peak = 0;
  private hops = 0;
  private clippedRun = 0;
  private clipped = false;
  private strings: readonly StringKnowledge[] = [];
  private tunings: readonly StrumTuning[] = [];
  /** What was asked from which decimated sample on, oldest first. */
  private readonly asked: { from: number; what: number }[] = [];
  /** Time that went by unheard. */
  private unheard: Seconds = 0;
  /** A strum was asked for: the next sound is taken for one. */
  private strumAsked = false;
  /** The sound that is undecided has several strings in it. */
  private several = false;
  /** A sound that may be a strum, with what it is otherwise: it is heard out first. */
  private undecided: Extract<ListenEvent, { type: 'outcome' }> | null = null;

  /** @throws RangeMisuse if the rate lies outside 8–192 kHz. */
  constructor(
    readonly sampleRate: Hz,
    private readonly emit: (event: ListenEvent) => void,
  ) {
    this.decimator = new Decimator(sampleRate);
    this.rate = this.decimator.outputRate;
    this.detector = new OnsetDetector(this.rate);
    this.gaps = new GapFinder(sampleRate);
    this.room = new RoomWatcher(this.rate);
    this.analyser = new PluckAnalyser(this.rate);
    this.turns = new TurnReader(this.rate, this.analyser);
    this.live = new LiveTrack(this.rate, (start, length) => this.copyFrom(start, length));
    this.buffer = new Float64Array(Math.ceil(BUFFER_S * this.rate));
    this.scratch = new Float64Array(this.buffer.length);
  }

  /**
   * Says what is known of the strings from now on, which helps to choose between like candidates; and in
   * which tunings they may be strummed, their own among them: where there are none no strum is looked for.
   */
  know(strings: readonly StringKnowledge[], tunings: readonly StrumTuning[] = []): void {
    this.strings = strings;
    const lowest = lowestOf(strings);
    this.live.know(strings, lowest);
    const low = lowest < PITCH_RANGE.low;
    this.detector.know(lowest);
    const tones = low ? 'low' : 'usual';
    if (tones !== this.tones.strings) this.tones = new NewTones(tones);
    this.tunings = tunings;
  }

  /**
   * Says what the player is asked for (a number of the caller's own), from the sample that is heard
   * next, or from `ago` seconds before it; a negative `ago` lies ahead. 0 until something is asked.
   */
  ask(what: number, ago: Seconds = 0): void {
    // An onset is dated a hop before it is noticed: a pluck right behind the question answers it.
    const from = this.heard - this.detector.hop - Math.round(ago * this.rate);
    this.asked.push({ from, what });
    if (this.asked.length > MOST_ASKED) this.asked.shift();
  }

  /** Says that the next sound is a strum over all strings, or that none is expected any more. */
  expectStrum(expected: boolean): void {
    this.strumAsked = expected;
  }

  /** Lets a stretch of the stream go by unheard; a note that sounds is concluded from what was heard of it. */
  pass(seconds: Seconds): void {
    this.finish();
    this.unheard += seconds;
  }

  /** Hears the next samples. */
  hear(samples: Float32Array): void {
    // In short pieces, so that what the raw samples tell belongs to the note it lies in.
    for (let at = 0; at < samples.length; at += PIECE)
      this.hearPiece(samples.subarray(at, at + PIECE));
  }

  private hearPiece(samples: Float32Array): void {
    this.watchRaw(samples);
    this.decimator.process(samples, (sample) => {
      this.buffer[this.heard % this.buffer.length] = sample;
      this.heard++;
      if (this.onset < 0) this.watchRoom(sample);
      const event = this.detector.push(sample);
      if (this.tones.push(sample, this.onset >= 0) && event !== 'onset' && this.isLoud())
        this.begin(this.heard - this.tones.late);
      if (event) this.afterHop(event);
    });
  }

  /** Ends the stream: a note still open is concluded from what was heard of it. */
  finish(): void {
    // Too late to tell a click from a pluck: what rose is heard as a note.
    if (this.inDoubt >= 0) this.begin(this.inDoubt);
    if (!this.concluded) this.conclude(this.heard);
    if (this.onset >= 0) this.release(this.heard);
  }

  /** What only the raw samples tell: peaks, clipping, holes. */
  private watchRaw(samples: Float32Array): void {
    for (let i = 0; i < samples.length; i++) {
      const size = Math.abs(nth(samples, i));
      if (size > this.peak && Number.isFinite(size)) this.peak = size;
      this.clippedRun = size >= CLIPPED_AT ? this.clippedRun + 1 : 0;
      if (this.clippedRun >= CLIPPED_RUN) this.clipped = true;
      if (this.gaps.push(nth(samples, i))) this.interrupted = true;
    }
  }

  private watchRoom(sample: number): void {
    const report = this.room.push(sample);
    if (report) this.emit({ type: 'room', report });
  }

  private afterHop(event: 'none' | 'onset' | 'silent'): void {
    if (++this.hops % HOPS_A_LEVEL === 0) this.sayLevel();
    if (event === 'onset') this.maybeBegin();
    if (this.inDoubt >= 0 && this.heard >= this.inDoubt + this.live.doubtLasts) this.resolveDoubt();
    if (this.onset < 0) return;
    this.silentHops = event === 'silent' ? this.silentHops + 1 : 0;
    const since = (this.heard - this.onset) / this.rate;
    const over = this.silentHops >= SILENT_HOPS;
    if (!this.concluded && (since >= READING_WINDOW.to + AFTER_WINDOW || over))
      this.conclude(over ? this.heard - SILENT_HOPS * this.detector.hop : this.heard);
    else if (this.undecided && (over || since >= STRUM_HEARD)) this.decide();
    else if (this.live.isDue(this.heard) && this.inDoubt < 0) this.follow(since);
    if (over) this.release(this.heard - SILENT_HOPS * this.detector.hop);
    else if (since > LONGEST_TRACK_S) this.release(this.heard);
  }

  /** Loud enough over the room to be a note. */
  private isLoud(): boolean {
    return this.detector.level > this.detector.floor + LEAST_OVER_FLOOR_DB;
  }

  private sayLevel(): void {
    this.emit({
      type: 'level',
      levelDbfs: this.detector.level,
      floorDbfs: this.detector.floor,
      peak: this.peak,
    });
    this.peak = 0;
  }

  /** A rise while a string rings may be a click in the room: what follows shows it. */
  private maybeBegin(): void {
    const at = this.heard - this.detector.hop;
    if (this.onset < 0 || !this.live.isKnown || at < this.live.doubtLasts) this.begin();
    else this.inDoubt = at;
  }

  /** Where the string of before rings on behind the rise, nothing was plucked. */
  private resolveDoubt(): void {
    const at = this.inDoubt;
    this.inDoubt = -1;
    if (!this.live.ringsOn(at)) this.begin(at);
  }

  private begin(from = this.heard - this.detector.hop): void {
    const at = Math.max(0, from);
    // Strings that follow each other in a strum that was asked for are no notes of their own.
    const sameStrum = this.strumAsked && at - this.onset < STRUM_WINDOW.from * this.rate;
    const end = at - Math.round(BEFORE_NEXT * this.rate);
    if (!this.concluded && !sameStrum) this.conclude(end);
    if (this.onset >= 0) this.release(end);
    this.onset = at;
    this.detector.ringing = true;
    this.tones.begin();
    this.inDoubt = -1;
    this.interrupted = false;
    this.room.reset();
    this.concluded = false;
    this.silentHops = 0;
    this.track.length = 0;
    this.turns.begin();
    this.clipped = false;
    this.live.begin(at);
    this.emit({ type: 'onset', at: this.timeOf(at), asked: this.askedAt(at) });
  }

  /** The note is over. */
  private release(end: number): void {
    this.decide();
    const last = this.turns.end(end, this.ringing());
    if (last?.kind === 'reading') this.sayRead(last);
    else if (last) this.say(this.outcomeEvent(last));
    this.onset = -1;
    this.detector.ringing = false;
    this.emit({ type: 'released', at: this.timeOf(this.heard) });
  }

  /** The next value of the live track. */
  private follow(since: Seconds): void {
    const tracked = this.live.follow(since, this.heard);
    if (!tracked) return;
    if (tracked.kind === 'other note') return this.begin(tracked.from);
    const { point } = tracked;
    if (!this.concluded) this.track.push(point.sinceOnset, point.hz);
    this.turns.add(point.sinceOnset, point.hz);
    const again = this.concluded ? this.turns.watch(point.sinceOnset, this.ringing()) : null;
    if (again) this.sayRead(again);
    this.emit({ type: 'track', point });
  }

  private conclude(end: number): void {
    this.concluded = true;
    const length = Math.min(end - this.onset, this.buffer.length);
    const seconds = Math.max(0, length) / this.rate;
    if (seconds < SHORTEST_PLUCK_S) return;
    const before = Math.min(
      this.onset,
      Math.round(BEFORE_S * this.rate),
      this.buffer.length - length,
    );
    this.copyFrom(this.onset - before, before + length);
    const loudest = peakDbfs(this.scratch, before, before + length);
    const talk = this.talkNow();
    const pluck = { samples: this.scratch, onset: before, end: before + length, talk };
    const outcome: PluckOutcome = this.interrupted
      ? { kind: 'interrupted' }
      : loudest < TOO_QUIET
        ? { kind: 'too quiet', levelDbfs: loudest }
        : this.analyser.analyse(pluck, this.strings);
    const sound = this.scratch.subarray(0, before + length);
    // Where nobody told of tunings, strings are wanted one by one.
    const sought = this.tunings.length > 0 && this.strings.length >= FEWEST_STRUMMED;
    this.several = mayBeStrum(outcome, sound, before, this.rate);
    if (this.strumAsked || (sought && this.several))
      this.undecided = this.outcomeEvent(outcome, seconds);
    else if (!this.interrupted && this.turns.wasTurned(seconds, outcome)) {
      const before = this.turns.readBefore(pluck, outcome, this.strings);
      if (before) this.sayRead(before);
    } else this.sayRead(outcome, seconds);
  }

  private outcomeEvent(
    outcome: PluckOutcome,
    length: Seconds = (this.heard - this.onset) / this.rate,
  ): Extract<ListenEvent, { type: 'outcome' }> {
    return {
      type: 'outcome',
      asked: this.askedAt(this.onset),
      start: this.timeOf(this.onset),
      length,
      outcome,
      ...(this.turns.wasRead && { again: true }),
      track: Float32Array.from(this.track),
      clipped: this.clipped,
    };
  }

  private sayRead(outcome: PluckOutcome, length?: Seconds): void {
    this.say(this.outcomeEvent(outcome, length));
    if (outcome.kind === 'reading') this.turns.noteReading(outcome);
  }

  /** The note that rings, for reading it again. */
  private ringing(): RingingNote {
    const { onset, heard, buffer } = this;
    const from = (start: number) => {
      this.copyFrom(start, heard - start);
      return {
        samples: this.scratch,
        onset: onset - start,
        end: heard - start,
        talk: this.talkNow(),
      };
    };
    return { onset, heard, oldest: heard - buffer.length, from };
  }

  private say(event: Extract<ListenEvent, { type: 'outcome' }>): void {
    this.noteTalk(event.outcome);
    this.emit(event);
  }

  /** A sound that may be a strum is heard out now: either all its strings, or what it is otherwise. */
  private decide(): void {
    const event = this.undecided;
    if (!event) return;
    this.undecided = null;
    const length = Math.min(this.heard - this.onset, Math.round(STRUM_HEARD * this.rate));
    this.copyFrom(this.onset, length);
    const { rate, strumAsked } = this;
    const samples = this.scratch.subarray(0, length);
    const strings = readStrum(samples, 0, rate, this.strings);
    // Of an instrument that nothing is known of the tuning is all there is to tell.
    const nothingKnown = strumAsked && this.strings.length === 0;
    const isOwn = strings !== null && (nothingKnown || isStrum(strings, strumAsked));
    // Strings of another instrument answer to none of this one’s: the tuning tells whose they may be.
    if (!isOwn && !(strumAsked && this.several)) return this.say(event);
    const own = this.strings.map(({ target }) => target.hz);
    const like = likeliest(tuningsLike(samples, 0, rate, this.tunings) ?? [], own);
    if ((nothingKnown || !isOwn) && like.length === 0) return this.say(event);
    this.strumAsked = false;
    const { asked, start } = event;
    this.emit({ type: 'strum', asked, start, strings: isOwn ? strings : [], like });
  }

  /** How much of what was heard of late was no string. */
  private talkNow(): number {
    return this.talk * Math.exp(-(this.onset - this.talkAt) / (TALK_LASTS * this.rate));
  }

  private noteTalk(outcome: PluckOutcome): void {
    const now = this.talkNow();
    const isTalk = outcome.kind === 'not sure' && outcome.reason !== 'weak';
    this.talk = isTalk ? now + 1 : outcome.kind === 'reading' ? now / 2 : now;
    this.talkAt = this.onset;
  }

  private askedAt(sample: number): number {
    return this.asked.findLast(({ from }) => from <= sample)?.what ?? 0;
  }

  private timeOf(sample: number): Seconds {
    return this.unheard + sample / this.rate;
  }

  private copyFrom(start: number, length: number): Float64Array {
    const { buffer, scratch } = this;
    for (let i = 0; i < length; i++) scratch[i] = nth64(buffer, (start + i) % buffer.length);
    return scratch;
  }
}

function peakDbfs(samples: Float64Array, from: number, to: number): Dbfs {
  let peak = 0;
  for (let i = from; i < to; i++) peak = Math.max(peak, Math.abs(nth64(samples, i)));
  return decibels(peak);
}

/** Reads every pluck of a whole signal. */
export function readPlucks(
  samples: Float32Array,
  sampleRate: Hz,
  strings: readonly StringKnowledge[] = [],
): Extract<ListenEvent, { type: 'outcome' }>[] {
  const outcomes: Extract<ListenEvent, { type: 'outcome' }>[] = [];
  const listener = new Listener(sampleRate, (event) => {
    if (event.type === 'outcome') outcomes.push(event);
  });
  listener.know(strings);
  const block = BLOCK;
  for (let i = 0; i < samples.length; i += block) listener.hear(samples.subarray(i, i + block));
  listener.finish();
  return outcomes;
}
