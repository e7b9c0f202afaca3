import { MAX_PEAKS, type Spectrum } from './spectrum.ts';

/** A peak must stand this many times above what was there before the onset to be new. */
const NEW_OVER_OLD = 1.5;

/**
 * The peaks that sounded before a pluck (hum, a string that rings along, somebody
 * else's note), so that the search for the plucked string's pitch can leave them out.
 */
export class Background {
  private readonly hz = new Float64Array(MAX_PEAKS);
  private readonly height = new Float64Array(MAX_PEAKS);
  private readonly old = new Uint8Array(MAX_PEAKS);
  private count = 0;

  forget(): void {
    this.count = 0;
  }

  /** Takes over the peaks of a spectrum of the moments before the onset. */
  learn(spectrum: Spectrum): void {
    this.count = Math.min(spectrum.peakCount, this.hz.length);
    for (let p = 0; p < this.count; p++) {
      this.hz[p] = spectrum.peakHz[p]!;
      this.height[p] = spectrum.peakHeight[p]!;
    }
  }

  /** Marks with 1 every peak of a spectrum that is no louder than it was before. */
  mark(spectrum: Spectrum): Uint8Array {
    const { old } = this;
    old.fill(0);
    for (let p = 0; p < spectrum.peakCount; p++)
      for (let q = 0; q < this.count; q++)
        if (
          Math.abs(spectrum.peakHz[p]! - this.hz[q]!) < 0.5 * spectrum.lobeHz &&
          spectrum.peakHeight[p]! < NEW_OVER_OLD * this.height[q]!
        )
          old[p] = 1;
    return old;
  }
}
