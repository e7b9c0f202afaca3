import type { Cents, Dbfs, Hz, Seconds } from '../units.ts';
import type { FrameEstimate } from './estimator.ts';
import { Estimator, MAX_PARTIALS, periodHz } from './estimator.ts';
import type { StiffFit, StiffnessPrior } from './stiffString.ts';
import { GENERAL_PRIOR, partialHz, reportedHz, StiffStringFitter } from './stiffString.ts';

/** A reading is the mean pitch over this window after the onset, in seconds. */
export const READING_WINDOW = { from: 0.2, to: 0.8 } as const;
/** The earliest a reading of a short note may begin, and the shortest usable stretch. */
const EARLIEST = 0.1;
const SHORTEST = 0.1;
/** Limits below which a number would be no evidence. */
const LEAST_SCORE = 0.38;
const LEAST_CLARITY = 0.3;
const MOST_ERROR: Cents = 8;
/** A pitch that wanders further than this inside the window is no string at rest. */
const MOST_WANDER: Cents = 60;
const MOVING_SLOPE: Cents = 12;
/** A second series this strong against the first counts as a second string. */
const SECOND_STRING = 0.35;
const MAX_FRAMES = 32;
/**
 * A break of phase beyond this is no string's: seeded plucks stay below 0.25, peg turned
 * or not, and real notes, whose partials beat, below 0.6.
 */
const MOST_PHASE_BREAK = 0.7;
/** Frames overlap by half: two that stand this far apart enclose a break that lies in neither. */
const CLEAR_OF = 3;

/** One partial as it was averaged over a reading's window. */
export interface PartialReading {
  readonly number: number;
  readonly hz: Hz;
  readonly errorCents: Cents;
  /** Amplitude against full scale. */
  readonly amplitude: number;
}

/** One pluck's result. */
export interface Reading {
  readonly kind: 'reading';
  /** Reported pitch: mean over the window of the fourth partial over four. */
  readonly hz: Hz;
  /** Share of the sound's energy that this string explains, 0 to 1. */
  readonly clarity: number;
  /** Standard error of `hz` in cents. */
  readonly errorCents: Cents;
  /** Standard deviation of the pitch over the window, in cents. */
  readonly spreadCents: Cents;
  readonly f0Hz: Hz;
  readonly firstPartialHz: Hz;
  readonly periodHz: Hz;
  readonly inharmonicity: number;
  /** The pitch was still moving: the peg was turned, or the string slipped. */
  readonly moving: boolean;
  /** Start and length, in seconds after the onset, of the stretch that was used. */
  readonly windowFrom: Seconds;
  readonly windowLength: Seconds;
  readonly levelDbfs: Dbfs;
  readonly partials: readonly PartialReading[];
}

/** Why a pluck gave no reading. */
export type Refusal =
  | { readonly kind: 'too quiet'; readonly levelDbfs: Dbfs }
  | { readonly kind: 'not sure'; readonly reason: 'too short' | 'no pitch' | 'unsteady' | 'weak' }
  | { readonly kind: 'more than one string'; readonly hz: readonly Hz[] }
  /** Samples were lost or repeated on the way from the device. */
  | { readonly kind: 'interrupted' };

export type PluckOutcome = Reading | Refusal;

/** A stretch of decimated samples that holds one pluck. */
export interface PluckStretch {
  readonly samples: Float64Array;
  /** Index of the onset and index after the last sample that belongs to the note. */
  readonly onset: number;
  readonly end: number;
}

/**
 * Turns one pluck into a reading or a refusal. The octave is decided from
 * several frames of the note together, because single late frames of a wound
 * string can be dominated by the second partial.
 */
export class PluckAnalyser {
  private readonly estimator: Estimator;
  private readonly law = new StiffStringFitter(MAX_PARTIALS);
  private readonly frames: FrameTable;
  private readonly maxFrame: number;

  constructor(readonly sampleRate: Hz) {
    this.maxFrame = Math.ceil(0.18 * sampleRate);
    this.estimator = new Estimator(sampleRate, this.maxFrame);
    this.frames = new FrameTable(MAX_FRAMES);
  }

  /** Measures the pluck. `allowed`, if given, says which pitches come into question. */
  analyse(
    pluck: PluckStretch,
    allowed?: (hz: Hz) => boolean,
    prior: StiffnessPrior = GENERAL_PRIOR,
  ): PluckOutcome {
    const duration = (pluck.end - pluck.onset) / this.sampleRate;
    const window = windowFor(duration);
    if (!window) return { kind: 'not sure', reason: 'too short' };
    const coarse = this.coarsePitch(pluck, allowed);
    if (!coarse || coarse.score < LEAST_SCORE) return { kind: 'not sure', reason: 'no pitch' };
    const other = this.secondString(pluck, coarse.hz);
    if (other) return { kind: 'more than one string', hz: [coarse.hz, other] };
    return this.measure(pluck, window, coarse.hz, prior);
  }

