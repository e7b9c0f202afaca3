import { between, normal, type Random } from '@rosefinch/core/maths';
import type { Hz, Seconds } from '@rosefinch/core/units';

/** Sound in a room that rings for so long (to −60 dB): decaying noise behind the direct sound, by blocks of an FFT-free network. */
export function reverberate(
  dry: Float32Array,
  rate: Hz,
  { lasts, wet }: { readonly lasts: Seconds; readonly wet: number },
  random: Random,
): Float32Array {
  const out = Float32Array.from(dry);
  // Feedback delays of lengths without common measure, each lossy so that all fall by 60 dB in the given time.
  const delays = [0.0297, 0.0371, 0.0411, 0.0437, 0.0533, 0.0617].map(
    (s) => s * between(random, 0.9, 1.1),
  );
  for (const seconds of delays) {
    const length = Math.round(seconds * rate);
    const gain = 10 ** ((-3 * seconds) / lasts);
    const ring = new Float64Array(length);
    const sign = random() < 0.5 ? -1 : 1;
    let low = 0;
    for (let i = 0; i < dry.length; i++) {
      const back = ring[i % length]!;
      low += 0.6 * (back - low);
      out[i]! += (sign * wet * back) / Math.sqrt(delays.length);
      ring[i % length] = dry[i]! + gain * low;
    }
  }
  return out;
}

/** A device that levels by itself: so many to one over its threshold, with its own times. */
export function level(
  dry: Float32Array,
  rate: Hz,
  device: { readonly ratio: number; readonly attack: Seconds; readonly release: Seconds },
): Float32Array {
  const out = new Float32Array(dry.length);
  const rise = 1 - Math.exp(-1 / (device.attack * rate));
  const fall = 1 - Math.exp(-1 / (device.release * rate));
  let follower = 1e-6;
  for (let i = 0; i < dry.length; i++) {
    const size = Math.abs(dry[i]!);
    follower += (size > follower ? rise : fall) * (size - follower);
    // Above −45 dBFS loudness is drawn towards −18.
    const over = Math.max(1, follower / 0.0056);
    const gain =
      over ** (1 / device.ratio - 1) *
      0.0056 ** (1 / device.ratio - 1) *
      0.126 ** (1 - 1 / device.ratio);
    out[i] = Math.max(-0.98, Math.min(0.98, dry[i]! * Math.min(40, gain)));
  }
  return out;
}

/** A click of a metronome: a knock of wood, or a beep's edge. */
export function click(
  out: Float32Array,
  rate: Hz,
  at: Seconds,
  size: number,
  random: Random,
): void {
  const start = Math.round(at * rate);
  const modes = [0, 1, 2].map(() => ({
    step: (2 * Math.PI * between(random, 700, 4500)) / rate,
    decay: between(random, 0.0015, 0.012) * rate,
    size: between(random, 0.3, 1),
  }));
  for (let i = 0; i < 0.06 * rate && start + i < out.length; i++) {
    let sum = 0.5 * normal(random) * Math.exp(-i / (0.002 * rate));
    for (const mode of modes)
      sum += mode.size * Math.sin(mode.step * i) * Math.exp(-i / mode.decay);
    out[start + i]! += 0.5 * size * sum;
  }
}
