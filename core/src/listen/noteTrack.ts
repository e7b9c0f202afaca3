import { median, nth } from '../maths/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';

/** One value of the live track of a note. */
interface TrackValue {
  /** Seconds since the onset. */
  readonly at: Seconds;
  /** From the first value of the track. */
  readonly cents: Cents;
}

/** A stretch in which the pitch stood still, in seconds after the onset. */
export interface SteadyStretch {
  readonly from: Seconds;
  readonly to: Seconds;
  /** Its median pitch. */
  readonly hz: Hz;
  /** What is left of its movement, in cents a second. */
  readonly slope: number;
  /** The values behind it leave it: the string is being turned again. */
  readonly leaves: boolean;
}

/** The shortest steady stretch; a noisy track needs a longer one. */
const SHORTEST: Seconds = 0.15;
const SHORTEST_NOISY: Seconds = 0.26;
const NOISY: Cents = 0.8;
/** Its values scatter by no more than this about a line, in cents or in times their noise. */
const SCATTER = { least: 0.6, noises: 2.2 } as const;
/** The line falls no faster than a glide does, which is gone to 1/e in this time, and hardly rises; in cents a second. */
const SLOPE = { rises: 3, falls: 4, glides: 60, gone: 0.25 } as const;
/** It grows backwards over values that lie no further from its line than this. */
const GROWS = { least: 0.9, noises: 3 } as const;
/** Values behind it that end further away than this belong to a new movement. */
const LEAVES = { growing: 4, level: 2.5, noises: 3, values: 3 } as const;
/** The noise of a value is judged from so many before it. */
const AROUND = 14;
const LEAST_NOISE: Cents = 0.05;
/** Partials that beat move the pitch of a whole string to and fro within so many values. */
const BEATS_OVER = 4;
/** The first moments tell nothing of the pitch. */
const ATTACK_OVER: Seconds = 0.045;
/** From the median size of second differences to a standard deviation. */
const TO_SIGMA = 1.4826 / Math.sqrt(6);
const FEWEST = 5;
/** From one value to the next no hand turns a string further than this. */
const FURTHEST_STEP: Cents = 200;

/** What a string does by itself: it begins sharp by so much, which is gone to 1/e in these times, and drifts by so many cents a second, a new string downwards most. */
const GLIDE = { least: -1, most: 40, times: [0.06, 0.1, 0.16, 0.25, 0.45] } as const;
const DRIFT = { least: -12, most: 1.5 } as const;
/** A note that is cut off leaves so many stray values at its end. */
const STRAYS = 2;
/** A track that lies further from that was turned: as a whole, or a median of so many values in a row. */
const TURNED = { rms: 1, noises: 3, worst: 2.6, worstNoises: 5, values: 5 } as const;

/** The live track of one note, which tells whether its string was turned and where it stood still last. */
export class NoteTrack {
  private values: TrackValue[] = [];
  private reference: Hz = 1;

  clear(): void {
    this.values = [];
  }

  add(at: Seconds, hz: Hz): void {
    if (at < ATTACK_OVER) return;
    if (this.values.length === 0) this.reference = hz;
    const cents = centsBetween(this.reference, hz);
    const last = this.values.at(-1);
    // A string that dies away leaves the hum of the mains to be followed: that is no turn of a peg.
    if (last && Math.abs(cents - last.cents) > FURTHEST_STEP) return;
    this.values.push({ at, cents });
  }

  get count(): number {
    return this.values.length;
  }

  /** True where the values from a moment on follow no glide that a string makes by itself. */
  isTurned(from: Seconds = 0): boolean {
    const values = this.since(from);
    const noise = Math.max(noiseOf(values), noiseOf(values, BEATS_OVER));
    return isTurned(values, noise);
  }

  /** How far its end lies from its beginning. */
  went(): Cents {
    const ends = [this.values.slice(0, FEWEST), this.values.slice(-FEWEST)];
    const [first = 0, last = 0] = ends.map((end) =>
      end.length === 0 ? 0 : median(end.map(({ cents }) => cents)),
    );
    return Math.abs(last - first);
  }

  /** How long from its beginning the pitch of a string that was turned does what a string does by itself. */
  untouchedUntil(): Seconds {
    const { values } = this;
    let to = values.length;
    while (to > 0 && isTurned(values.slice(0, to), noiseOf(values.slice(0, to)))) to--;
    return values[to - 1]?.at ?? 0;
  }

  /** Where the pitch stood still last, from a moment on; null where it did not. */
  lastSteady(after: Seconds = 0): SteadyStretch | null {
    const values = this.since(after);
    for (let to = values.length; to >= FEWEST; to--) {
      const core = coreUntil(values, to);
      if (!core) continue;
      const { from, level, slope, noise } = grown(values, core, to);
      return {
        from: nth(values, from).at,
        to: nth(values, to - 1).at,
        hz: shiftHz(this.reference, level),
        slope,
        leaves: leaves(values.slice(to), level, noise),
      };
    }
    return null;
  }

  private since(from: Seconds): TrackValue[] {
    return from > 0 ? this.values.filter(({ at }) => at >= from) : this.values;
  }
}

interface Line {
  /** Mean time, and the line there. */
  readonly middle: Seconds;
  readonly level: Cents;
  /** In cents a second. */
  readonly slope: number;
  readonly rms: Cents;
}

interface Core extends Line {
  /** Index of its first value. */
  readonly from: number;
  readonly noise: Cents;
}

