import { Decimator } from '../listen/index.ts';
import { median, nth, nth64 } from '../maths/index.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';

/** Bound once: loops this long must not look it up at every step. */
const read = nth64;

/** From a bass to a child. */
const LOWEST: Hz = 62;
const HIGHEST: Hz = 1100;
/** Five periods of the lowest voice. */
const FRAME: Seconds = 0.085;
const STEP: Seconds = 0.02;
/** So much of a frame repeats itself before it is a voice. */
const CLEAR = 0.8;
/** The shortest period that repeats almost as well as the best is the pitch (McLeod and Wyvill 2005). */
const ALMOST = 0.95;
/** Below this nobody sings, RMS. */
const QUIET = 0.003;

/** What was sung, at a moment; null where it was no voice. */
export interface SungFrame {
  readonly at: Seconds;
  readonly hz: Hz | null;
}

/** Follows one voice: its pitch fifty times a second, by how a frame repeats itself. Never used for strings. */
export class VoiceFollower {
  private readonly decimator: Decimator;
  private readonly rate: Hz;
  private readonly frame: Float64Array;
  private readonly likeness: Float64Array;
  private readonly step: number;
  private filled = 0;
  private heard = 0;

  constructor(
    sampleRate: Hz,
    private readonly told: (frame: SungFrame) => void,
  ) {
    this.decimator = new Decimator(sampleRate);
    this.rate = this.decimator.outputRate;
    this.frame = new Float64Array(Math.round(FRAME * this.rate));
    this.likeness = new Float64Array(Math.ceil(this.rate / LOWEST) + 2);
    this.step = Math.round(STEP * this.rate);
  }

  hear(samples: Float32Array): void {
    this.decimator.process(samples, (x) => {
      this.frame[this.filled++] = x;
      this.heard++;
      if (this.filled < this.frame.length) return;
      this.told({ at: (this.heard - this.frame.length / 2) / this.rate, hz: this.pitch() });
      this.frame.copyWithin(0, this.step);
      this.filled -= this.step;
    });
  }

  private pitch(): Hz | null {
    const { frame, likeness } = this;
    let power = 0;
    for (let i = 0; i < frame.length; i++) power += read(frame, i) ** 2;
    if (Math.sqrt(power / frame.length) < QUIET) return null;
    for (let lag = 0; lag < likeness.length; lag++) likeness[lag] = this.alike(lag);
    const least = Math.floor(this.rate / HIGHEST);
    const tops: { readonly lag: number; readonly height: number }[] = [];
    for (let lag = least; lag + 1 < likeness.length; lag++)
      if (this.isTop(lag)) tops.push({ lag, height: this.heightAt(lag) });
    const best = Math.max(...tops.map(({ height }) => height));
    if (!(best > CLEAR)) return null;
    const first = tops.find(({ height }) => height >= ALMOST * best);
    return first === undefined ? null : this.rate / this.refined(first.lag);
  }

  /** How a frame repeats itself after a lag, −1 to 1. */
  private alike(lag: number): number {
    const { frame } = this;
    let product = 0;
    let squares = 0;
    for (let i = 0; i + lag < frame.length; i++) {
      const a = read(frame, i);
      const b = read(frame, i + lag);
      product += a * b;
      squares += a * a + b * b;
    }
    return squares > 0 ? (2 * product) / squares : 0;
  }

  private isTop(lag: number): boolean {
    const here = read(this.likeness, lag);
    return here >= read(this.likeness, lag - 1) && here > read(this.likeness, lag + 1);
  }

  /** How high a top is between samples: of a high voice it lies far from both. */
  private heightAt(lag: number): number {
    const { likeness } = this;
    const [before, after] = [read(likeness, lag - 1), read(likeness, lag + 1)];
    const here = read(likeness, lag);
    return here + (vertex(before, here, after) * (after - before)) / 4;
  }

  /** A period to a fraction of a sample: by the furthest of its multiples that the frame holds. */
  private refined(lag: number): number {
    let period = this.between(lag);
    for (let times = 2; times * period + 1 < this.frame.length / 2; times++) {
      const near = Math.round(times * period);
      const lags = [near - 1, near, near + 1];
      const [before, here, after] = lags.map((one) => this.alike(one));
      if (before === undefined || here === undefined || after === undefined) break;
      if (here < before || here < after || here < CLEAR) break;
      period = (near + vertex(before, here, after)) / times;
    }
    return period;
  }

  private between(lag: number): number {
    const { likeness } = this;
    return lag + vertex(read(likeness, lag - 1), read(likeness, lag), read(likeness, lag + 1));
  }
}

/** Where a parabola through three points has its top, from the middle one. */
function vertex(before: number, here: number, after: number): number {
  const bend = before - 2 * here + after;
  return bend < 0 ? (before - after) / (2 * bend) : 0;
}

/** One note that was sung, against the one that was asked for. */
export interface Sung {
  /** From the nearest octave of the note. */
  readonly cents: Cents;
  /** How many octaves above the note it was, below where negative. */
  readonly octaves: number;
  readonly errorCents: Cents;
  /** How far it swung about its middle. */
  readonly swing: Cents;
}

/** A note is held so long before it is read; vibrato swings five times a second or more. */
const HELD: Seconds = 0.8;
/** It may scoop for so long before it counts. */
const ARRIVES: Seconds = 0.3;
/** A note goes on over so long without a pitch. */
const LONGEST_GAP: Seconds = 0.1;
/** A frame further from the middle than this is another note, or no voice. */
const SAME: Cents = 150;
/** What following one voice leaves open, cents. */
const LEAST_ERROR: Cents = 1.5;
const OCTAVE: Cents = 1200;

/**
 * What a held note was, from the newest frames: its mean over the vibrato. Null before somebody has held one long enough.
 */
export function sungIn(frames: readonly SungFrame[], asked: Hz): Sung | null {
  const note = heldNote(frames);
  if (!note) return null;
  const cents = note.map((hz) => centsBetween(asked, hz));
  const middle = cents.reduce((sum, one) => sum + one, 0) / cents.length;
  const spread = Math.sqrt(cents.reduce((sum, one) => sum + (one - middle) ** 2, 0) / cents.length);
  const octaves = Math.round(middle / OCTAVE);
  return {
    cents: middle - OCTAVE * octaves,
    octaves,
    errorCents: Math.hypot(LEAST_ERROR, spread / Math.sqrt(cents.length / 4)),
    swing: Math.SQRT2 * spread,
  };
}

/** The pitches of the last note that was held long enough, without its scoop; a frame that failed does not end it. */
function heldNote(frames: readonly SungFrame[]): Hz[] | null {
  const notes: SungFrame[][] = [];
  for (const frame of frames) {
    if (frame.hz === null) continue;
    const note = notes.at(-1);
    const gap = frame.at - (note?.at(-1)?.at ?? Number.NEGATIVE_INFINITY);
    if (note && gap <= LONGEST_GAP) note.push(frame);
    else notes.push([frame]);
  }
  for (const note of notes.reverse()) {
    const from = nth(note, 0).at + ARRIVES;
    const held = note.flatMap(({ at, hz }) => (at >= from && hz !== null ? [hz] : []));
    if (held.length < HELD / STEP) continue;
    const middle = median(held);
    const same = held.filter((hz) => Math.abs(centsBetween(middle, hz)) < SAME);
    if (same.length >= HELD / STEP) return same;
  }
  return null;
}
