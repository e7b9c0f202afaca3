import type { Dbfs, Hz, Seconds } from '../units.ts';
import { powerOfTwo } from './fft.ts';
import { Spectrum } from './spectrum.ts';

/** A room is judged from this much sound without a note in it. */
const WINDOW_S: Seconds = 0.7;
const HUM_AT_LEAST: Dbfs = -74;
const TONE_AT_LEAST: Dbfs = -66;
const TONE_OVER_FLOOR = 22;

/** What was heard of the room between the notes. */
export interface RoomReport {
  /** The mains frequency whose hum stands out, or null. */
  readonly humHz: 50 | 60 | null;
  readonly humDbfs: Dbfs;
  /** Steady tones that are no hum: somebody else plays, or a machine sings. */
  readonly tones: readonly Hz[];
}

/** Judges the room from decimated samples heard while no string rings. */
export class RoomWatcher {
  private readonly buffer: Float64Array;
  private readonly spectrum: Spectrum;
  private filled = 0;

  constructor(sampleRate: Hz) {
    const length = Math.min(powerOfTwo(WINDOW_S * sampleRate), Math.round(WINDOW_S * sampleRate));
    this.buffer = new Float64Array(length);
    this.spectrum = new Spectrum(length, sampleRate);
  }

  /** Forgets what was collected: a note began. */
  reset(): void {
    this.filled = 0;
  }

  /** Takes one sample; answers a report whenever the window is full, null otherwise. */
  push(sample: number): RoomReport | null {
    this.buffer[this.filled++] = sample;
    if (this.filled < this.buffer.length) return null;
    this.filled = 0;
    this.spectrum.analyse(this.buffer, 0, this.buffer.length);
    return this.judge();
  }

  private judge(): RoomReport {
    const fifty = this.humOf(50);
    const sixty = this.humOf(60);
    const mains = fifty > sixty ? 50 : 60;
    const humDbfs = Math.max(fifty, sixty);
    const tones: Hz[] = [];
    const { spectrum } = this;
    for (let p = 0; p < spectrum.peakCount && tones.length < 6; p++) {
      const hz = spectrum.peakHz[p]!;
      const db = decibel(spectrum.peakHeight[p]!);
      const isHum = Math.abs(hz - mains * Math.round(hz / mains)) < 1.5 && hz < 12.5 * mains;
      if (hz > 70 && !isHum && db > TONE_AT_LEAST && spectrum.peakDb[p]! > TONE_OVER_FLOOR)
        tones.push(hz);
    }
    return { humHz: humDbfs > HUM_AT_LEAST ? mains : null, humDbfs, tones };
  }

  /** Level of the strongest of the first three lines of a mains frequency that stand out. */
  private humOf(mains: number): Dbfs {
    let best = -120;
    for (const n of [1, 2, 3]) {
      const p = this.spectrum.nearestPeak(n * mains, 1.5);
      if (p >= 0) best = Math.max(best, decibel(this.spectrum.peakHeight[p]!));
    }
    return best;
  }
}

function decibel(amplitude: number): Dbfs {
  return 20 * Math.log10(Math.max(amplitude, 1e-9) / Math.SQRT2);
}
