import { decibels } from '../maths/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';
import type { FrameEstimate } from './estimator.ts';
import { HIGHEST_PARTIAL, MAX_PARTIALS } from './estimator.ts';
import { partialHz } from './stiffString.ts';

/** A row for each partial; row 0 stays empty, so that a partial's number is its row. */
const ROWS = HIGHEST_PARTIAL + 1;
/** Beating of a partial's two planes of vibration moves it by some tenths of a cent: 0.3, squared. */
const BEATING = 0.09;
/** A shift in time is tried in steps of this share of the highest partial's period. */
const SHIFT_STEP = 1 / 12;
/** Sums of energy begin here, so that silence has a logarithm. */
const NO_ENERGY = 1e-20;
/** Rounds in which glide and places are told apart: after six nothing moves by 0.001 cents. */
const ROUNDS = 8;
/** A value this far from the shared glide counts for half. */
const FAR_FROM_GLIDE: Cents = 6;
/** A partial that was seen in fewer frames than this share is left out. */
const SEEN_IN = 0.3;
/** Frames overlap by half, so that errors of their mean are larger by this, squared. */
const OVERLAP = 1.5;
/** So many errors beyond what a body resonance does a partial is a stray. */
const STRAY_SIGMAS = 4;
/** A slope is read over no less than this. */
const LEAST_SPAN: Seconds = 0.1;
const SLOPE_OVER: Seconds = 0.5;

/** No body resonance pulls a partial this far from the law. */
const STRAY: Cents = 30;
/** A skip: partials (counted by weight) disagree in phase, and one shift in time reconciles them. */
const SKIP = { partials: 1.8, atRest: 0.5, explained: 0.85 } as const;
/** Behind a click a string goes on in step (mean cosine of its partials' phases) and with no more power. */
const RINGS_ON = { inStep: 0.8, power: 1.4 } as const;
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

/** Fewer points than this make no line. */
const LEAST_FRAMES = 3;

/** The share of a note in which no finger has come back to the string. */
const UNTOUCHED = 0.75;

/** How the partials of a note fade. */
export interface Fading {
  readonly dbPerSecond: number;
  /** dB a second more for each factor of e in the partial's number; negative where high ones die first. */
  readonly tilt: number;
}

/** A weighted straight line. */
class Line {
  count = 0;
  private w = 0;
  private x = 0;
  private y = 0;
  private xx = 0;
  private xy = 0;

  add(x: number, y: number, weight: number): void {
    this.count++;
    this.w += weight;
    this.x += weight * x;
    this.y += weight * y;
    this.xx += weight * x * x;
    this.xy += weight * x * y;
  }

  middle(): number {
    return this.y / this.w;
  }

  slope(): number {
    return (this.w * this.xy - this.x * this.y) / (this.w * this.xx - this.x ** 2);
  }
}

/**
 * Partials × frames of one note. Every partial's pitch is its own constant
 * place plus the glide that all share, so a partial that dies early does not
 * drag the mean.
 */
