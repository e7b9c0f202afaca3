import { nth, nth64 } from '../maths/index.ts';
import type { Cents } from '../units.ts';

/** The pitches that are thought of stand so far apart. */
const STEP: Cents = 10;
/** From where a string that hangs slack is looked for, and how far above its note. */
const RANGE = { low: -2700, high: 500 } as const satisfies Record<string, Cents>;
export const PITCHES = Math.round((RANGE.high - RANGE.low) / STEP) + 1;
/** How fast a hand winds, in cents a second; below 0 it lets down, or a hard pluck dies away. */
export const RATES: readonly number[] = [-400, -150, 0, 150, 300, 450, 600];
/** B against the one that is expected, as factors. */
export const STIFFER: readonly number[] = [0.3, 0.55, 1, 1.8, 3.3];
/** Share of a hop's belief that takes another pace, that wanders to the next pitch, that jumps near by (a pluck, a string that slips in its slot), that may be anywhere. */
const CHANCE = { pace: 0.15, wander: 0.04, leap: 0.01, anywhere: 1e-10 } as const;
const LEAP: Cents = 200;
/** A string that is put on stands so much more seldom above its note, before anything is heard. */
const ABOVE = 0.3;
/** Variance of what is spread evenly over a step. */
const WITHIN_STEP = STEP ** 2 / 12;
/** Only what is believed this much more than anything else is a pitch. */
const TOGETHER: Cents = 60;

export const pitchAt = (i: number): Cents => RANGE.low + i * STEP;

/** What is believed of a string that is wound up. */
export interface WindingBelief {
  /** Against its note. */
  readonly cents: Cents;
  readonly errorCents: Cents;
  /** Share of belief within 60 cents of it. */
  readonly share: number;
  /** Cents a second. */
  readonly rate: number;
}

/**
 * What a string that is being wound may sound: a belief over pitch, pace and stiffness, moved
 * on with time and weighed by every frame (a forward filter of a hidden Markov model; Rabiner
 * 1989). A string cannot be in one octave and a moment later in another, and its stiffness
 * falls with the square of its pitch: so octaves are told apart even where one frame cannot.
 */
export class Winding {
  /** Belief by stiffness, pace, pitch. */
  private now: Float64Array;
  private next: Float64Array;
  private readonly sum = new Float64Array(PITCHES);

  /** @param sigmaB how uncertain ln B is */
  constructor(sigmaB: number) {
    const states = STIFFER.length * RATES.length * PITCHES;
    this.now = new Float64Array(states);
    this.next = new Float64Array(states);
    STIFFER.forEach((factor, m) => {
      const likely = Math.exp(-0.5 * (Math.log(factor) / sigmaB) ** 2);
      for (let r = 0; r < RATES.length; r++)
        for (let i = 0; i < PITCHES; i++)
          this.now[(m * RATES.length + r) * PITCHES + i] = likely * (pitchAt(i) > 0 ? ABOVE : 1);
    });
    this.normalise();
  }

  /** Belief in a pitch of one stiffness, at whatever pace. */
  share(stiffer: number, pitch: number): number {
    let sum = 0;
    for (let r = 0; r < RATES.length; r++)
      sum += nth64(this.now, (stiffer * RATES.length + r) * PITCHES + pitch);
    return sum;
  }

  /** Moves on by a time in seconds: pitches go at their pace, some change it. */
  elapse(seconds: number): void {
    const { now, next } = this;
    next.fill(0);
    const rates = RATES.length;
    for (let m = 0; m < STIFFER.length; m++) {
      for (let i = 0; i < PITCHES; i++) {
        let all = 0;
        for (let r = 0; r < rates; r++) all += nth64(now, (m * rates + r) * PITCHES + i);
        const shared = (CHANCE.pace * all) / rates;
        for (let r = 0; r < rates; r++) {
          const belief = (1 - CHANCE.pace) * nth64(now, (m * rates + r) * PITCHES + i) + shared;
          const to = i + (nth(RATES, r) * seconds) / STEP;
          this.put((m * rates + r) * PITCHES, to, belief);
        }
      }
      for (let r = 0; r < rates; r++) this.spread((m * rates + r) * PITCHES);
    }
    this.now = next;
    this.next = now;
    this.normalise();
  }

  /** Weighs it by how likely a frame makes each: `likelihood(stiffness, pace, pitch)` by their numbers. */
  weigh(likelihood: (stiffer: number, rate: number, pitch: number) => number): void {
    const { now } = this;
    let at = 0;
    for (let m = 0; m < STIFFER.length; m++)
      for (let r = 0; r < RATES.length; r++)
        for (let i = 0; i < PITCHES; i++) now[at++]! *= likelihood(m, r, i);
    this.normalise();
  }

  /** The likeliest pitch. */
  best(): WindingBelief {
    const { now, sum } = this;
    sum.fill(0);
    for (let at = 0; at < now.length; at++) sum[at % PITCHES]! += nth64(now, at);
    const reach = TOGETHER / STEP;
    let top = 0;
    for (let i = 0; i < PITCHES; i++) if (nth64(sum, i) > nth64(sum, top)) top = i;
    let share = 0;
    let first = 0;
    let second = 0;
    let rate = 0;
    for (let i = Math.max(0, top - reach); i <= Math.min(PITCHES - 1, top + reach); i++) {
      share += nth64(sum, i);
      first += nth64(sum, i) * pitchAt(i);
      second += nth64(sum, i) * pitchAt(i) ** 2;
      for (let m = 0; m < STIFFER.length; m++)
        for (let r = 0; r < RATES.length; r++)
          rate += nth64(now, (m * RATES.length + r) * PITCHES + i) * nth(RATES, r);
    }
    const cents = first / share;
    const variance = Math.max(0, second / share - cents ** 2) + WITHIN_STEP;
    return { cents, errorCents: Math.sqrt(variance), share, rate: rate / share };
  }

  private put(base: number, to: number, belief: number): void {
    const low = Math.floor(to);
    const share = to - low;
    const { next } = this;
    next[base + Math.min(PITCHES - 1, Math.max(0, low))]! += belief * (1 - share);
    next[base + Math.min(PITCHES - 1, Math.max(0, low + 1))]! += belief * share;
  }

  /** Wandering, leaps, and the small doubt that it may be anywhere. */
  private spread(base: number): void {
    const { next, sum } = this;
    const reach = LEAP / STEP;
    let total = 0;
    for (let i = 0; i < PITCHES; i++) {
      sum[i] = nth64(next, base + i);
      total += nth64(sum, i);
    }
    const { wander, leap, anywhere } = CHANCE;
    let near = 0;
    for (let i = 0; i < reach; i++) near += nth64(sum, i);
    for (let i = 0; i < PITCHES; i++) {
      if (i + reach < PITCHES) near += nth64(sum, i + reach);
      if (i > reach) near -= nth64(sum, i - reach - 1);
      const beside = nth64(sum, Math.max(0, i - 1)) + nth64(sum, Math.min(PITCHES - 1, i + 1));
      next[base + i] =
        (1 - wander - leap - anywhere) * nth64(sum, i) +
        (wander / 2) * beside +
        (leap * near) / (2 * reach + 1) +
        (anywhere * total) / PITCHES;
    }
  }

  private normalise(): void {
    const { now } = this;
    let total = 0;
    for (let i = 0; i < now.length; i++) total += nth64(now, i);
    for (let i = 0; i < now.length; i++) now[i]! /= total;
  }
}
