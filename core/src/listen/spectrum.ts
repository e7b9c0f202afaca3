import { decibels, powerOfTwo, RealFft } from '../maths/index.ts';
import type { Hz } from '../units.ts';
import { select } from './select.ts';

/** A tenfold amplitude is 20 dB. */
const DB_A_DECADE = 20;
/** The most peaks that are kept: the partials of three low strings at once come to some 120. */
export const MAX_PEAKS = 160;
/** The low quartile of noise's magnitudes (Rayleigh) lies this far below its median. */
const QUARTILE_TO_MEDIAN = 1.55;
/** Added before a logarithm or a division, so that digital silence has one: far below any signal. */
const NEXT_TO_NOTHING = 1e-12;
const LEAST_FLOOR = 1e-9;
/** No peak that counts is counted for less than this, in dB. */
const LEAST_EVIDENCE_DB = 3;
/** Nearer to its middle than this the window's response is 1, in bins. */
const MIDDLE = 1e-6;

/** A peak must stand this many times above the noise around it to count. */
const PEAK_OVER_FLOOR = 4;
/** … and lie no further than this below the strongest one (−62 dB). */
const PEAK_UNDER_TOP = 8e-4;
/** Evidence is counted in dB over the noise, but never over more than this range. */
const EVIDENCE_RANGE_DB = 46;
/** A decaying or gliding peak has skirts: within so many lobes, peaks so far below it are its own. */
const SKIRTS = [
  { lobes: 2.2, db: 13 },
  { lobes: 7, db: 28 },
] as const;
/** Noise is judged in bands of this relative width. */
const BAND_RATIO = 1.35;
/** … and at least so many lobes wide, so that a low string's partials leave gaps in each. */
const BAND_LOBES = 5;

/**
 * Hann-windowed magnitude spectrum of a stretch with its noise floor and peaks,
 * zero-padded to at least twice its length. All memory is taken at construction.
 */
export class Spectrum {
  readonly magnitude: Float64Array;
  readonly floor: Float64Array;
  /** Peaks by rising frequency: place in Hz, height, and height over the floor in dB. */
  readonly peakHz: Float64Array;
  readonly peakHeight: Float64Array;
  readonly peakDb: Float64Array;
  peakCount = 0;
  /** Width of one bin in Hz. */
  binHz = 1;
  /** Half width of the window's main lobe in Hz: closer peaks melt together. */
  lobeHz = 1;
  private readonly fft: RealFft;
  private readonly padded: Float64Array;
  private readonly window: Float64Array;
  private readonly keepPeak: Int32Array;
  private windowLength = 0;
  private windowSum = 1;
  private length = 0;

  constructor(
    maxLength: number,
    readonly sampleRate: Hz,
    private readonly maxPeaks = MAX_PEAKS,
  ) {
    this.fft = new RealFft(powerOfTwo(2 * maxLength));
    this.padded = new Float64Array(this.fft.size);
    this.window = new Float64Array(maxLength);
    this.magnitude = new Float64Array(this.fft.size / 2 + 1);
    this.floor = new Float64Array(this.fft.size / 2 + 1);
    this.peakHz = new Float64Array(maxPeaks);
    this.peakHeight = new Float64Array(maxPeaks);
    this.peakDb = new Float64Array(maxPeaks);
    this.keepPeak = new Int32Array(maxPeaks);
  }

  /** Analyses `length` samples from `offset`; magnitudes are those of sine amplitudes. */
  analyse(samples: Float64Array, offset: number, length: number): void {
    this.prepareWindow(length);
    const { padded, window, magnitude, fft } = this;
    let mean = 0;
    for (let i = 0; i < length; i++) mean += samples[offset + i]!;
    mean /= length;
    for (let i = 0; i < length; i++) padded[i] = (samples[offset + i]! - mean) * window[i]!;
    padded.fill(0, length);
    fft.transform(padded);
    const scale = 2 / this.windowSum;
    for (let k = 0; k < magnitude.length; k++)
      magnitude[k] = scale * Math.sqrt(fft.re[k]! ** 2 + fft.im[k]! ** 2);
    this.binHz = this.sampleRate / fft.size;
    this.lobeHz = (2 * this.sampleRate) / length;
    this.length = length;
    this.findFloor();
    this.findPeaks();
  }

  /**
   * Complex amplitude, at the middle of the stretch, of a sine near `hz`,
   * read from the nearest bin and corrected for its distance from it.
   */
  amplitudeAt(hz: Hz, out: { real: number; imag: number }): void {
    const { fft, length } = this;
    const bin = Math.round(hz / this.binHz);
    const off = ((hz / this.binHz - bin) * length) / fft.size;
    const gain = hannResponse(off) * (this.windowSum / 2);
    // The transform's phase refers to sample 0; the fit counts time from the middle.
    const turn = (2 * Math.PI * bin * ((length - 1) / 2)) / fft.size;
    const re = fft.re[bin]!;
    const im = fft.im[bin]!;
    out.real = (re * Math.cos(turn) - im * Math.sin(turn)) / gain;
    out.imag = (re * Math.sin(turn) + im * Math.cos(turn)) / gain;
  }