export class FrameTable {
  count = 0;
  /** Sums over the frames. */
  clarity = 0;
  tonal = 0;
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
  private readonly phaseOff = new Float64Array(MAX_PARTIALS);
  private readonly phaseHz = new Float64Array(MAX_PARTIALS);
  private readonly phaseWeight = new Float64Array(MAX_PARTIALS);
  private reference = 0;
  private readonly rows = ROWS;

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
    this.clarity = 0;
    this.tonal = 0;
    this.cellWeight.fill(0);
  }

  /** Adds a frame whose middle lies `time` seconds after the onset. */
  add(time: Seconds, e: FrameEstimate): void {
    const k = this.count++;
    this.clarity += e.clarity;
    this.tonal += e.tonal;
    if (k === 0) this.reference = e.f0;
    this.time[k] = time;
    for (let i = 0; i < e.partialCount; i++) {
      const at = k * this.rows + e.partialNumber[i]!;
      this.cell[at] = centsBetween(this.reference, e.partialHz[i]! / e.partialNumber[i]!);
      this.cellWeight[at] = 1 / (e.partialSigma[i]! ** 2 + BEATING);
      this.cellAmplitude[at] = e.partialAmplitude[i]!;
      this.cellPhase[at] = e.partialPhase[i]!;
    }
  }

  /**
   * True when samples were lost or repeated in the note: every ringing partial's phase
   * runs on at its own frequency, so a skip sets the phases of all of them off by one
   * and the same time between the frames before and after.
   */
  hasSkip(): boolean {
    for (let k = 0; k + CLEAR_OF < this.count; k++)
      if (this.skipBetween(k, k + CLEAR_OF)) return true;
    return false;
  }

  private skipBetween(a: number, b: number): boolean {
    const { count, weight, squares } = this.phasesBetween(a, b);
    const several = weight * weight >= SKIP.partials * squares;
    if (count === 0 || !several || this.inPhase(count, weight, 0) > SKIP.atRest) return false;
    const step = SHIFT_STEP / this.phaseHz[count - 1]!;
    for (let shift = step; shift < 0.5 / this.reference; shift += step)
      for (const sign of [-1, 1])
        if (this.inPhase(count, weight, sign * shift) > SKIP.explained) return true;
    return false;
  }

  /** True when the string of the first frame rings on in the last: its partials in step, and no louder. */
  ringsOn(): boolean {
    const last = this.count - 1;
    const { count, weight } = this.phasesBetween(0, last);
    const louder = this.energyOf(last, last + 1) > RINGS_ON.power * this.energyOf(0, 1);
    return count > 0 && !louder && this.inPhase(count, weight, 0) > RINGS_ON.inStep;
  }

  /** Lays out by how much each partial's phase differs between two frames from what its pitch foretells. */
  private phasesBetween(a: number, b: number): { count: number; weight: number; squares: number } {
    const { phaseOff, phaseHz, phaseWeight } = this;
    const span = this.time[b]! - this.time[a]!;
    let count = 0;
    let weight = 0;
    let squares = 0;
    for (let n = 1; n < this.rows; n++) {
      const i = a * this.rows + n;
      const j = b * this.rows + n;
      if (this.cellWeight[i] === 0 || this.cellWeight[j] === 0) continue;
      const hz = shiftHz(n * this.reference, (this.cell[i]! + this.cell[j]!) / 2);
      const w = Math.sqrt(this.cellAmplitude[i]! * this.cellAmplitude[j]!);
      phaseHz[count] = hz;
      phaseOff[count] = this.cellPhase[j]! - this.cellPhase[i]! - 2 * Math.PI * hz * span;
      phaseWeight[count++] = w;
      weight += w;
      squares += w * w;
    }
    return { count, weight, squares };
  }

  /** How well the partials agree in phase after a shift in time: 1 if all do. */
  private inPhase(count: number, weight: number, shift: Seconds): number {
    let sum = 0;
    for (let i = 0; i < count; i++)
      sum +=
        this.phaseWeight[i]! * Math.cos(this.phaseOff[i]! - 2 * Math.PI * this.phaseHz[i]! * shift);
    return sum / weight;
  }

  /** How much the string's energy fell from the first third of the window to the last, in dB. */
  decayDb(): number {
    const third = Math.max(1, Math.round(this.count / 3));
    return 10 * Math.log10(this.energyOf(0, third) / this.energyOf(this.count - third, this.count));
  }

  /**
   * How its partials fade: dB a second, the louder the more they count, and by how much more with
   * each factor of e in their number. The last quarter is left out: a finger may have come back in it.
   * Both are 0 where too few frames tell.
   */
  fading(): Fading {
    const frames = Math.min(this.count, Math.max(LEAST_FRAMES, Math.ceil(UNTOUCHED * this.count)));
    const mean = new Line();
    const tilt = new Line();
    for (let n = 1; n < this.rows; n++) {
      const row = new Line();
      let loud = 0;
      for (let k = 0; k < frames; k++) {
        const at = k * this.rows + n;
        if (this.cellWeight[at] === 0) continue;
        row.add(this.time[k]!, decibels(this.cellAmplitude[at]!), 1);
        loud = Math.max(loud, this.cellAmplitude[at]!);
      }
      if (row.count < LEAST_FRAMES) continue;
      mean.add(0, row.slope(), loud);
      tilt.add(Math.log(n), row.slope(), Math.sqrt(loud));
    }
    return {
      dbPerSecond: mean.count > 0 ? mean.middle() : 0,
      tilt: tilt.count >= LEAST_FRAMES ? tilt.slope() : 0,
    };
  }

  private energyOf(from: number, to: number): number {
    let sum = NO_ENERGY;
    for (let at = from * this.rows; at < to * this.rows; at++)
      if (this.cellWeight[at]! > 0) sum += this.cellAmplitude[at]! ** 2;
    return sum;
  }

  /** Splits the table into glide (mean 0 over the frames) and the partials' places. */
  separate(): void {
    const { count, rows, glide, cell, cellWeight } = this;
    const place = new Float64Array(rows);
    glide.fill(0);
    for (let round = 0; round < ROUNDS; round++) {
      for (let n = 1; n < rows; n++) place[n] = this.meanOfRow(n);
      let mean = 0;
      for (let k = 0; k < count; k++) {
        let sum = 0;
        let weight = 0;
        for (let n = 1; n < rows; n++) {
          const r = cell[k * rows + n]! - place[n]!;
          const w = cellWeight[k * rows + n]! / (1 + ((r - glide[k]!) / FAR_FROM_GLIDE) ** 2);
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
      if (seen === 0 || seen < SEEN_IN * this.count) continue;
      const i = this.partials++;
      this.number[i] = n;
      this.hz[i] = shiftHz(n * this.reference, place[n]!);
      const inflation = Math.max(1, seen > 2 ? scatter / (seen - 1) : 1);
      this.sigma[i] = Math.sqrt((OVERLAP * inflation) / weight);
      this.amplitude[i] = Math.sqrt(power / seen);
    }
  }

  /**
   * Where the partials that follow the law carry less than half of the energy, the pitch
   * that the loudest of the others hints at; null otherwise.
   */
  loudestStray(law: { f0: Hz; inharmonicity: number }): Hz | null {
    let on = 0;
    let off = 0;
    let loudest = -1;
    for (let i = 0; i < this.partials; i++) {
      const expected = partialHz(law.f0, law.inharmonicity, this.number[i]!);
      const power = this.amplitude[i]! ** 2;
      if (Math.abs(centsBetween(expected, this.hz[i]!)) < STRAY + STRAY_SIGMAS * this.sigma[i]!)
        on += power;
      else {
        off += power;
        if (loudest < 0 || this.amplitude[i]! > this.amplitude[loudest]!) loudest = i;
      }
    }
    return off > on ? this.hz[loudest]! / this.number[loudest]! : null;
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

  /** Seconds since the onset of the middle of frame k. */
  timeAt(k: number): Seconds {
    return this.time[k]!;
  }

  /** The shared glide at frame k, in cents. */
  glideAt(k: number): Cents {
    return this.glide[k]!;
  }

  /** Standard deviation of the shared glide in cents. */
  spread(): Cents {
    let sum = 0;
    for (let k = 0; k < this.count; k++) sum += this.glide[k]! ** 2;
    return Math.sqrt(sum / this.count);
  }

  /** What noise alone does to the shared glide of a frame, in cents rms. */
  noise(): Cents {
    let sum = 0;
    for (let k = 0; k < this.count; k++) {
      let weight = 0;
      for (let n = 1; n < this.rows; n++) weight += this.cellWeight[k * this.rows + n]!;
      sum += 1 / weight;
    }
    return Math.sqrt(sum / this.count);
  }

  /** How far the last third of the window lies from the first, in cents. */
  went(): Cents {
    const third = Math.max(1, Math.round(this.count / 3));
    let sum = 0;
    for (let k = 0; k < third; k++) sum += this.glide[this.count - 1 - k]! - this.glide[k]!;
    return Math.abs(sum / third);
  }

  /** How far the pitch went over the later half of the window, in cents per half second. */
  slope(): Cents {
    const from = this.count >> 1;
    const last = this.count - 1;
    const span = this.time[last]! - this.time[from]!;
    if (span <= LEAST_SPAN) return 0;
    return ((this.glide[last]! - this.glide[from]!) / span) * SLOPE_OVER;
  }
}
