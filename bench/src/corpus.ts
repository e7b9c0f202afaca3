import { partialHz, reportedHz } from '@rosefinch/core/listen';
import { between, normal, seededRandom } from '@rosefinch/core/maths';
import { mix, type Noise, noise, power } from './noises.ts';
import { OPEN_STRINGS } from './strings.ts';

export const RATE = 48_000;
/** Before the frame lies lead-in for filters, after it as much. */
const LEAD = 1200;

export interface Frame {
  readonly samples: Float32Array;
  readonly offset: number;
  readonly length: number;
  readonly reportedHz: number;
  readonly periodHz: number;
}

export interface FrameKind {
  readonly length: number;
  readonly noise: Noise;
  readonly snrDb: number;
  /** Rms shift of single partials in cents; one in thirty is shifted by ten. */
  readonly shift: number;
}

/** A seeded frame of one of the 21 strings, plucked and decaying, up to 40 cents out. */
export function frame(seed: number, kind: FrameKind): Frame {
  const random = seededRandom(seed * 2_654_435_761);
  const string = OPEN_STRINGS[seed % OPEN_STRINGS.length]!;
  const f0 = string.hz * 2 ** (between(random, -40, 40) / 1200);
  const b = between(random, ...string.stiffness);
  const samples = new Float32Array(kind.length + 2 * LEAD);
  const position = between(random, 0.1, 0.3);
  const slope = between(random, 1, 1.6);
  const partials: { hz: number; power: number }[] = [];
  for (let n = 1; n <= 40 && partialHz(f0, b, n) < 0.45 * RATE; n++) {
    const far = random() < 1 / 30 ? 10 / 1.5 : 1;
    const at = partialHz(f0, b, n) * 2 ** ((kind.shift * far * normal(random)) / 1200);
    const size = Math.abs(Math.sin(Math.PI * n * position)) / n ** slope;
    partials.push({ hz: at, power: size * size });
    addPartial(samples, at, size, between(random, 0, 2 * Math.PI), 0.9 / (1 + 0.05 * n));
  }
  mix(samples, noise(kind.noise, samples.length, RATE, random), power(samples), kind.snrDb);
  const { length } = kind;
  return {
    samples,
    offset: LEAD,
    length,
    reportedHz: reportedHz(f0, b),
    periodHz: period(partials, f0),
  };
}

/** A damped cosine, by rotation. */
function addPartial(
  out: Float32Array,
  hz: number,
  size: number,
  phase: number,
  decayS: number,
): void {
  const turn = (2 * Math.PI * hz) / RATE;
  const shrink = Math.exp(-1 / (decayS * RATE));
  const c = shrink * Math.cos(turn);
  const s = shrink * Math.sin(turn);
  let re = size * Math.cos(phase);
  let im = size * Math.sin(phase);
  for (let i = 0; i < out.length; i++) {
    out[i]! += re;
    const next = re * c - im * s;
    im = re * s + im * c;
    re = next;
  }
}

/** The lag near one period at which the partials' autocorrelation is greatest, as a frequency. */
function period(partials: readonly { hz: number; power: number }[], f0: number): number {
  let best = 0;
  let at = f0;
  for (let cents = -5; cents <= 40; cents += 0.05) {
    const hz = f0 * 2 ** (cents / 1200);
    const value = partials.reduce((s, p) => s + p.power * Math.cos((2 * Math.PI * p.hz) / hz), 0);
    if (value > best) {
      best = value;
      at = hz;
    }
  }
  return at;
}
