import { between, normal, type Random } from '@rosefinch/core/maths';
import type { Cents, Hz, Seconds } from '@rosefinch/core/units';
import type { OpenString } from '../strings.ts';
import { click, reverberate } from './places.ts';

/** A string wound up to its note, plucked now and then. */
export interface WoundScene {
  readonly sound: Float32Array;
  readonly rate: Hz;
  /** B at its note. */
  readonly b: number;
  /** What sounds at a time, in cents against its note; null while nothing does. */
  readonly soundsAt: (t: Seconds) => Cents | null;
  /** What the peg has it at, whether it sounds or not. */
  readonly standsAt: (t: Seconds) => Cents;
  readonly lasts: Seconds;
}

/** The path of a peg is kept in such steps. */
const STEP: Seconds = 0.002;
const LEAD: Seconds = 0.4;
/** A string under this tension against that of its note is as limp as any, for its pluck. */
const LIMPEST = 12;
const HIGHEST: Hz = 5000;

/**
 * From up to two octaves below: the hand turns, takes a new grip, turns on at 200 to 600 cents
 * a second; the string catches in its slot and springs on; it is plucked by a thumb, softer
 * and duller than at its note, and begins the sharper the limper it is.
 */
export function windUp(random: Random, string: OpenString, rate: Hz): WoundScene {
  const from = -between(random, 400, 2400);
  const path = pegPath(random, from);
  const lasts = path.length * STEP;
  const standsAt = (t: Seconds) =>
    path[Math.min(path.length - 1, Math.max(0, Math.floor(t / STEP)))]!;
  const b = between(random, ...string.stiffness);
  const plucks = pluckTimes(random, lasts);
  const dry = new Float32Array(Math.ceil(lasts * rate));
  const glides = plucks.map((at) => glideOf(random, standsAt(at)));
  plucks.forEach((at, i) => {
    const until = plucks[i + 1] ?? lasts;
    pluck(random, dry, { rate, at, until, string, b, standsAt, glide: glides[i]! });
  });
  for (let t = between(random, 0, 3); t < lasts; t += between(random, 0.7, 5))
    click(dry, rate, t, between(random, 0.02, 0.15), random);
  const place =
    random() < 0.35
      ? reverberate(dry, rate, { lasts: between(random, 0.2, 0.7), wet: 0.25 }, random)
      : dry;
  const sound = random() < 0.5 ? withoutLows(place, rate, between(random, 70, 160)) : place;
  const floor = 10 ** between(random, -3.9, -3);
  for (let i = 0; i < sound.length; i++) sound[i]! += floor * normal(random);
  const soundsAt = (t: Seconds) => {
    const i = plucks.findLastIndex((at) => at <= t);
    const glide = glides[i];
    const since = t - (plucks[i] ?? 0);
    if (!glide || since > 1.2) return null;
    return standsAt(t) + glide.cents * Math.exp(-since / glide.over);
  };
  return { sound, rate, b, soundsAt, standsAt, lasts };
}

function pegPath(random: Random, from: Cents): number[] {
  const path: number[] = [];
  let peg = from;
  let stands = from;
  const rest = (seconds: Seconds) => {
    for (let t = 0; t < seconds; t += STEP) path.push(stands);
  };
  rest(LEAD + between(random, 0.6, 1.4));
  const crank = random() < 0.3;
  const catches = random() < 0.4 ? between(random, 15, 60) : 0;
  while (peg < -30) {
    const pace = between(random, 200, 600);
    const turns = crank ? between(random, 2, 6) : between(random, 0.25, 0.8);
    for (let t = 0; t < turns && peg < -30; t += STEP) {
      const swing = crank
        ? 1 + 0.5 * Math.sin(2 * Math.PI * 2.2 * t)
        : Math.sin((Math.PI * t) / turns);
      peg += Math.min(pace, 200 + (pace - 200) * swing) * STEP;
      // In its slot the string stands still until it springs on.
      if (peg - stands > catches) stands = peg;
      path.push(stands);
    }
    if (crank && peg < -30) rest(between(random, 0, 0.3));
    else rest(between(random, 0.15, 0.7));
  }
  rest(1);
  return path;
}