  /** The pitch that explains the frames of the note's first part best, taken together. */
  private coarsePitch(
    pluck: PluckStretch,
    allowed?: (hz: Hz) => boolean,
  ): { hz: Hz; score: number } | null {
    const tallies: { hz: Hz; sum: number }[] = [];
    let frames = 0;
    for (const from of [0.03, 0.1, 0.2, 0.3]) {
      const start = pluck.onset + Math.round(from * this.sampleRate);
      const length = Math.min(this.maxFrame, pluck.end - start);
      if (length < 0.07 * this.sampleRate) break;
      frames++;
      for (const c of this.estimator.candidates(pluck.samples, start, length, allowed)) {
        const same = tallies.find((t) => Math.abs(t.hz / c.hz - 1) < 0.025);
        if (same) same.sum += Math.max(0, c.score);
        else tallies.push({ hz: c.hz, sum: Math.max(0, c.score) });
      }
    }
    const best = tallies.sort((a, b) => b.sum - a.sum)[0];
    return best ? { hz: best.hz, score: best.sum / frames } : null;
  }

  /** A second harmonic series of comparable strength in the note's early part, or null. */
  private secondString(pluck: PluckStretch, hz: Hz): Hz | null {
    const start = pluck.onset + Math.round(0.1 * this.sampleRate);
    const length = Math.min(this.maxFrame, pluck.end - start);
    if (length < 0.12 * this.sampleRate) return null;
    const { estimator } = this;
    estimator.candidates(pluck.samples, start, length);
    const { spectrum } = estimator;
    const own = new Uint8Array(spectrum.peakCount);
    let ownPower = 0;
    let strange = 0;
    for (let p = 0; p < spectrum.peakCount; p++) {
      const n = Math.max(1, Math.round(spectrum.peakHz[p]! / hz));
      const stretch = partialHz(hz, 1.5e-4, n) - n * hz;
      const off = spectrum.peakHz[p]! - n * hz;
      const tolerance = 0.5 * spectrum.lobeHz + 0.004 * n * hz;
      if (off > -tolerance && off < tolerance + stretch) {
        own[p] = 1;
        ownPower += spectrum.peakHeight[p]! ** 2;
      } else strange = Math.max(strange, spectrum.peakHeight[p]!);
    }
    if (strange ** 2 < SECOND_STRING ** 2 * 0.3 * ownPower) return null;
    const second = estimator.finder.search(own)[0];
    if (!second || second.score < 0.45 || second.matched < 2) return null;
    // A neighbour closer than a semitone is a skirt of the same string.
    if (Math.abs(12 * Math.log2(second.hz / hz)) < 1) return null;
    let power = 0;
    for (let n = 1; n <= 12; n++) {
      const p = spectrum.nearestPeak(n * second.hz, 0.5 * spectrum.lobeHz);
      if (p >= 0 && !own[p]) power += spectrum.peakHeight[p]! ** 2;
    }
    return power > SECOND_STRING ** 2 * ownPower ? second.hz : null;
  }

  private measure(
    pluck: PluckStretch,
    window: { from: Seconds; to: Seconds },
    hz: Hz,
    prior: StiffnessPrior,
  ): PluckOutcome {
    const { frames, sampleRate } = this;
    const from = pluck.onset + Math.round(window.from * sampleRate);
    const to = Math.min(pluck.end, pluck.onset + Math.round(window.to * sampleRate));
    const wanted = Math.round(Math.max(0.085, 7 / hz) * sampleRate);
    const length = Math.min(wanted, this.maxFrame, to - from);
    frames.clear();
    let hint = { hz, inharmonicity: prior.mean };
    let clarity = 0;
    let level = 0;
    let tried = 0;
    const hops = Math.min(MAX_FRAMES - 1, Math.ceil((to - from - length) / (length / 2)));
    for (let k = 0; k <= hops; k++) {
      const offset = from + (hops === 0 ? 0 : Math.round((k * (to - from - length)) / hops));
      const e = this.estimator.estimate(pluck.samples, offset, length, hint, prior);
      tried++;
      if (!e || Math.abs(e.f0 / hz - 1) > 0.06) continue;
      frames.add((offset + length / 2 - pluck.onset) / sampleRate, e);
      clarity += e.clarity;
      level = Math.max(level, rms(pluck.samples, offset, length));
      hint = { hz: e.firstPartialHz, inharmonicity: e.inharmonicity };
    }
    if (frames.count === 0 || frames.count < 0.6 * tried)
      return { kind: 'not sure', reason: 'unsteady' };
    clarity /= frames.count;
    if (clarity < LEAST_CLARITY) return { kind: 'not sure', reason: 'weak' };
    return this.conclude(window.from, (to - from) / sampleRate, clarity, level, prior);
  }

