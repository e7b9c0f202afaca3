declare module 'fft.js' {
  /** Radix-4 Fourier transform; complex numbers lie as re and im by turns. */
  export default class FFT {
    constructor(size: number);
    createComplexArray(): number[];
    /** Transforms real samples; bins up to the middle one are filled in. */
    realTransform(out: number[], samples: readonly number[]): void;
  }
}
