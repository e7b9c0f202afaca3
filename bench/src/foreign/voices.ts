import { between, normal, type Random } from '@rosefinch/core/maths';
import type { Hz, Seconds } from '@rosefinch/core/units';

/** Kinds of people in a room; the ear was made with the first three, never with the others. */
export type Talker = 'talking' | 'counting aloud' | 'singing' | 'humming' | 'laughing';

/** One stretch of voice: its pitch and loudness run on from one to the next, or fall silent. */
interface Syllable {
  readonly lasts: Seconds;
  readonly from: Hz;
  readonly to: Hz;
  readonly vibrato: number;
  readonly vowel: readonly [number, number, number];
  readonly rises: Seconds;
  readonly pause: Seconds;
  readonly hiss: boolean;
}

const VOWELS: readonly (readonly [number, number, number])[] = [
  [730, 1090, 2440],
  [530, 1840, 2480],
  [270, 2290, 3010],
  [570, 840, 2410],
  [300, 870, 2240],
];

/** A closed mouth. */
const NASAL = [250, 1000, 2200] as const;

function syllable(kind: Talker, base: Hz, random: Random): Syllable {
  const vowel = VOWELS[Math.floor(random() * VOWELS.length)]!;
  if (kind === 'counting aloud') {
    const hz = base * between(random, 0.97, 1.03);
    const lasts = between(random, 0.22, 0.4);
    const pause = between(random, 0.1, 0.5);
    return { lasts, from: hz, to: hz * 0.98, vibrato: 0, vowel, rises: 0.015, pause, hiss: false };
  }
  if (kind === 'singing') {
    const note = base * 2 ** (Math.round(between(random, 0, 12)) / 12);
    const pause = random() < 0.25 ? between(random, 0.2, 0.8) : 0;
    const lasts = between(random, 0.3, 1.6);
    const rises = between(random, 0.02, 0.12);
    const vibrato = random() < 0.6 ? between(random, 0.005, 0.02) : 0;
    return { lasts, from: note, to: note, vibrato, vowel, rises, pause, hiss: false };
  }
  if (kind === 'humming') {
    const note = base * 2 ** (Math.round(between(random, -3, 9)) / 12);
    return {
      lasts: between(random, 0.25, 1.8),
      from: note,
      to: note * between(random, 0.99, 1.01),
      vibrato: between(random, 0, 0.008),
      vowel: NASAL,
      rises: between(random, 0.02, 0.15),
      pause: random() < 0.3 ? between(random, 0.05, 0.6) : 0,
      hiss: false,
    };
  }
  if (kind === 'laughing') {
    const hz = base * between(random, 1.1, 2.2);
    return {
      lasts: between(random, 0.06, 0.16),
      from: hz,
      to: hz * between(random, 0.75, 0.95),
      vibrato: 0,
      vowel,
      rises: between(random, 0.005, 0.02),
      pause: random() < 0.15 ? between(random, 0.3, 1) : between(random, 0.05, 0.14),
      hiss: random() < 0.15,
    };
  }
  const from = base * between(random, 0.8, 1.35);
  return {
    lasts: between(random, 0.06, 0.3),
    from,
    to: from * between(random, 0.82, 1.12),
    vibrato: 0,
    vowel,
    rises: between(random, 0.008, 0.05),
    pause: random() < 0.2 ? between(random, 0.1, 0.7) : between(random, 0, 0.05),
    hiss: random() < 0.25,
  };
}

/** Somebody of a seeded voice, for so many samples: a glottal pulse through moving formants. */
export function voice(kind: Talker, length: number, rate: Hz, random: Random): Float32Array {
  const out = new Float32Array(length);
  const base = between(random, 90, 260);
  const breath = between(random, 0.005, 0.04);
  const open = between(random, 0.5, 0.75);
  let phase = 0;
  for (let at = 0; at < length; ) {
    const one = syllable(kind, base, random);
    const n = Math.round(one.lasts * rate);
    const filters = one.vowel.map((hz) => resonator(hz * between(random, 0.9, 1.1), rate));
    let last = 0;
    for (let i = 0; i < n && at + i < length; i++) {
      const share = i / n;
      const wobble = 1 + one.vibrato * Math.sin((2 * Math.PI * 5.6 * i) / rate);
      phase = (phase + ((one.from + (one.to - one.from) * share) * wobble) / rate) % 1;
      // A raised cosine while the glottis is open, its difference sounds.
      const flow = phase < open ? 0.5 - 0.5 * Math.cos((2 * Math.PI * phase) / open) : 0;
      const source = one.hiss ? 0.2 * normal(random) : flow - last + breath * normal(random) * flow;
      last = flow;
      let sum = 0;
      filters.forEach((filter, k) => {
        sum += filter(source) / (1 + k);
      });
      const edge = Math.min(1, i / (one.rises * rate), (n - i) / (0.03 * rate));
      out[at + i]! += sum * edge;
    }
    at += n + Math.round(one.pause * rate);
  }
  return out;
}

function resonator(hz: Hz, rate: Hz): (x: number) => number {
  const r = Math.exp((-Math.PI * (50 + hz * 0.04)) / rate);
  const a = 2 * r * Math.cos((2 * Math.PI * hz) / rate);
  let one = 0;
  let two = 0;
  return (x) => {
    const y = (1 - r) * x + a * one - r * r * two;
    two = one;
    one = y;
    return y;
  };
}