/** The shortest steady stretch before an index; null where it is not steady there. */
function coreUntil(values: readonly TrackValue[], to: number): Core | null {
  const noise = noiseOf(values.slice(Math.max(0, to - AROUND), to));
  const wanted = noise > NOISY ? SHORTEST_NOISY : SHORTEST;
  const end = nth(values, to - 1).at;
  let from = to - 1;
  while (from > 0 && end - nth(values, from).at < wanted) from--;
  if (end - nth(values, from).at < wanted || to - from < FEWEST) return null;
  const line = lineOf(values.slice(from, to));
  const falls = SLOPE.falls + SLOPE.glides * Math.exp(-line.middle / SLOPE.gone);
  const isSteady =
    line.rms <= Math.max(SCATTER.least, SCATTER.noises * noise) &&
    line.slope <= SLOPE.rises &&
    line.slope >= -falls;
  return isSteady ? { ...line, from, noise } : null;
}

/** A core with the values before it that lie on its line. */
function grown(values: readonly TrackValue[], core: Core, to: number): Core {
  const near = Math.max(GROWS.least, GROWS.noises * core.noise);
  const isNear = ({ at, cents }: TrackValue) =>
    Math.abs(cents - core.level - core.slope * (at - core.middle)) <= near;
  let { from } = core;
  while (from > 0 && isNear(nth(values, from - 1))) from--;
  const own = values.slice(from, to);
  const level = median(own.map(({ cents }) => cents));
  return { ...lineOf(own), level, from, noise: core.noise };
}

function lineOf(values: readonly TrackValue[]): Line {
  const n = values.length;
  const middle = values.reduce((sum, { at }) => sum + at, 0) / n;
  const level = values.reduce((sum, { cents }) => sum + cents, 0) / n;
  let above = 0;
  let below = 0;
  for (const { at, cents } of values) {
    above += (at - middle) * (cents - level);
    below += (at - middle) ** 2;
  }
  const slope = below > 0 ? above / below : 0;
  const off = ({ at, cents }: TrackValue) => cents - level - slope * (at - middle);
  return { middle, level, slope, rms: rmsOf(values.map(off)) };
}

const rmsOf = (values: readonly number[]) =>
  Math.sqrt(values.reduce((sum, x) => sum + x * x, 0) / values.length);

/** Scatter of single values, whatever the pitch does meanwhile. */
function noiseOf(values: readonly TrackValue[], apart = 1): Cents {
  const bends = values
    .slice(2 * apart)
    .map(({ cents }, i) => cents - 2 * nth(values, i + apart).cents + nth(values, i).cents)
    .map(Math.abs);
  return bends.length < FEWEST ? LEAST_NOISE : Math.max(LEAST_NOISE, TO_SIGMA * median(bends));
}

/** Values behind a steady stretch that go away from it, all to one side. */
function leaves(tail: readonly TrackValue[], level: Cents, noise: Cents): boolean {
  const last = tail.slice(-LEAVES.values).map(({ cents }) => cents - level);
  if (last.length < LEAVES.values) return false;
  const [first = 0] = last;
  const end = Math.abs(last.at(-1) ?? 0);
  const oneSide = last.every((off) => Math.sign(off) === Math.sign(first));
  const far = Math.max(LEAVES.level, LEAVES.noises * noise);
  return (
    oneSide && (Math.abs(median(last)) > far || (end > LEAVES.growing && end >= Math.abs(first)))
  );
}

function isTurned(values: readonly TrackValue[], noise: Cents): boolean {
  const kept = values.slice(0, -STRAYS);
  if (kept.length < FEWEST) return false;
  const off = offGlide(kept);
  if (rmsOf(off) > Math.max(TURNED.rms, TURNED.noises * noise)) return true;
  const most = Math.max(TURNED.worst, TURNED.worstNoises * noise);
  return off.some(
    (_, i) =>
      i + TURNED.values <= off.length && Math.abs(median(off.slice(i, i + TURNED.values))) > most,
  );
}

/** How far each value lies from the glide and drift that follow the values best. */
function offGlide(values: readonly TrackValue[]): Cents[] {
  const fits = GLIDE.times.map((tau) => offGlideOf(values, tau));
  return fits.reduce((best, fit) => (rmsOf(fit) < rmsOf(best) ? fit : best));
}

function offGlideOf(values: readonly TrackValue[], tau: Seconds): Cents[] {
  const centred = (of: (value: TrackValue) => number) => {
    const mean = values.reduce((sum, value) => sum + of(value), 0) / values.length;
    return values.map((value) => of(value) - mean);
  };
  const glide = centred(({ at }) => Math.exp(-at / tau));
  const time = centred(({ at }) => at);
  const cents = centred((value) => value.cents);
  const dot = (a: readonly number[], b: readonly number[]) =>
    a.reduce((sum, x, i) => sum + x * nth(b, i), 0);
  const [gg, gt, tt, gc, tc] = [
    dot(glide, glide),
    dot(glide, time),
    dot(time, time),
    dot(glide, cents),
    dot(time, cents),
  ];
  const clampGlide = (b: number) => Math.min(GLIDE.most, Math.max(GLIDE.least, b));
  const clampDrift = (d: number) => Math.min(DRIFT.most, Math.max(DRIFT.least, d));
  const determinant = gg * tt - gt * gt;
  let drift = determinant > 0 ? clampDrift((gg * tc - gt * gc) / determinant) : 0;
  const amount = gg > 0 ? clampGlide((gc - drift * gt) / gg) : 0;
  drift = tt > 0 ? clampDrift((tc - amount * gt) / tt) : 0;
  return cents.map((c, i) => c - amount * nth(glide, i) - drift * nth(time, i));
}
