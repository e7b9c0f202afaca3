import { between, normal, type Random } from '@rosefinch/core/maths';
import type { Hz } from '@rosefinch/core/units';

/** Sounds of a room that are no string. All are filled into a new array, of any level. */
export type Noise = 'white' | 'pink' | 'hum' | 'speech';

export function noise(kind: Noise, length: number, rate: Hz, random: Random): Float32Array {
  if (kind === 'white') return Float32Array.from({ length }, () => normal(random));
  if (kind === 'pink') return pink(length, random);
  if (kind === 'hum') return hum(length, rate, random);
  return speech(length, rate, random);
}

/** Mean power of a stretch. */
export function power(samples: Float32Array, from = 0, to = samples.length): number {
  let sum = 0;
  for (let i = from; i < to; i++) sum += samples[i]! ** 2;
  return sum / Math.max(1, to - from);
}

/** Adds `extra` so that `samples`, of mean power `reference`, stands `db` over it. */
export function mix(samples: Float32Array, extra: Float32Array, reference: number, db: number) {
  const gain = Math.sqrt(reference / power(extra)) * 10 ** (-db / 20);
  for (let i = 0; i < samples.length; i++) samples[i]! += gain * extra[i]!;
}

/** Falls by 3 dB an octave: a sum of one-pole filters an octave and a half apart. */
function pink(length: number, random: Random): Float32Array {
  const poles = [0.9987, 0.9963, 0.9896, 0.9708, 0.918, 0.78, 0.45];
  const state = poles.map(() => 0);
  return Float32Array.from({ length }, () => {
    const white = normal(random);
    let sum = 0.2 * white;
    poles.forEach((pole, i) => {
      state[i] = pole * state[i]! + Math.sqrt(1 - pole * pole) * white;
      sum += state[i]!;
    });
    return sum;
  });
}

/** Mains hum, 50 or 60 Hz, with eight harmonics of random strength. */
function hum(length: number, rate: Hz, random: Random): Float32Array {
  const mains = (random() < 0.5 ? 50 : 60) * (1 + between(random, -4e-4, 4e-4));
  const lines = Array.from({ length: 8 }, (_, i) => ({
    omega: (2 * Math.PI * mains * (i + 1)) / rate,
    size: 10 ** (between(random, -18, 0) / 20),
    phase: between(random, 0, 2 * Math.PI),
  }));
  return Float32Array.from({ length }, (_, t) =>
    lines.reduce((sum, { omega, size, phase }) => sum + size * Math.sin(omega * t + phase), 0),
  );
}

/**
 * Like somebody talking: syllables of voiced sound (a pulse train of wandering pitch through
 * three formants) and of hiss, with pauses.
 */
function speech(length: number, rate: Hz, random: Random): Float32Array {
  const out = new Float32Array(length);
  const base = between(random, 95, 210);
  for (let at = 0; at < length; ) {
    const syllable = Math.round(between(random, 0.09, 0.28) * rate);
    if (random() < 0.78)
      voiced(out, at, syllable, base * between(random, 0.85, 1.25), rate, random);
    else hiss(out, at, syllable / 2, random);
    at += syllable + Math.round(between(random, 0, 0.12) * rate);
  }
  return out;
}

function voiced(
  out: Float32Array,
  at: number,
  length: number,
  hz: Hz,
  rate: Hz,
  random: Random,
): void {
  const formants = [between(random, 300, 800), between(random, 900, 2200), 2700].map((centre) => ({
    a: 2 * Math.exp((-Math.PI * 90) / rate) * Math.cos((2 * Math.PI * centre) / rate),
    b: -Math.exp((-2 * Math.PI * 90) / rate),
    one: 0,
    two: 0,
  }));
  const slide = between(random, -0.12, 0.12);
  let phase = 0;
  for (let i = 0; i < length && at + i < out.length; i++) {
    phase += (hz * (1 + (slide * i) / length)) / rate;
    let pulse = 0.01 * normal(random);
    if (phase >= 1) {
      phase -= 1;
      pulse += 1;
    }
    let sum = 0;
    formants.forEach((f, k) => {
      const next = pulse + f.a * f.one + f.b * f.two;
      f.two = f.one;
      f.one = next;
      sum += next / (1 + 2 * k);
    });
    out[at + i]! += sum * Math.sin((Math.PI * i) / length);
  }
}

function hiss(out: Float32Array, at: number, length: number, random: Random): void {
  let previous = 0;
  for (let i = 0; i < length && at + i < out.length; i++) {
    const white = normal(random);
    out[at + i]! += 0.6 * (white - previous) * Math.sin((Math.PI * i) / length);
    previous = white;
  }
}
