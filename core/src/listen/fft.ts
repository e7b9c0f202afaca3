import { RangeMisuse } from '../errors.ts';

/**
 * Fourier transform of real samples, radix 2, with all memory taken at construction.
 * `transform` leaves bins 0…size/2 in `re` and `im` (length size/2 + 1).
 */
export class RealFft {
  readonly re: Float64Array;
  readonly im: Float64Array;
  private readonly half: number;
  private readonly cosTable: Float64Array;
  private readonly sinTable: Float64Array;
  private readonly reversed: Uint32Array;
  private readonly workRe: Float64Array;
  private readonly workIm: Float64Array;

  /** @throws RangeMisuse if `size` is not a power of two of at least 4. */
  constructor(readonly size: number) {
    if (size < 4 || (size & (size - 1)) !== 0)
      throw new RangeMisuse(`FFT size must be a power of two of at least 4; got ${size}`);
    const half = size / 2;
    this.half = half;
    this.re = new Float64Array(half + 1);
    this.im = new Float64Array(half + 1);
    this.workRe = new Float64Array(half);
    this.workIm = new Float64Array(half);
    this.cosTable = Float64Array.from({ length: half }, (_, i) =>
      Math.cos((2 * Math.PI * i) / size),
    );
    this.sinTable = Float64Array.from({ length: half }, (_, i) =>
      Math.sin((2 * Math.PI * i) / size),
    );
    this.reversed = new Uint32Array(half);
    const bits = Math.log2(half);
    for (let i = 0; i < half; i++)
      for (let b = 0; b < bits; b++) if (i & (1 << b)) this.reversed[i]! |= 1 << (bits - 1 - b);
  }

  /** Transforms `samples` of length `size`. */
  transform(samples: Float64Array): void {
    const { half, workRe, workIm, reversed } = this;
    for (let i = 0; i < half; i++) {
      const j = reversed[i]!;
      workRe[j] = samples[2 * i]!;
      workIm[j] = samples[2 * i + 1]!;
    }
    this.butterflies();
    this.unpack();
  }

  private butterflies(): void {
    const { half, size, workRe, workIm, cosTable, sinTable } = this;
    for (let span = 1; span < half; span *= 2) {
      const stride = size / (2 * span);
      for (let start = 0; start < half; start += 2 * span) {
        for (let k = 0, t = 0; k < span; k++, t += stride) {
          const c = cosTable[t]!;
          const s = sinTable[t]!;
          const a = start + k;
          const b = a + span;
          const xr = workRe[b]! * c + workIm[b]! * s;
          const xi = workIm[b]! * c - workRe[b]! * s;
          workRe[b] = workRe[a]! - xr;
          workIm[b] = workIm[a]! - xi;
          workRe[a] = workRe[a]! + xr;
          workIm[a] = workIm[a]! + xi;
        }
      }
    }
  }

  /** Separates the even and odd samples, which were transformed as one complex signal. */
  private unpack(): void {
    const { half, re, im, workRe, workIm, cosTable, sinTable } = this;
    re[0] = workRe[0]! + workIm[0]!;
    im[0] = 0;
    re[half] = workRe[0]! - workIm[0]!;
    im[half] = 0;
    for (let k = 1; k < half; k++) {
      const m = half - k;
      const evenRe = (workRe[k]! + workRe[m]!) / 2;
      const evenIm = (workIm[k]! - workIm[m]!) / 2;
      const oddRe = (workIm[k]! + workIm[m]!) / 2;
      const oddIm = (workRe[m]! - workRe[k]!) / 2;
      const c = cosTable[k]!;
      const s = sinTable[k]!;
      re[k] = evenRe + oddRe * c + oddIm * s;
      im[k] = evenIm + oddIm * c - oddRe * s;
    }
  }
}

/** The smallest power of two that is at least `n`. */
export function powerOfTwo(n: number): number {
  return 2 ** Math.ceil(Math.log2(n));
}