  private conclude(
    windowFrom: Seconds,
    windowLength: Seconds,
    clarity: number,
    level: number,
    prior: StiffnessPrior,
  ): PluckOutcome {
    const { frames } = this;
    if (frames.phaseBreak() > MOST_PHASE_BREAK) return { kind: 'interrupted' };
    frames.separate();
    const stiff: StiffFit = {
      f0: 0,
      inharmonicity: 0,
      errorCents: 0,
      f0ErrorCents: 0,
      shiftCents: 0,
    };
    this.law.fit(frames.number, frames.hz, frames.sigma, frames.partials, prior, stiff);
    const spread = frames.spread();
    if (stiff.errorCents > MOST_ERROR || spread > MOST_WANDER || !Number.isFinite(stiff.f0))
      return { kind: 'not sure', reason: 'unsteady' };
    return {
      kind: 'reading',
      hz: reportedHz(stiff.f0, stiff.inharmonicity),
      clarity,
      errorCents: stiff.errorCents,
      spreadCents: spread,
      f0Hz: stiff.f0,
      firstPartialHz: partialHz(stiff.f0, stiff.inharmonicity, 1),
      periodHz: periodHz({
        partialCount: frames.partials,
        partialNumber: frames.number,
        partialHz: frames.hz,
        partialAmplitude: frames.amplitude,
      }),
      inharmonicity: stiff.inharmonicity,
      moving: Math.abs(frames.slope()) > MOVING_SLOPE,
      windowFrom,
      windowLength,
      levelDbfs: 20 * Math.log10(Math.max(level, 1e-9)),
      partials: frames.list(),
    };
  }
}

function windowFor(duration: Seconds): { from: Seconds; to: Seconds } | null {
  if (duration >= READING_WINDOW.from + 2 * SHORTEST)
    return { from: READING_WINDOW.from, to: Math.min(READING_WINDOW.to, duration) };
  if (duration >= EARLIEST + SHORTEST) return { from: EARLIEST, to: duration };
  return null;
}

function rms(samples: Float64Array, offset: number, length: number): number {
  let sum = 0;
  for (let i = 0; i < length; i++) sum += samples[offset + i]! ** 2;
  return Math.sqrt(sum / length);
}

/**
 * Partials × frames of one note. Every partial's pitch is its own constant
 * place plus the glide that all share, so a partial that dies early does not
 * drag the mean.
 */
class FrameTable {
  count = 0;
  /** After `separate`: the partials' places averaged over the window. */
  partials = 0;
  readonly number = new Float64Array(MAX_PARTIALS);
  readonly hz = new Float64Array(MAX_PARTIALS);
  readonly sigma = new Float64Array(MAX_PARTIALS);
  readonly amplitude = new Float64Array(MAX_PARTIALS);
  private readonly time: Float64Array;
  private readonly glide: Float64Array;
  private readonly cell: Float64Array;
  private readonly cellWeight: Float64Array;
  private readonly cellAmplitude: Float64Array;
  private readonly cellPhase: Float64Array;
  private reference = 0;
  private readonly rows = 31;

  constructor(maxFrames: number) {
    this.time = new Float64Array(maxFrames);
    this.glide = new Float64Array(maxFrames);
    this.cell = new Float64Array(maxFrames * this.rows);
    this.cellWeight = new Float64Array(maxFrames * this.rows);
    this.cellAmplitude = new Float64Array(maxFrames * this.rows);
    this.cellPhase = new Float64Array(maxFrames * this.rows);
  }

  clear(): void {
    this.count = 0;
    this.cellWeight.fill(0);
  }

  /** Adds a frame whose middle lies `time` seconds after the onset. */
  add(time: Seconds, e: FrameEstimate): void {
    const k = this.count++;
    if (k === 0) this.reference = e.f0;
    this.time[k] = time;
    for (let i = 0; i < e.partialCount; i++) {
      const at = k * this.rows + e.partialNumber[i]!;
      this.cell[at] = 1200 * Math.log2(e.partialHz[i]! / e.partialNumber[i]! / this.reference);
      // Beating of a partial's two planes of vibration moves it by some tenths of a cent.
      this.cellWeight[at] = 1 / (e.partialSigma[i]! ** 2 + 0.09);
      this.cellAmplitude[at] = e.partialAmplitude[i]!;
      this.cellPhase[at] = e.partialPhase[i]!;
    }
  }

