/** The largest step of a partial in one round, in bins of the frame: it must not jump to its neighbour. */
const LARGEST_STEP = 0.6;
/** Further than so many such steps from where it began a partial has run away. */
const RUN_AWAY = 2.5;
/** Below this power there is nothing to refine. */
const NO_POWER = 1e-24;
/** A partial loses at most so many nepers over its frame. */
const MOST_DECAY = 6;
/**
 * Joint least-squares fit of damped partials to a stretch of samples.
 *
 * Model: x(t) = Σ Re[ A_n · exp((γ_n + iω_n) t) ], t from the middle of the
 * stretch. Partials are refined one after the other against what the others
 * leave (Gauss–Newton with exact residual), so a plain rectangular stretch can
 * be used and no accuracy is lost to a window. All memory is taken at
 * construction; times are in samples, frequencies in radians per sample.
 */
export class PartialFit {
  /** Partial number of entry i. */
  readonly number: Float64Array;
  /** Frequency in radians per sample. */
  readonly omega: Float64Array;
  /** Decay rate per sample, negative for a dying partial. */
  readonly gamma: Float64Array;
  readonly real: Float64Array;
  readonly imag: Float64Array;
  /** What the partials leave unexplained, `length` samples. */
  readonly residual: Float64Array;
  count = 0;
  length = 0;
  /** Energy (sum of squares) of the stretch and of its residual. */
  energy = 0;
  residualEnergy = 0;
  private readonly start: Float64Array;
  private step0 = 0;

  constructor(
    readonly maxLength: number,
    readonly maxPartials: number,
  ) {
    this.number = new Float64Array(maxPartials);
    this.omega = new Float64Array(maxPartials);
    this.gamma = new Float64Array(maxPartials);
    this.real = new Float64Array(maxPartials);
    this.imag = new Float64Array(maxPartials);
    this.start = new Float64Array(maxPartials);
    this.residual = new Float64Array(maxLength);
  }

  /** Takes `length` samples from `offset`, less their mean, and forgets all partials. */
  load(samples: Float64Array, offset: number, length: number): void {
    this.length = length;
    this.count = 0;
    let mean = 0;
    for (let i = 0; i < length; i++) mean += samples[offset + i]!;
    mean /= length;
    let energy = 0;
    for (let i = 0; i < length; i++) {
      const x = samples[offset + i]! - mean;
      this.residual[i] = x;
      energy += x * x;
    }
    this.energy = energy;
    this.residualEnergy = energy;
  }

  /** Adds a partial to be found near `omega`, with a first complex amplitude, and takes it out. */
  add(number: number, omega: number, gamma: number, real: number, imag: number): void {
    const i = this.count++;
    this.number[i] = number;
    this.omega[i] = omega;
    this.start[i] = omega;
    this.gamma[i] = gamma;
    this.real[i] = real;
    this.imag[i] = imag;
    this.replace(0, 0, 0, 0, omega, gamma, real, imag);
  }

  /** Refines every partial `rounds` times; drops those that run away or fade to nothing. */
  refine(rounds: number): void {
    this.step0 = (LARGEST_STEP * 2 * Math.PI) / this.length;
    for (let round = 0; round < rounds; round++) {
      for (let i = 0; i < this.count; i++) {
        this.refineOne(i);
        if (Math.abs(this.omega[i]! - this.start[i]!) > RUN_AWAY * this.step0) this.drop(i--);
      }
      this.centre();
    }
    let energy = 0;
    for (let i = 0; i < this.length; i++) energy += this.residual[i]! ** 2;
    this.residualEnergy = energy;
  }

  /** Fits a constant beside the partials: the stretch's mean is partly theirs. */
  private centre(): void {
    const { residual, length } = this;
    let mean = 0;
    for (let i = 0; i < length; i++) mean += residual[i]!;
    mean /= length;
    for (let i = 0; i < length; i++) residual[i]! -= mean;
  }

  /** Amplitude of entry i at the middle of the stretch. */
  amplitude(i: number): number {
    return Math.hypot(this.real[i]!, this.imag[i]!);
  }

  /** Removes entry i and gives its part back to the residual. */
  drop(i: number): void {
    this.replace(this.omega[i]!, this.gamma[i]!, this.real[i]!, this.imag[i]!, 0, 0, 0, 0);
    this.count--;
    for (const array of [this.number, this.omega, this.gamma, this.real, this.imag, this.start])
      array.copyWithin(i, i + 1, this.count + 1);
  }

