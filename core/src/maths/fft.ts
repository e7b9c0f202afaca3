import FFT from 'fft.js';
import { RangeMisuse } from '../errors.ts';
import { nth64 } from './nth.ts';

/** Tables of sines and reversed bits, a size each: they are never written again, and take longer than a transform. */
const TABLES = new Map<number, FFT>();

function tablesOf(size: number): FFT {
  const known = TABLES.get(size) ?? new FFT(size);
  TABLES.set(size, known);
  return known;
}

/**
 * Fourier transform of real samples, with all memory taken at construction.
 * `transform` leaves bins 0…size/2 in `re` and `im` (length size/2 + 1).
 */
export class RealFft {
  readonly re: Float64Array;
  readonly im: Float64Array;
  private readonly fft: FFT;
  /** Plain lists: the package is twice as fast on them. */
  private readonly samples: number[];
  private readonly bins: number[];

  /** @throws RangeMisuse if `size` is not a power of two of at least 4. */
  constructor(readonly size: number) {
    if (size < 4 || (size & (size - 1)) !== 0)
      throw new RangeMisuse(`FFT size must be a power of two of at least 4; got ${size}`);
    this.re = new Float64Array(size / 2 + 1);
    this.im = new Float64Array(size / 2 + 1);
    this.fft = tablesOf(size);
    this.samples = new Array<number>(size).fill(0);
    this.bins = this.fft.createComplexArray();
  }

  /** Transforms `samples` of length `size`. */
  transform(samples: Float64Array): void {
    const { re, im, bins } = this;
    for (let i = 0; i < this.size; i++) this.samples[i] = nth64(samples, i);
    this.fft.realTransform(bins, this.samples);
    for (let k = 0; k < re.length; k++) {
      re[k] = bins[2 * k]!;
      im[k] = bins[2 * k + 1]!;
    }
  }
}

/** The smallest power of two that is at least `n`. */
export function powerOfTwo(n: number): number {
  return 2 ** Math.ceil(Math.log2(n));
}