function pluckTimes(random: Random, lasts: Seconds): Seconds[] {
  const times: Seconds[] = [];
  for (let t = LEAD; t < lasts - 0.3; t += between(random, 0.5, 1.6)) times.push(t);
  return times;
}

interface Glide {
  readonly cents: Cents;
  readonly over: Seconds;
}

function glideOf(random: Random, stands: Cents): Glide {
  const limp = Math.min(LIMPEST, 2 ** (-stands / 600));
  return { cents: Math.abs(normal(random)) * 6 * limp, over: between(random, 0.08, 0.35) };
}

interface Pluck {
  readonly rate: Hz;
  readonly at: Seconds;
  readonly until: Seconds;
  readonly string: OpenString;
  readonly b: number;
  readonly standsAt: (t: Seconds) => Cents;
  readonly glide: Glide;
}

function pluck(
  random: Random,
  out: Float32Array,
  { rate, at, until, string, b, standsAt, glide }: Pluck,
): void {
  const place = between(random, 0.08, 0.4);
  const dull = between(random, 0.5, 1.5);
  const level = between(random, 0.05, 0.5);
  const slack = 2 ** (standsAt(at) / 1200);
  const lasting = string.decay * (0.35 + 0.65 * slack) * between(random, 0.6, 1.2);
  const size: number[] = [];
  const shift: number[] = [];
  const phase: number[] = [];
  for (let n = 1; n <= 32; n++) {
    size.push(
      (Math.abs(Math.sin(Math.PI * n * place)) + 0.02) * n ** -dull * 10 ** (normal(random) * 0.2),
    );
    shift.push(2 ** ((1.5 * normal(random)) / 1200));
    phase.push(between(random, 0, 2 * Math.PI));
  }
  const loud = size.reduce((sum, s) => sum + s, 0);
  const start = Math.round(at * rate);
  const end = Math.min(out.length, Math.round((until + 0.06) * rate));
  const block = 24;
  for (let i = start; i < end; i += block) {
    const t = (i - start) / rate;
    const cents = standsAt(i / rate) + glide.cents * Math.exp(-t / glide.over);
    const hz = string.hz * 2 ** (cents / 1200);
    // The stiffness of a rod counts the more the less tension there is beside it.
    const stiff = b * 2 ** (-cents / 600);
    const f0 = hz / Math.sqrt(1 + 16 * stiff);
    const damped = i / rate > until - 0.03 ? Math.exp(-(i / rate - until + 0.03) / 0.01) : 1;
    for (let n = 1; n <= 32; n++) {
      const partial = n * f0 * Math.sqrt(1 + stiff * n * n) * shift[n - 1]!;
      if (partial > HIGHEST) break;
      const decay = lasting / (1 + 0.09 * n ** 1.3);
      const gain = (level * size[n - 1]! * damped * Math.exp(-t / decay)) / loud;
      const step = (2 * Math.PI * partial) / rate;
      let angle = phase[n - 1]!;
      if (gain > 1e-6)
        for (let k = 0; k < block && i + k < end; k++) {
          const risen = Math.min(1, (i + k - start) / (0.002 * rate));
          out[i + k]! += gain * risen * Math.sin(angle + k * step);
        }
      angle += block * step;
      phase[n - 1] = angle % (2 * Math.PI);
    }
  }
}

/** A small device hears little below so many hertz: two poles. */
function withoutLows(dry: Float32Array, rate: Hz, below: Hz): Float32Array {
  const keep = Math.exp((-2 * Math.PI * below) / rate);
  const out = Float32Array.from(dry);
  for (let pole = 0; pole < 2; pole++) {
    let last = 0;
    let high = 0;
    for (let i = 0; i < out.length; i++) {
      const x = out[i]!;
      high = keep * (high + x - last);
      last = x;
      out[i] = high;
    }
  }
  return out;
}
