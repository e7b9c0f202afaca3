import { between, normal, type Random } from '@rosefinch/core/maths';
import type { Cents, Hz, Seconds } from '@rosefinch/core/units';
import type { OpenString } from '../strings.ts';
import { reverberate } from './places.ts';
import { exactHz, type Struck, sound, strike } from './string.ts';

/** A slow strum over all strings of an instrument. */
export interface StrumScene {
  readonly sound: Float32Array;
  readonly rate: Hz;
  /** Onset of the first string, and of the last. */
  readonly first: Seconds;
  readonly last: Seconds;
  /** Course 1 first. */
  readonly strings: readonly StrumTruth[];
}

interface StrumTruth {
  readonly target: Hz;
  readonly b: number;
  /** What an exact reading says over the strum's window; null for a string that did not sound. */
  readonly hz: Hz | null;
}

export interface StrumKind {
  /** Signal over noise in dB. */
  readonly snr: number;
  readonly room: Seconds | null;
  /** A string that is not there, or damped. */
  readonly missing?: boolean;
  /** How far strings are off, at most. */
  readonly off: Cents;
  readonly window: { readonly from: Seconds; readonly to: Seconds };
}

/** Strings 15 to 40 ms apart, downwards or upwards, each as hard as it comes; the bridge passes some of each on to the others. */
export function strum(
  random: Random,
  open: readonly OpenString[],
  kind: StrumKind,
  rate: Hz,
): StrumScene {
  const down = random() < 0.6;
  const gap = between(random, 0.015, 0.04);
  const lead = 0.4;
  const absent = kind.missing ? Math.floor(random() * open.length) : -1;
  const struck = open.map((string): Struck => {
    const hz = string.hz * 2 ** (between(random, -kind.off, kind.off) / 1200);
    return strike(random, string, hz, { level: 0.25 * 10 ** (normal(random) * 0.15) });
  });
  const coupled = couple(struck, between(random, 0.05, 0.5));
  const order = open.map((_, i) => i).filter((i) => i !== absent);
  if (down) order.reverse();
  const at = new Map(order.map((i, k) => [i, lead + k * gap * between(random, 0.85, 1.15)]));
  const last = Math.max(...at.values());
  const length = Math.round((lead + 1.3) * rate);
  const dry = new Float32Array(length);
  for (const [i, t] of at) sound(dry, coupled[i]!, { rate, at: t });
  const wet = kind.room ? reverberate(dry, rate, { lasts: kind.room, wet: 0.3 }, random) : dry;
  let power = 0;
  for (let i = Math.round(last * rate); i < length; i++) power += wet[i]! ** 2;
  const floor = Math.sqrt(power / (length - last * rate)) * 10 ** (-kind.snr / 20);
  for (let i = 0; i < length; i++) wet[i]! += floor * normal(random);
  const strings = open.map((string, i): StrumTruth => {
    const own = at.get(i);
    if (own === undefined) return { target: string.hz, b: struck[i]!.b, hz: null };
    const since = lead - own;
    const { from, to } = kind.window;
    return {
      target: string.hz,
      b: struck[i]!.b,
      hz: exactHz(struck[i]!, since + from, since + to),
    };
  });
  return { sound: wet, rate, first: lead, last, strings };
}

/**
 * A bridge that gives way joins partials that lie close: two coupled oscillators part by
 * √(Δ² + g²), each moved away from the other by half of what that adds.
 */
function couple(struck: readonly Struck[], strength: Hz): Struck[] {
  const at = ({ hz, b, partials }: Struck) =>
    partials.map(({ n }) => (n * hz * Math.sqrt(1 + b * n * n)) / Math.sqrt(1 + 16 * b));
  const places = struck.map(at);
  return struck.map((one, s) => ({
    ...one,
    partials: one.partials.map((partial, i) => {
      const own = places[s]![i]!;
      let moved = 0;
      places.forEach((others, t) => {
        if (t === s) return;
        for (const other of others) {
          const apart = own - other;
          if (Math.abs(apart) > 10) continue;
          moved += (Math.sign(apart) * (Math.hypot(apart, strength) - Math.abs(apart))) / 2;
        }
      });
      return { ...partial, shift: partial.shift + (1200 / Math.LN2) * (moved / own) };
    }),
  }));
}
