import { nth64 } from '../maths/index.ts';
import type { Dbfs, Hz } from '../units.ts';

/** Levels before anything was heard. */
const SILENCE: Dbfs = -120;
const FIRST_FLOOR: Dbfs = -90;
/** Below every level: nothing was heard yet that could be risen over. */
const NOTHING: Dbfs = -200;
/** Longer ago than any dead time. */
const LONG_AGO = 1e9;
/** Less than this over the room is silence, in dB. */
const SILENT_WITHIN_DB = 5;
/** A jump compares two hops with the four before them. */
const JUMP_HOPS = 4;
/** Keeps the logarithm of digital silence finite: −120 dB. */
const LEAST_POWER = 1e-12;

/** Energy is judged in hops of this length, in seconds. */
const HOP_S = 0.0053;
/** A pluck lifts the energy at least this far over the last moments, in dB. */
const RISE_DB = 6.5;
/** … and stands at least this far over the noise of the room, in dB. */
const OVER_FLOOR_DB = 10;
/** A string struck while it rings lifts both energies at least this far, two hops against four. */
const JUMP_DB = 4;
/** Two plucks are never closer than this, in seconds. */
const DEAD_TIME_S = 0.09;
/** Hops that are looked back over; of a string whose period is longer, its period and a quarter. */
const LOOK_BACK = 6;
const PERIODS_BACK = 1.25;
/** Enough for a period of 16 Hz. */
const MOST_BACK = 16;
/** Slower movement than this is an offset that drifts, in Hz. */
const LOWEST_SOUND = 8;
/** No room is taken to be quieter than this. */
const LOWEST_FLOOR: Dbfs = -88;
/** Nothing is an onset before the first moments have shown the room. */
const SETTLE_HOPS = 24;
/** How the floor follows: share of the way down per hop, dB per second upward. */
const FALL_SHARE = 0.25;
const RISE_DB_PER_S = 7;

/** What the detector says of the hop it just finished. */
export type HopEvent = 'none' | 'onset' | 'silent';

/**
 * Finds plucks in a stream of decimated samples by sudden rises of energy, of
 * the signal itself or of its difference: an attack stands out in the latter
 * from hum and from a note that still rings, in the former from hiss.
 */
export class OnsetDetector {
  readonly hop: number;
  /** Level of the last hop and of the room, dB against full scale. */
  level: Dbfs = SILENCE;
  floor: Dbfs = FIRST_FLOOR;
  private readonly recent = new Float64Array(MOST_BACK).fill(SILENCE);
  private readonly recentEdge = new Float64Array(MOST_BACK).fill(SILENCE);
  private lookBack = LOOK_BACK;
  /** Set by the listener while a note rings. */
  ringing = false;
  private edgeFloor: Dbfs = FIRST_FLOOR;
  private hops = 0;
  private at = 0;
  private filled = 0;
  private energy = 0;
  private edgeEnergy = 0;
  private previous = 0;
  /** Where the signal rests: a device's constant offset is no sound. */
  private rest = 0;
  private readonly follow: number;
  private sinceOnset = LONG_AGO;

  constructor(sampleRate: Hz) {
    this.hop = Math.round(HOP_S * sampleRate);
    this.follow = (2 * Math.PI * LOWEST_SOUND) / sampleRate;
  }

  /** No string is lower than this: within its period energy comes and goes without a pluck. */
  know(lowest: Hz): void {
    const hops = Math.ceil(PERIODS_BACK / (lowest * HOP_S));
    this.lookBack = Math.max(LOOK_BACK, Math.min(MOST_BACK - 1, hops));
  }

  /** Takes one sample; answers at the end of each hop, null between. */
  push(sample: number): HopEvent | null {
    if (this.hops === 0 && this.filled === 0) this.rest = sample;
    this.rest += this.follow * (sample - this.rest);
    const moving = sample - this.rest;
    const edge = sample - this.previous;
    this.previous = sample;
    this.energy += moving * moving;
    this.edgeEnergy += edge * edge;
    if (++this.filled < this.hop) return null;
    const level = decibel(this.energy / this.hop);
    const edgeLevel = decibel(this.edgeEnergy / this.hop);
    this.filled = 0;
    this.energy = 0;
    this.edgeEnergy = 0;
    return this.judge(level, edgeLevel);
  }

  private judge(level: Dbfs, edgeLevel: Dbfs): HopEvent {
    this.level = level;
    this.learnFloor(level, edgeLevel);
    const rises =
      this.isRise(level, this.floor, this.recent) ||
      this.isRise(edgeLevel, this.edgeFloor, this.recentEdge) ||
      (level > this.floor + OVER_FLOOR_DB &&
        this.jump(level, this.recent) > JUMP_DB &&
        this.jump(edgeLevel, this.recentEdge) > JUMP_DB);
    this.recent[this.at % MOST_BACK] = level;
    this.recentEdge[this.at++ % MOST_BACK] = edgeLevel;
    this.sinceOnset++;
    if (rises && this.hops > SETTLE_HOPS && this.sinceOnset * HOP_S > DEAD_TIME_S) {
      this.sinceOnset = 0;
      return 'onset';
    }
    return level < this.floor + SILENT_WITHIN_DB ? 'silent' : 'none';
  }

  private isRise(level: Dbfs, floor: Dbfs, recent: Float64Array): boolean {
    const before = this.loudest(recent, 1, this.lookBack);
    return level > floor + OVER_FLOOR_DB && level > before + RISE_DB;
  }

  /** How far the last two hops stand over the four before them, in dB; where a period is longer, over the loudest of it. */
  private jump(level: Dbfs, recent: Float64Array): number {
    const now = (level + this.ago(recent, 1)) / 2;
    if (this.lookBack > LOOK_BACK) return now - this.loudest(recent, 2, 1 + this.lookBack);
    let before = 0;
    for (let back = 2; back < 2 + JUMP_HOPS; back++) before += this.ago(recent, back) / JUMP_HOPS;
    return now - before;
  }

  private loudest(recent: Float64Array, from: number, to: number): Dbfs {
    let loudest = NOTHING;
    for (let back = from; back <= to; back++) loudest = Math.max(loudest, this.ago(recent, back));
    return loudest;
  }

  /** The level so many hops ago. */
  private ago(recent: Float64Array, back: number): Dbfs {
    return nth64(recent, (this.at + MOST_BACK - back) % MOST_BACK);
  }

  /** The room is learned quickly downward, slowly upward, and not at all while a note rings. */
  private learnFloor(level: Dbfs, edgeLevel: Dbfs): void {
    this.floor = this.nextFloor(this.floor, level);
    this.edgeFloor = this.nextFloor(this.edgeFloor, edgeLevel);
    this.hops++;
  }

  private nextFloor(floor: Dbfs, level: Dbfs): Dbfs {
    if (this.hops < SETTLE_HOPS)
      return Math.max(LOWEST_FLOOR, this.hops === 0 ? level : Math.max(floor, level));
    if (level < floor) return Math.max(LOWEST_FLOOR, floor + FALL_SHARE * (level - floor));
    return this.ringing ? floor : Math.min(level, floor + RISE_DB_PER_S * HOP_S);
  }
}

function decibel(power: number): Dbfs {
  return 10 * Math.log10(Math.max(power, LEAST_POWER));
}
