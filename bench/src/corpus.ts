import { partialHz, reportedHz } from '@rosefinch/core/listen';
import { between, normal, seededRandom } from '@rosefinch/core/random';

/** Frame length and rate of the frame figures. */
export const FRAME = 4096;
export const RATE = 48_000;

/** Open strings of guitar, ukulele and banjo, in Hz, with the range of stiffness each may have. */
const STRINGS: readonly (readonly [number, number, number])[] = [
  [82.4069, 3e-5, 2e-4],
  [110, 3e-5, 1.2e-4],
  [146.8324, 3e-5, 1.2e-4],
  [195.9977, 3e-5, 1.2e-4],
  [246.9417, 2e-5, 7e-5],
  [329.6276, 1e-5, 3e-5],
  [82.4069, 5e-6, 4e-5],
  [195.9977, 2e-5, 2e-4],
  [329.6276, 5e-6, 5e-5],
  [261.6256, 1e-5, 1e-4],
  [391.9954, 5e-6, 6e-5],
  [440, 5e-6, 8e-5],
  [146.8324, 2e-5, 1.7e-4],
  [293.6648, 1e-5, 5e-5],
];

export interface Frame {
  readonly samples: Float32Array;
  /** Where the frame of FRAME samples begins; before it lies lead-in for filters. */
  readonly offset: number;
  readonly reportedHz: number;
  readonly periodHz: number;
}

/**
 * A seeded frame of a plucked stiff string in white noise.
 * `shift` is the rms shift of single partials in cents; one in thirty is shifted by ten.
 */
export function frame(seed: number, snrDb: number, shift: number): Frame {
  const random = seededRandom(seed * 2654435761);
  const [hz, low, high] = STRINGS[seed % STRINGS.length]!;
  const f0 = hz * 2 ** (between(random, -40, 40) / 1200);
  const b = between(random, low, high);
  const offset = 1200;
  const samples = new Float32Array(FRAME + 2 * offset);
  const position = between(random, 0.1, 0.3);
  const slope = between(random, 1, 1.6);
  const partials: { hz: number; power: number; n: number }[] = [];
  for (let n = 1; n <= 40 && partialHz(f0, b, n) < 0.45 * RATE; n++) {
    const far = random() < 1 / 30 ? 10 / 1.5 : 1;
    const at = partialHz(f0, b, n) * 2 ** ((shift * far * normal(random)) / 1200);
    const size = Math.abs(Math.sin(Math.PI * n * position)) / n ** slope;
    const phase = between(random, 0, 2 * Math.PI);
    const decay = 1 / (RATE * (0.9 / (1 + 0.05 * n)));
    partials.push({ hz: at, power: size * size, n });
    for (let i = 0; i < samples.length; i++)
      samples[i]! += size * Math.exp(-i * decay) * Math.cos((2 * Math.PI * at * i) / RATE + phase);
  }
  addNoise(samples, snrDb, random);
  return { samples, offset, reportedHz: reportedHz(f0, b), periodHz: period(partials, f0) };
}

function addNoise(samples: Float32Array, snrDb: number, random: () => number): void {
  let power = 0;
  for (const x of samples) power += x * x;
  const sigma = Math.sqrt(power / samples.length) * 10 ** (-snrDb / 20);
  for (let i = 0; i < samples.length; i++) samples[i]! += sigma * normal(random);
}

/** The lag near one period at which the partials' autocorrelation is greatest, as a frequency. */
function period(partials: readonly { hz: number; power: number }[], f0: number): number {
  let best = 0;
  let at = f0;
  for (let cents = -5; cents <= 40; cents += 0.02) {
    const hz = f0 * 2 ** (cents / 1200);
    const value = partials.reduce((s, p) => s + p.power * Math.cos((2 * Math.PI * p.hz) / hz), 0);
    if (value > best) {
      best = value;
      at = hz;
    }
  }
  return at;
}
