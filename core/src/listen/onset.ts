import type { Dbfs, Hz } from '../units.ts';

/** Energy is judged in hops of this length, in seconds. */
const HOP_S = 0.0053;
/** A pluck lifts the energy at least this far over the last moments, in dB. */
const RISE_DB = 7;
/** … and stands at least this far over the noise of the room, in dB. */
const OVER_FLOOR_DB = 12;
/** Two plucks are never closer than this, in seconds. */
const DEAD_TIME_S = 0.09;
const LOOK_BACK = 5;
const FLOOR_MEMORY = 560;

/** What the detector says of the hop it just finished. */
export type HopEvent = 'none' | 'onset' | 'silent';

/**
 * Finds plucks in a stream of decimated samples by sudden rises of energy.
 * The signal is differenced first, so that an attack stands out from hum and
 * from a note that still rings.
 */
export class OnsetDetector {
  readonly hop: number;
  /** Level of the last hop and of the room, dB against full scale. */
  level: Dbfs = -120;
  floor: Dbfs = -90;
  private readonly recent = new Float64Array(LOOK_BACK).fill(-120);
  private readonly past = new Float64Array(FLOOR_MEMORY);
  private pastCount = 0;
  private edgeFloor = -90;
  private readonly edges = new Float64Array(FLOOR_MEMORY);
  private at = 0;
  private filled = 0;
  private energy = 0;
  private edgeEnergy = 0;
  private previous = 0;
  private sinceOnset = 1e9;

  constructor(sampleRate: Hz) {
    this.hop = Math.round(HOP_S * sampleRate);
  }

  /** Takes one sample; answers at the end of each hop, null between. */
  push(sample: number): HopEvent | null {
    const edge = sample - this.previous;
    this.previous = sample;
    this.energy += sample * sample;
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
    let before = -200;
    for (const value of this.recent) before = Math.max(before, value);
    this.recent[this.at++ % LOOK_BACK] = edgeLevel;
    this.sinceOnset++;
    const loud = edgeLevel > this.edgeFloor + OVER_FLOOR_DB;
    if (
      loud &&
      edgeLevel > before + RISE_DB &&
      this.sinceOnset * this.hop > (DEAD_TIME_S / HOP_S) * this.hop
    ) {
      this.sinceOnset = 0;
      return 'onset';
    }
    return level < this.floor + 5 ? 'silent' : 'none';
  }

  /** The room is what the quietest tenth of the last three seconds sounds like. */
  private learnFloor(level: Dbfs, edgeLevel: Dbfs): void {
    const slot = this.pastCount++ % FLOOR_MEMORY;
    this.past[slot] = level;
    this.edges[slot] = edgeLevel;
    if (this.pastCount % 16 !== 0 && this.pastCount > 16) return;
    const count = Math.min(this.pastCount, FLOOR_MEMORY);
    this.floor = quantile(this.past, count);
    this.edgeFloor = quantile(this.edges, count);
  }
}

function decibel(power: number): Dbfs {
  return 10 * Math.log10(Math.max(power, 1e-12));
}

function quantile(values: Float64Array, count: number): number {
  const sorted = values.slice(0, count).sort();
  return sorted[Math.floor(count * 0.1)]!;
}