  /**
   * The greatest break of phase in the note, 0 (none) to 2 (every partial turned round).
   * A ringing partial's phase runs on at its frequency; samples lost or repeated on
   * the way make the phases of all partials jump between the frames before and after.
   */
  phaseBreak(): number {
    let worst = 0;
    for (let k = 0; k + CLEAR_OF < this.count; k++)
      worst = Math.max(worst, this.breakBetween(k, k + CLEAR_OF));
    return worst;
  }

  private breakBetween(a: number, b: number): number {
    const span = this.time[b]! - this.time[a]!;
    let sum = 0;
    let weight = 0;
    for (let n = 1; n < this.rows; n++) {
      const i = a * this.rows + n;
      const j = b * this.rows + n;
      if (this.cellWeight[i] === 0 || this.cellWeight[j] === 0) continue;
      const mean = (this.cell[i]! + this.cell[j]!) / 2;
      const turned = 2 * Math.PI * n * this.reference * 2 ** (mean / 1200) * span;
      const w = this.cellAmplitude[i]! * this.cellAmplitude[j]!;
      sum += w * (1 - Math.cos(this.cellPhase[j]! - this.cellPhase[i]! - turned));
      weight += w;
    }
    return weight > 0 ? sum / weight : 0;
  }

  /** Splits the table into glide (mean 0 over the frames) and the partials' places. */
  separate(): void {
    const { count, rows, glide, cell, cellWeight } = this;
    const place = new Float64Array(rows);
    glide.fill(0);
    for (let round = 0; round < 8; round++) {
      for (let n = 1; n < rows; n++) place[n] = this.meanOfRow(n);
      let mean = 0;
      for (let k = 0; k < count; k++) {
        let sum = 0;
        let weight = 0;
        for (let n = 1; n < rows; n++) {
          const r = cell[k * rows + n]! - place[n]!;
          const w = cellWeight[k * rows + n]! / (1 + ((r - glide[k]!) / 6) ** 2);
          sum += w * r;
          weight += w;
        }
        glide[k] = weight > 0 ? sum / weight : 0;
        mean += glide[k]! / count;
      }
      for (let k = 0; k < count; k++) glide[k]! -= mean;
    }
    this.collect(place);
  }

  private meanOfRow(n: number): number {
    let sum = 0;
    let weight = 0;
    for (let k = 0; k < this.count; k++) {
      const w = this.cellWeight[k * this.rows + n]!;
      sum += w * (this.cell[k * this.rows + n]! - this.glide[k]!);
      weight += w;
    }
    return weight > 0 ? sum / weight : 0;
  }

  private collect(place: Float64Array): void {
    this.partials = 0;
    for (let n = 1; n < this.rows && this.partials < MAX_PARTIALS; n++) {
      let weight = 0;
      let scatter = 0;
      let seen = 0;
      let power = 0;
      for (let k = 0; k < this.count; k++) {
        const w = this.cellWeight[k * this.rows + n]!;
        if (w === 0) continue;
        seen++;
        weight += w;
        scatter += w * (this.cell[k * this.rows + n]! - this.glide[k]! - place[n]!) ** 2;
        power += this.cellAmplitude[k * this.rows + n]! ** 2;
      }
      if (seen === 0 || seen < 0.3 * this.count) continue;
      const i = this.partials++;
      this.number[i] = n;
      this.hz[i] = n * this.reference * 2 ** (place[n]! / 1200);
      // Frames overlap by half, so they count for about half their number.
      const inflation = Math.max(1, seen > 2 ? scatter / (seen - 1) : 1);
      this.sigma[i] = Math.sqrt((1.5 * inflation) / weight);
      this.amplitude[i] = Math.sqrt(power / seen);
    }
  }

  /** The partials' places as plain records. */
  list(): PartialReading[] {
    return Array.from({ length: this.partials }, (_, i) => ({
      number: this.number[i]!,
      hz: this.hz[i]!,
      errorCents: this.sigma[i]!,
      amplitude: this.amplitude[i]!,
    }));
  }

  /** Standard deviation of the shared glide in cents. */
  spread(): Cents {
    let sum = 0;
    for (let k = 0; k < this.count; k++) sum += this.glide[k]! ** 2;
    return Math.sqrt(sum / this.count);
  }

  /** How far the pitch went over the later half of the window, in cents per half second. */
  slope(): Cents {
    const from = this.count >> 1;
    const last = this.count - 1;
    const span = this.time[last]! - this.time[from]!;
    return span > 0.1 ? ((this.glide[last]! - this.glide[from]!) / span) * 0.5 : 0;
  }
}
