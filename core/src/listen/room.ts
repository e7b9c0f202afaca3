import { decibels, nth64, powerOfTwo } from '../maths/index.ts';
import type { Dbfs, Hz, Seconds } from '../units.ts';
import { Spectrum } from './spectrum.ts';

/** Frequencies of the mains, in Hz; hum is looked for at so many of their multiples. */
const MAINS = [50, 60] as const;
const HUM_LINES = [1, 2, 3] as const;
/** A line this near a multiple of the mains, up to so many times it, is hum. */
const HUM = { within: 1.5, upTo: 12.5 } as const;
/** Below this a steady tone is rumble, in Hz. */
const LOWEST_TONE: Hz = 70;
/** More tones than this say no more than that it is loud. */
const MOST_TONES = 6;
const SILENCE: Dbfs = -120;

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
    const [fifty, sixty] = [this.humOf(MAINS[0]), this.humOf(MAINS[1])];
    const mains = fifty > sixty ? MAINS[0] : MAINS[1];
    const humDbfs = Math.max(fifty, sixty);
    const tones: Hz[] = [];
    const { spectrum } = this;
    for (let p = 0; p < spectrum.peakCount && tones.length < MOST_TONES; p++) {
      const hz = nth64(spectrum.peakHz, p);
      const db = decibel(nth64(spectrum.peakHeight, p));
      const isHum =
        Math.abs(hz - mains * Math.round(hz / mains)) < HUM.within && hz < HUM.upTo * mains;
      if (
        hz > LOWEST_TONE &&
        !isHum &&
        db > TONE_AT_LEAST &&
        nth64(spectrum.peakDb, p) > TONE_OVER_FLOOR
      )
        tones.push(hz);
    }
    return { humHz: humDbfs > HUM_AT_LEAST ? mains : null, humDbfs, tones };
  }

  /** Level of the strongest of the first three lines of a mains frequency that stand out. */
  private humOf(mains: number): Dbfs {
    let best = SILENCE;
    for (const n of HUM_LINES) {
      const p = this.spectrum.nearestPeak(n * mains, HUM.within);
      if (p >= 0) best = Math.max(best, decibel(nth64(this.spectrum.peakHeight, p)));
    }
    return best;
  }
}

function decibel(amplitude: number): Dbfs {
  return decibels(amplitude / Math.SQRT2);
}