  private prepareWindow(length: number): void {
    if (length === this.windowLength) return;
    let sum = 0;
    for (let i = 0; i < length; i++) {
      const w = 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / length);
      this.window[i] = w;
      sum += w;
    }
    this.windowLength = length;
    this.windowSum = sum;
  }

  /** The floor of a band is the low quartile of its magnitudes, raised to their median for noise. */
  private findFloor(): void {
    const { magnitude, floor, padded } = this;
    const last = magnitude.length - 1;
    const least = Math.ceil((BAND_LOBES * this.lobeHz) / this.binHz);
    let from = 1;
    while (from <= last) {
      const to = Math.min(last, Math.max(from + least, Math.floor(from * BAND_RATIO)));
      const count = to - from + 1;
      for (let k = from; k <= to; k++) padded[k - from] = magnitude[k]!;
      const quartile = select(padded, count, count >> 2) * QUARTILE_TO_MEDIAN;
      floor.fill(Math.max(quartile, LEAST_FLOOR), from, to + 1);
      from = to + 1;
    }
    floor[0] = floor[1]!;
  }

  private findPeaks(): void {
    const { magnitude, floor, binHz } = this;
    let top = 0;
    for (let k = 2; k < magnitude.length - 1; k++) if (magnitude[k]! > top) top = magnitude[k]!;
    const least = top * PEAK_UNDER_TOP;
    const evidenceFrom = top / 10 ** (EVIDENCE_RANGE_DB / DB_A_DECADE);
    this.peakCount = 0;
    for (let k = 2; k < magnitude.length - 1 && this.peakCount < this.maxPeaks; k++) {
      const m = magnitude[k]!;
      if (m < least || m < PEAK_OVER_FLOOR * floor[k]!) continue;
      if (m <= magnitude[k - 1]! || m < magnitude[k + 1]!) continue;
      const a = Math.log(magnitude[k - 1]! + NEXT_TO_NOTHING);
      const b = Math.log(m);
      const c = Math.log(magnitude[k + 1]! + NEXT_TO_NOTHING);
      const shift = (0.5 * (a - c)) / (a - 2 * b + c);
      const p = this.peakCount++;
      this.peakHz[p] = (k + shift) * binHz;
      this.peakHeight[p] = m;
      this.peakDb[p] = decibels(m / Math.max(floor[k]!, evidenceFrom));
    }
    this.dropSkirts();
  }

  private dropSkirts(): void {
    const { peakHz, peakHeight, peakDb } = this;
    let kept = 0;
    for (let p = 0; p < this.peakCount; p++) {
      if (this.isSkirt(p)) continue;
      this.keepPeak[kept++] = p;
    }
    for (let i = 0; i < kept; i++) {
      const p = this.keepPeak[i]!;
      peakHz[i] = peakHz[p]!;
      peakHeight[i] = peakHeight[p]!;
      peakDb[i] = Math.max(LEAST_EVIDENCE_DB, peakDb[p]!);
    }
    this.peakCount = kept;
  }

  private isSkirt(p: number): boolean {
    const { peakHz, peakHeight, lobeHz } = this;
    const reach = SKIRTS[1].lobes * lobeHz;
    for (let step = -1; step <= 1; step += 2)
      for (let q = p + step; q >= 0 && q < this.peakCount; q += step) {
        const distance = Math.abs(peakHz[q]! - peakHz[p]!);
        if (distance > reach) break;
        const below = decibels(peakHeight[q]! / peakHeight[p]!);
        for (const skirt of SKIRTS)
          if (distance < skirt.lobes * lobeHz && below > skirt.db) return true;
      }
    return false;
  }

  /** Index of the peak nearest to `hz`, or −1 if none lies within `tolerance` Hz. */
  nearestPeak(hz: Hz, tolerance: Hz): number {
    let low = 0;
    let high = this.peakCount;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.peakHz[middle]! < hz) low = middle + 1;
      else high = middle;
    }
    let best = -1;
    let distance = tolerance;
    for (let p = low - 1; p <= low; p++) {
      if (p < 0 || p >= this.peakCount) continue;
      const d = Math.abs(this.peakHz[p]! - hz);
      if (d <= distance) {
        distance = d;
        best = p;
      }
    }
    return best;
  }
}

/** Response of the Hann window `bins` (of the unpadded transform) away from its middle. */
function hannResponse(bins: number): number {
  if (Math.abs(bins) < MIDDLE) return 1;
  const x = Math.PI * bins;
  return Math.sin(x) / x / (1 - bins * bins);
}
