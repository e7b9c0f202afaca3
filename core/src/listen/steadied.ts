import { nth64 } from '../maths/index.ts';
import type { Hz, Seconds } from '../units.ts';

/** A change of pitch this small, in factors of e a second, needs no stretching. */
const STANDS = 1e-6;
/** Samples beside a place that its value is drawn from. */
const BESIDE = 2;

/**
 * A frame in which a pitch that rises evenly stands still, at the pitch of its end.
 *
 * A tone of ω e^{rt} (t ≤ 0, the end at 0) has the phase ω (e^{rt} − 1)/r, so over
 * u = (e^{rt} − 1)/r it is a tone of ω; the frame is sampled evenly in u. Partials of a
 * string all rise by the same share, so one stretching stands all of them still.
 * Between samples a cubic is drawn (Catmull and Rom 1974).
 */
export class SteadiedFrame {
  readonly samples: Float64Array;

  constructor(
    readonly length: number,
    readonly sampleRate: Hz,
  ) {
    this.samples = new Float64Array(length);
  }

  /** How far back before its end a frame reaches, in samples, where the pitch rises by so many factors of e a second. */
  reach(rise: number): number {
    return Math.ceil(-this.timeOf(-this.length / this.sampleRate, rise) * this.sampleRate) + BESIDE;
  }

  /** Fills the frame from a stretch that ends with sample `end`; it reads `reach` samples before it. */
  fill(source: Float64Array, end: number, rise: number): void {
    const { samples, length, sampleRate } = this;
    for (let i = 0; i < length; i++) {
      const t = this.timeOf((i - length + 1) / sampleRate, rise);
      const place = end + t * sampleRate;
      const k = Math.min(Math.floor(place), end - 1);
      samples[i] = cubic(source, k, place - k, end);
    }
  }

  private timeOf(u: Seconds, rise: number): Seconds {
    return Math.abs(rise) < STANDS ? u : Math.log1p(rise * u) / rise;
  }
}

function cubic(x: Float64Array, k: number, share: number, end: number): number {
  const a = nth64(x, k - 1);
  const b = nth64(x, k);
  const c = nth64(x, k + 1);
  const d = nth64(x, Math.min(k + 2, end));
  const slope = 0.5 * (c - a);
  const next = 0.5 * (d - b);
  const rise = c - b;
  const cube = slope + next - 2 * rise;
  return b + share * (slope + share * (rise - slope - cube + share * cube));
}