  /** One Gauss–Newton step for amplitude, frequency and decay of entry i. */
  private refineOne(i: number): void {
    const { length, residual } = this;
    const omega = this.omega[i]!;
    const gamma = this.gamma[i]!;
    const middle = (length - 1) / 2;
    const grow = Math.exp(gamma);
    const stepRe = grow * Math.cos(omega);
    const stepIm = grow * Math.sin(omega);
    const first = Math.exp(-gamma * middle);
    let pr = first * Math.cos(-omega * middle);
    let pi = first * Math.sin(-omega * middle);
    let y0r = 0;
    let y0i = 0;
    let y1r = 0;
    let y1i = 0;
    let s0 = 0;
    let s1 = 0;
    let s2 = 0;
    let t = -middle;
    for (let k = 0; k < length; k++, t++) {
      const r = residual[k]!;
      const cr = r * pr;
      const ci = -r * pi;
      y0r += cr;
      y0i += ci;
      y1r += t * cr;
      y1i += t * ci;
      const power = pr * pr + pi * pi;
      s0 += power;
      s1 += t * power;
      s2 += t * t * power;
      const next = pr * stepRe - pi * stepIm;
      pi = pr * stepIm + pi * stepRe;
      pr = next;
    }
    // Normal equations of Re[(dA + C t) p]: the sum-frequency terms are left out, the
    // gradient is exact, so only the speed of convergence feels it.
    const det = (s0 * s2 - s1 * s1) / 2;
    const dAr = (y0r * s2 - y1r * s1) / det;
    const dAi = (y0i * s2 - y1i * s1) / det;
    const cr = (y1r * s0 - y0r * s1) / det;
    const ci = (y1i * s0 - y0i * s1) / det;
    const ar = this.real[i]! + dAr;
    const ai = this.imag[i]! + dAi;
    const power = ar * ar + ai * ai;
    if (power < NO_POWER) return;
    const dOmega = clamp((ci * ar - cr * ai) / power, this.step0);
    const dGamma = clamp((cr * ar + ci * ai) / power, this.step0);
    const newGamma = clamp(gamma + dGamma, MOST_DECAY / length);
    this.replace(omega, gamma, this.real[i]!, this.imag[i]!, omega + dOmega, newGamma, ar, ai);
    this.omega[i] = omega + dOmega;
    this.gamma[i] = newGamma;
    this.real[i] = ar;
    this.imag[i] = ai;
  }

  /** Puts one partial back into the residual and takes another one out. */
  private replace(
    oldOmega: number,
    oldGamma: number,
    oldReal: number,
    oldImag: number,
    omega: number,
    gamma: number,
    real: number,
    imag: number,
  ): void {
    const { length, residual } = this;
    const middle = (length - 1) / 2;
    const oldGrow = Math.exp(oldGamma);
    const oldStepRe = oldGrow * Math.cos(oldOmega);
    const oldStepIm = oldGrow * Math.sin(oldOmega);
    const oldFirst = Math.exp(-oldGamma * middle);
    const oldCos = oldFirst * Math.cos(oldOmega * middle);
    const oldSin = -oldFirst * Math.sin(oldOmega * middle);
    let qr = oldReal * oldCos - oldImag * oldSin;
    let qi = oldReal * oldSin + oldImag * oldCos;
    const grow = Math.exp(gamma);
    const stepRe = grow * Math.cos(omega);
    const stepIm = grow * Math.sin(omega);
    const first = Math.exp(-gamma * middle);
    const cos = first * Math.cos(omega * middle);
    const sin = -first * Math.sin(omega * middle);
    let pr = real * cos - imag * sin;
    let pi = real * sin + imag * cos;
    for (let k = 0; k < length; k++) {
      residual[k] = residual[k]! + qr - pr;
      const nextQ = qr * oldStepRe - qi * oldStepIm;
      qi = qr * oldStepIm + qi * oldStepRe;
      qr = nextQ;
      const nextP = pr * stepRe - pi * stepIm;
      pi = pr * stepIm + pi * stepRe;
      pr = nextP;
    }
  }
}

function clamp(value: number, limit: number): number {
  return Math.max(-limit, Math.min(limit, value));
}
