import { Decimator } from '@rosefinch/core/listen';

const buffer = new Float64Array(4096);

/** The samples thinned as the listener does it; the array is reused. */
export function decimated(samples: Float32Array): Float64Array {
  let count = 0;
  new Decimator(48_000).process(samples, (sample) => {
    buffer[count++] = sample;
  });
  return buffer;
}
