import { between, normal, type Random } from '@rosefinch/core/maths';
import type { Cents, Hz, Seconds } from '@rosefinch/core/units';
import type { OpenString } from '../strings.ts';

/** A string of the bench's own: it shares no line with the practice instrument. */
export interface Struck {
  /** Steady pitch: the fourth partial over four. */
  readonly hz: Hz;
  readonly b: number;
  readonly partials: readonly Partial[];
  /** How sharp it begins, and how soon that is gone to 1/e. */
  readonly glide: { readonly cents: Cents; readonly over: Seconds };
  readonly level: number;
}

interface Partial {
  readonly n: number;
  readonly size: number;
  readonly phase: number;
  readonly decay: Seconds;
  /** Moved by the body, in cents. */
  readonly shift: Cents;
  /** The other plane of vibration: so much weaker, longer lived, so far off. */
  readonly other: { readonly share: number; readonly longer: number; readonly cents: Cents };
}

/** What a hand leaves open. */
export interface Gesture {
  readonly b?: number;
  /** Peak, against full scale. */
  readonly level?: number;
  /** Only multiples of this partial sound: a finger touches the node. */
  readonly node?: number;
  readonly glide?: Cents;
  /** Share of the usual ringing time. */
  readonly ringing?: number;
}

const SHIFT: Cents = 1.5;
/** Thinned sound ends here. */
const HIGHEST: Hz = 5500;

/** A pluck of an open string at a pitch: place, strength, body and planes by chance. */
export function strike(random: Random, string: OpenString, hz: Hz, gesture: Gesture = {}): Struck {
  const b = gesture.b ?? between(random, ...string.stiffness);
  const f0 = hz / Math.sqrt(1 + 16 * b);
  const place = between(random, 0.08, 0.35);
  const dull = between(random, 0.6, 1.6);
  const node = gesture.node ?? 1;
  const partials: Partial[] = [];
  for (let n = 1; n <= 30 && n * f0 * Math.sqrt(1 + b * n * n) < HIGHEST; n++) {
    const body = 10 ** (normal(random) * 0.2);
    const size = (Math.abs(Math.sin(Math.PI * n * place)) + 0.02) * n ** -dull * body;
    const decay =
      (string.decay * between(random, 0.6, 1.4) * (gesture.ringing ?? 1)) / (1 + 0.09 * n ** 1.3);
    partials.push({
      n,
      size: n % node === 0 ? size : size * 0.003,
      phase: between(random, 0, 2 * Math.PI),
      decay,
      shift: SHIFT * normal(random),
      other: {
        share: between(random, 0.05, 0.35),
        longer: between(random, 1.5, 3),
        cents: 0.6 * normal(random),
      },
    });
  }
  const glide = gesture.glide ?? Math.abs(normal(random)) * 6;
  const loud = partials.reduce((sum, { size }) => sum + size, 0);
  return {
    hz,
    b,
    partials: partials.map((p) => ({ ...p, size: p.size / loud })),
    glide: { cents: glide, over: between(random, 0.12, 0.5) },
    level: gesture.level ?? between(random, 0.15, 0.7),
  };
}

/** Where a struck string stands, in cents from rest, so long after its pluck. */
export function glideAt({ glide }: Struck, t: Seconds): Cents {
  return glide.cents * Math.exp(-t / glide.over);
}

/** What an exact reading says: the mean pitch over a window. */
export function exactHz(struck: Struck, from: Seconds, to: Seconds): Hz {
  const { cents, over } = struck.glide;
  const mean = (cents * over * (Math.exp(-from / over) - Math.exp(-to / over))) / (to - from);
  return struck.hz * 2 ** (mean / 1200);
}

export interface Sounding {
  readonly rate: Hz;
  readonly at: Seconds;
  /** The finger comes back to the string, so long after the pluck. */
  readonly until?: Seconds;
  /** A hand moves it: cents from rest, by seconds since the pluck. */
  readonly moved?: (t: Seconds) => Cents;
}

/** Seconds in which a string rises after the plectrum let go, and in which a finger stops it. */
const RISE: Seconds = 0.0015;
const STOPS: Seconds = 0.012;

/** Pitch and loudness change so slowly that they are worked out once in so many samples. */
const STEP = 16;
/** One cent as a share. */
const CENT = Math.LN2 / 1200;

/** Adds a struck string to a sound. */
export function sound(out: Float32Array, struck: Struck, sounding: Sounding): void {
  const { rate, at, until = Number.POSITIVE_INFINITY, moved } = sounding;
  const start = Math.round(at * rate);
  const f0 = struck.hz / Math.sqrt(1 + 16 * struck.b);
  const stopsAt = (t: Seconds) => (t > until ? Math.exp(-(t - until) / STOPS) : 1);
  for (const { n, size, phase, decay, shift, other } of struck.partials) {
    const hz = n * f0 * Math.sqrt(1 + struck.b * n * n);
    const own = new Rotor(phase);
    const beside = new Rotor(phase + 1);
    for (let i = start; i < out.length; i += STEP) {
      const t = (i - start) / rate;
      const gain = struck.level * size * stopsAt(t);
      const loud = gain * Math.exp(-t / decay);
      const long = gain * other.share * Math.exp(-t / (decay * other.longer));
      if (loud + long < 1e-6) break;
      const cents = shift + glideAt(struck, t) + (moved ? moved(t) : 0);
      const step = (2 * Math.PI * hz * Math.exp(cents * CENT)) / rate;
      own.turn(step);
      beside.turn(step * (1 + other.cents * CENT));
      for (let k = 0; k < STEP && i + k < out.length; k++) {
        const risen = Math.min(1, (i + k - start) / (RISE * rate));
        out[i + k]! += risen * (loud * own.next() + long * beside.next());
      }
    }
  }
}

/** A phase that turns by an even step. */
class Rotor {
  private re: number;
  private im: number;
  private cos = 1;
  private sin = 0;

  constructor(phase: number) {
    this.re = Math.cos(phase);
    this.im = Math.sin(phase);
  }

  turn(step: number): void {
    this.cos = Math.cos(step);
    this.sin = Math.sin(step);
  }

  next(): number {
    const { re, im, cos, sin } = this;
    this.re = re * cos - im * sin;
    this.im = re * sin + im * cos;
    return this.im;
  }
}
