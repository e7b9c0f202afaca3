import { between, normal, type Random } from '@rosefinch/core/maths';
import type { Cents, Hz, Seconds } from '@rosefinch/core/units';

/** Somebody who holds one note: from a child to a bass. */
export interface Singer {
  /** The middle of what is sung, once it has arrived. */
  readonly hz: Hz;
  readonly sound: Float32Array;
}

const VOWELS: readonly (readonly [number, number, number])[] = [
  [700, 1220, 2600],
  [500, 1750, 2450],
  [300, 2200, 2950],
  [450, 850, 2500],
  [320, 800, 2300],
];

const KINDS = [
  { name: 'child', low: 230, high: 520, tract: 1.35 },
  { name: 'woman', low: 165, high: 440, tract: 1.12 },
  { name: 'man', low: 98, high: 300, tract: 1 },
  { name: 'bass', low: 70, high: 200, tract: 0.9 },
] as const;

/**
 * A held vowel or hum: pulses of a glottis through a mouth, with vibrato, jitter, shimmer, breath and a
 * scoop from below; `near` pulls it to a pitch class so many cents off, in the singer's own octave.
 */
export function singer(
  random: Random,
  rate: Hz,
  { near, off, lasts = 2.4 }: { readonly near: Hz; readonly off: Cents; readonly lasts?: Seconds },
): Singer {
  const kind = KINDS[Math.floor(random() * KINDS.length)]!;
  const wanted = near * 2 ** (off / 1200);
  const octaves = Math.floor(Math.log2(kind.high / wanted));
  const hz = wanted * 2 ** octaves;
  const vibrato =
    random() < 0.6 ? { hz: between(random, 5, 7), cents: between(random, 15, 50) } : null;
  const scoop = random() < 0.5 ? between(random, -300, 200) : 0;
  const wander = normal(random) * 4;
  // Against the steepest flow of a pulse: from a clear voice to a breathy one.
  const breath = (between(random, 0.03, 0.5) * hz * Math.PI) / (0.6 * 2 * rate);
  const hums = random() < 0.25;
  const vowel = hums ? ([250, 1000, 2200] as const) : VOWELS[Math.floor(random() * VOWELS.length)]!;
  const formants = vowel.map((one) =>
    resonator(one * kind.tract * between(random, 0.92, 1.08), rate),
  );
  const open = between(random, 0.45, 0.75);
  const sound = new Float32Array(Math.round((lasts + 0.4) * rate));
  const [starts, ends] = [Math.round(0.2 * rate), Math.round((0.2 + lasts) * rate)];
  let [phase, jitter, shimmer, last] = [0, 0, 1, 0];
  for (let i = starts; i < ends; i++) {
    const t = (i - starts) / rate;
    const shake = vibrato ? vibrato.cents * Math.sin(2 * Math.PI * vibrato.hz * t) : 0;
    const drift = wander * Math.sin(2 * Math.PI * 0.7 * t + 1);
    const cents = scoop * Math.exp(-t / 0.09) + shake + drift + jitter;
    phase += (hz * 2 ** (cents / 1200)) / rate;
    if (phase >= 1) {
      phase -= 1;
      jitter = 9 * normal(random);
      shimmer = 1 + 0.06 * normal(random);
    }
    // It opens slowly and shuts at once.
    const flow =
      phase < open
        ? 0.5 - 0.5 * Math.cos((Math.PI * phase) / open)
        : Math.max(0, 1 - (phase - open) / (0.25 * (1 - open)));
    const source = shimmer * (flow - last) + breath * normal(random) * (0.2 + flow);
    last = flow;
    let sum = 0;
    formants.forEach((filter, k) => {
      sum += filter(source) / (1 + k);
    });
    sound[i] = sum * Math.min(1, t / 0.05, (ends - i) / (0.06 * rate));
  }
  let most = 0;
  for (const x of sound) most = Math.max(most, Math.abs(x));
  const gain = between(random, 0.05, 0.5) / most;
  const noise = 10 ** (between(random, -70, -45) / 20);
  for (let i = 0; i < sound.length; i++) sound[i] = sound[i]! * gain + noise * normal(random);
  return { hz, sound };
}

function resonator(hz: Hz, rate: Hz): (x: number) => number {
  const r = Math.exp((-Math.PI * (45 + hz * 0.05)) / rate);
  const a = 2 * r * Math.cos((2 * Math.PI * hz) / rate);
  let [one, two] = [0, 0];
  return (x) => {
    const y = (1 - r) * x + a * one - r * r * two;
    [two, one] = [one, y];
    return y;
  };
}
