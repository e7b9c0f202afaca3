import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { nth, nth64 } from '../maths/index.ts';
import { shiftHz } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';
import { partialHz, reportedHz } from './stiffString.ts';

/** Partials of each string, round by round: the low ones point to the high ones. */
const ROUNDS = [5, 8, 11, 14, 18, 20, 20] as const;
const HIGHEST: Hz = 4200;
/** Partials nearer than this are worked out together: so many bins of the stretch. */
const TOGETHER_BINS = 7;
/** The most that are. */
const MOST_TOGETHER = 9;
/** A cluster is heard through a Hann filter of so many samples, every so many. */
const FILTER = { length: 384, hop: 96 } as const;
/** Noise power of the filter over that of one of its samples: they overlap. Hann: 1.5 bins. */
const HANN_BINS = 1.5;
/** What a body shifts a partial by, with Student's weights of so many degrees of freedom. */
const SHIFT: Cents = 1.5;
const STUDENT = 4;
/** Decays of partials, in nepers a second. */
const DECAY = { mean: 2, sigma: 3 } as const;
/** How fast a string's pitch may glide, in cents a second. */
const GLIDE = 8;
/** A first guess is good within this. */
const FIRST: Cents = 15;
/** Amplitudes are kept small by so much of the noise. */
const RIDGE = 1e-3;
const CENT = Math.LN2 / 1200;
const UNKNOWNS = 3;

/** A string to be fitted, and where it is thought to be. */
export interface StrumGuess {
  readonly hz: Hz;
  readonly inharmonicity: number;
  readonly sigmaB: number;
}

/** A fitted string of a strum. */
export interface StrumFitted {
  /** Reported pitch in the middle of the stretch. */
  readonly hz: Hz;
  readonly errorCents: Cents;
  readonly inharmonicity: number;
  /** Partials that stand by themselves, well over the noise. */
  readonly own: number;
  /** Share of its partials that lie far off its law. */
  readonly outliers: number;
}

interface Atom {
  readonly string: number;
  readonly n: number;
  re: number;
  im: number;
  decay: number;
  shift: Cents;
  omega: number;
  /** Standard error of its own frequency, and how far it stands over the noise. */
  sigma: Cents;
  snr: number;
  alone: boolean;
}

/**
 * All strings of a strum from one stretch, together.
 *
 * Each partial is a damped sine whose frequency follows from its string's pitch, stiffness and
 * glide and a shift of its own, which is small (Student, 1.5 cents). Partials that lie close
 * are solved in one narrow band; amplitudes, decays and shifts are eliminated there (Schur), and
 * what is left adds up to one small system for all strings (Gauss–Newton).
 */
export class StrumFit {
  private readonly residual: Float64Array;
  private readonly atoms = new Map<string, Atom>();
  private readonly cents: number[];
  private readonly b: number[];
  private readonly glide: number[];
  private covariance: Matrix | null = null;
  private readonly taps: Float64Array;
  private readonly shiftedRe: Float64Array;
  private readonly shiftedIm: Float64Array;

  constructor(
    samples: Float64Array,
    private readonly sampleRate: Hz,
    private readonly strings: readonly StrumGuess[],
  ) {
    this.residual = Float64Array.from(samples);
    this.shiftedRe = new Float64Array(samples.length);
    this.shiftedIm = new Float64Array(samples.length);
    this.cents = strings.map(() => 0);
    this.b = strings.map(({ inharmonicity }) => inharmonicity);
    this.glide = strings.map(() => 0);
    const { length } = FILTER;
    this.taps = Float64Array.from(
      { length },
      (_, i) => (1 - Math.cos((2 * Math.PI * (i + 0.5)) / length)) / length,
    );
  }

  /** Fits, and answers every string. */
  fit(): StrumFitted[] {
    for (const partials of ROUNDS) {
      const clusters = this.clusters(partials);
      for (const cluster of clusters)
        if (cluster.some(({ re, im }) => re === 0 && im === 0)) this.amplitudes(cluster);
      this.round(clusters);
    }
    return this.strings.map((_, s) => this.answer(s));
  }

  private answer(s: number): StrumFitted {
    const own = [...this.atoms.values()].filter((atom) => atom.string === s);
    const strong = own.filter((atom) => atom.alone && atom.snr > STANDS_OUT);
    const off = strong.filter((atom) => Math.abs(atom.shift) > 3 * Math.hypot(SHIFT, atom.sigma));
    const variance = this.covariance?.get(UNKNOWNS * s, UNKNOWNS * s) ?? Number.POSITIVE_INFINITY;
    return {
      hz: shiftHz(nth(this.strings, s).hz, nth(this.cents, s)),
      errorCents: UNMODELLED * Math.sqrt(variance),
      inharmonicity: nth(this.b, s),
      own: strong.length,
      outliers: strong.length === 0 ? 1 : off.length / strong.length,
    };
  }

  private omegaOf(s: number, n: number): number {
    const { hz } = nth(this.strings, s);
    const b = nth(this.b, s);
    const f0 = (shiftHz(hz, nth(this.cents, s)) * hz) / reportedHz(hz, b);
    return (2 * Math.PI * partialHz(f0, b, n)) / this.sampleRate;
  }

  /** Partials of all strings by groups of those that lie close. */
  private clusters(partials: number): Atom[][] {
    const all: Atom[] = [];
    this.strings.forEach((_, s) => {
      for (let n = 1; n <= partials; n++) {
        const omega = this.omegaOf(s, n);
        if (omega > (2 * Math.PI * HIGHEST) / this.sampleRate) break;
        const key = `${s} ${n}`;
        let atom = this.atoms.get(key);
        if (!atom) {
          atom = {
            string: s,
            n,
            re: 0,
            im: 0,
            decay: DECAY.mean,
            shift: 0,
            omega,
            sigma: SHIFT,
            snr: 0,
            alone: false,
          };
          this.atoms.set(key, atom);
        }
        // What was explained with the frequency of before is explained anew.
        this.put(atom, 1);
        atom.omega = omega * Math.exp(atom.shift * CENT);
        this.put(atom, -1);
        all.push(atom);
      }
    });
    all.sort((a, b) => a.omega - b.omega);
    const gap = (TOGETHER_BINS * 2 * Math.PI) / this.residual.length;
    const clusters: Atom[][] = [];
    for (const atom of all) {
      const last = clusters.at(-1);
      const before = last?.at(-1);
      const near = before && atom.omega - before.omega < gap;
      if (last && near && last.length < MOST_TOGETHER) last.push(atom);
      else clusters.push([atom]);
    }
    for (const cluster of clusters)
      for (const atom of cluster)
        atom.alone = cluster.every(
          (other) =>
            other === atom ||
            Math.abs(other.omega - atom.omega) > ALONE_BINS * (gap / TOGETHER_BINS),
        );
    return clusters;
  }

  /** Adds an atom to the residual (1), or takes it out (−1). */
  private put({ re, im, omega, decay, string }: Atom, sign: 1 | -1): void {
    if (re === 0 && im === 0) return;
    const { residual, sampleRate } = this;
    const glide = nth(this.glide, string) * CENT;
    const middle = (residual.length - 1) / 2;
    // Worked out exactly every so often, turned on in between.
    for (let from = 0; from < residual.length; from += EXACT) {
      const to = Math.min(residual.length, from + EXACT);
      const centre = (from + to - 1) / 2;
      const t = (centre - middle) / sampleRate;
      const size = Math.exp(-decay * t);
      const step = omega * (1 + glide * t);
      const phase = omega * (centre - middle) * (1 + 0.5 * glide * t) - step * (centre - from);
      let c = sign * size * (re * Math.cos(phase) - im * Math.sin(phase));
      let s = sign * size * (re * Math.sin(phase) + im * Math.cos(phase));
      const cos = Math.cos(step);
      const sin = Math.sin(step);
      for (let i = from; i < to; i++) {
        residual[i]! += c;
        const next = c * cos - s * sin;
        s = c * sin + s * cos;
        c = next;
      }
    }
  }

  /** What a narrow band holds beside the atoms: complex, a sample for each hop. */
  private band(omega: number): { re: Float64Array; im: Float64Array } {
    const { residual, taps, shiftedRe, shiftedIm } = this;
    const count = Math.floor((residual.length - FILTER.length) / FILTER.hop) + 1;
    const re = new Float64Array(count);
    const im = new Float64Array(count);
    const middle = (residual.length - 1) / 2;
    let c = Math.cos(omega * middle);
    let s = Math.sin(omega * middle);
    const cos = Math.cos(omega);
    const sin = Math.sin(omega);
    for (let i = 0; i < residual.length; i++) {
      const x = nth64(residual, i);
      shiftedRe[i] = x * c;
      shiftedIm[i] = x * s;
      const next = c * cos + s * sin;
      s = s * cos - c * sin;
      c = next;
    }
    for (let m = 0; m < count; m++) {
      let a = 0;
      let b = 0;
      const from = m * FILTER.hop;
      for (let k = 0; k < FILTER.length; k++) {
        const tap = taps[k]!;
        a += tap * shiftedRe[from + k]!;
        b += tap * shiftedIm[from + k]!;
      }
      // A real sine holds half of its amplitude on either side of zero.
      re[m] = 2 * a;
      im[m] = 2 * b;
    }
    return { re, im };
  }

  /** Times of the band's samples, from the middle of the stretch. */
  private time(m: number): number {
    return (
      (m * FILTER.hop + (FILTER.length - 1) / 2 - (this.residual.length - 1) / 2) / this.sampleRate
    );
  }

  /** The atoms of a cluster as they sound in its band, each with amplitude 1: re and im by turns. */
  private shapes(cluster: readonly Atom[], centre: number, count: number): Float64Array[] {
    return cluster.map((atom) => {
      const out = new Float64Array(2 * count);
      const glide = nth(this.glide, atom.string) * CENT;
      for (let m = 0; m < count; m++) {
        const t = this.time(m);
        const phase =
          ((atom.omega - centre) * t + 0.5 * atom.omega * glide * t * t) * this.sampleRate;
        const size = Math.exp(-atom.decay * t);
        out[2 * m] = size * Math.cos(phase);
        out[2 * m + 1] = size * Math.sin(phase);
      }
      return out;
    });
  }

  /** Amplitudes alone, for atoms that are new or were moved. */
  private amplitudes(cluster: Atom[]): void {
    const centre = (nth(cluster, 0).omega + nth(cluster, cluster.length - 1).omega) / 2;
    const { re, im } = this.band(centre);
    const count = re.length;
    const shapes = this.shapes(cluster, centre, count);
    const columns = shapes.flatMap((shape) => [shape, turned(shape)]);
    const data = new Float64Array(2 * count);
    for (let m = 0; m < count; m++) {
      data[2 * m] = nth64(re, m);
      data[2 * m + 1] = nth64(im, m);
    }
    const normal = gram(columns, columns);
    const scale = count * RIDGE;
    for (let k = 0; k < columns.length; k++) normal.set(k, k, normal.get(k, k) + scale);
    const right = Matrix.columnVector(columns.map((column) => dot(column, data)));
    const change = new CholeskyDecomposition(normal).solve(right);
    cluster.forEach((atom, k) => {
      this.put(atom, 1);
      atom.re += change.get(2 * k, 0);
      atom.im += change.get(2 * k + 1, 0);
      this.put(atom, -1);
    });
  }

  /** One step of all strings, from what every cluster tells. */
  private round(clusters: readonly Atom[][]): void {
    const size = UNKNOWNS * this.strings.length;
    const normal = Matrix.zeros(size, size);
    const right = Matrix.zeros(size, 1);
    this.strings.forEach(({ inharmonicity, sigmaB }, s) => {
      const at = UNKNOWNS * s;
      normal.set(at, at, 1 / FIRST ** 2 / ROUNDS.length);
      normal.set(at + 1, at + 1, 1 / sigmaB ** 2);
      right.set(at + 1, 0, (inharmonicity - nth(this.b, s)) / sigmaB ** 2);
      normal.set(at + 2, at + 2, 1 / GLIDE ** 2);
      right.set(at + 2, 0, -nth(this.glide, s) / GLIDE ** 2);
    });
    const told = clusters.map((cluster) => this.tell(cluster, normal, right));
    const solver = new CholeskyDecomposition(symmetric(normal));
    const step = solver.solve(right);
    this.covariance = solver.solve(Matrix.eye(size, size));
    this.forget(clusters);
    this.strings.forEach((_, s) => {
      const at = UNKNOWNS * s;
      this.cents[s]! += clamp(step.get(at, 0), FIRST);
      this.b[s] = Math.max(0, nth(this.b, s) + step.get(at + 1, 0));
      this.glide[s]! += clamp(step.get(at + 2, 0), GLIDE);
    });
    told.forEach((apply) => apply(step));
    this.remember(clusters);
  }

  private forget(clusters: readonly Atom[][]): void {
    for (const cluster of clusters) for (const atom of cluster) this.put(atom, 1);
  }

  private remember(clusters: readonly Atom[][]): void {
    for (const cluster of clusters)
      for (const atom of cluster) {
        atom.omega = this.omegaOf(atom.string, atom.n) * Math.exp(atom.shift * CENT);
        this.put(atom, -1);
      }
  }

  /** Adds what a cluster tells of its strings; answers how its own unknowns follow once they are solved. */
  private tell(cluster: Atom[], normal: Matrix, right: Matrix): (step: Matrix) => void {
    const centre = (nth(cluster, 0).omega + nth(cluster, cluster.length - 1).omega) / 2;
    const { re, im } = this.band(centre);
    const count = re.length;
    const data = new Float64Array(2 * count);
    for (let m = 0; m < count; m++) {
      data[2 * m] = nth64(re, m);
      data[2 * m + 1] = nth64(im, m);
    }
    const shapes = this.shapes(cluster, centre, count);
    // Of each atom: amplitude (two), decay; then frequency and glide, in cents.
    const nuisance: Float64Array[] = [];
    const wanted: Float64Array[] = [];
    cluster.forEach((atom, k) => {
      const shape = nth(shapes, k);
      const sounding = scaled(shape, atom.re, atom.im);
      nuisance.push(
        shape,
        turned(shape),
        this.timed(sounding, count, (t) => -t),
      );
      const spin = turned(sounding);
      const perCent = atom.omega * this.sampleRate * CENT;
      wanted.push(this.timed(spin, count, (t) => t * perCent));
      wanted.push(this.timed(spin, count, (t) => 0.5 * t * t * perCent));
    });
    const free = Math.max(1, 2 * count - nuisance.length - cluster.length);
    const overlap = this.sampleRate / FILTER.hop / ((HANN_BINS * this.sampleRate) / FILTER.length);
    const variance = (overlap * dot(data, data)) / free + 1e-14;
    const inner = gram(nuisance, nuisance).mul(1 / variance);
    cluster.forEach((_, k) => {
      for (const j of [0, 1])
        inner.set(3 * k + j, 3 * k + j, inner.get(3 * k + j, 3 * k + j) * (1 + RIDGE) + 1e-9);
      inner.set(3 * k + 2, 3 * k + 2, inner.get(3 * k + 2, 3 * k + 2) + 1 / DECAY.sigma ** 2);
    });
    const cross = gram(nuisance, wanted).mul(1 / variance);
    const gNuisance = Matrix.columnVector(nuisance.map((column) => dot(column, data) / variance));
    cluster.forEach((atom, k) => {
      gNuisance.set(
        3 * k + 2,
        0,
        gNuisance.get(3 * k + 2, 0) + (DECAY.mean - atom.decay) / DECAY.sigma ** 2,
      );
    });
    const gWanted = Matrix.columnVector(wanted.map((column) => dot(column, data) / variance));
    const inverse = new CholeskyDecomposition(inner);
    const projected = inverse.solve(cross);
    const k = gram(wanted, wanted)
      .mul(1 / variance)
      .sub(cross.transpose().mmul(projected));
    const g = gWanted.sub(projected.transpose().mmul(gNuisance));
    // Shifts of single partials are eliminated too: S picks the frequencies.
    const count2 = cluster.length;
    const s = Matrix.zeros(2 * count2, count2);
    const prior = Matrix.zeros(count2, count2);
    const shifts = Matrix.zeros(count2, 1);
    cluster.forEach((atom, j) => {
      s.set(2 * j, j, 1);
      const weight = (STUDENT + 1) / (STUDENT + (atom.shift / SHIFT) ** 2);
      prior.set(j, j, weight / SHIFT ** 2);
      shifts.set(j, 0, atom.shift);
      const information = k.get(2 * j, 2 * j);
      atom.sigma = 1 / Math.sqrt(Math.max(information, 1e-9));
      atom.snr = Math.hypot(atom.re, atom.im) / Math.sqrt(variance / count);
    });
    const ks = k.mmul(s);
    const kss = symmetric(s.transpose().mmul(ks).add(prior));
    const eliminate = new CholeskyDecomposition(kss);
    const j = Matrix.zeros(2 * count2, normal.rows);
    cluster.forEach((atom, a) => {
      const at = UNKNOWNS * atom.string;
      j.set(2 * a, at, 1);
      j.set(2 * a, at + 1, this.byB(atom));
      j.set(2 * a + 1, at + 2, 1);
    });
    const kj = k.mmul(j);
    const skj = s.transpose().mmul(kj);
    const gs = s.transpose().mmul(g).sub(prior.mmul(shifts));
    normal.add(
      j
        .transpose()
        .mmul(kj)
        .sub(skj.transpose().mmul(eliminate.solve(skj))),
    );
    right.add(
      j
        .transpose()
        .mmul(g)
        .sub(skj.transpose().mmul(eliminate.solve(gs))),
    );
    return (step) => {
      const shiftStep = eliminate.solve(gs.clone().sub(skj.mmul(step)));
      const moved = j.mmul(step).add(s.mmul(shiftStep));
      const rest = inverse.solve(gNuisance.clone().sub(cross.mmul(moved)));
      cluster.forEach((atom, a) => {
        atom.shift = clamp(atom.shift + clamp(shiftStep.get(a, 0), 3), MOST_SHIFT);
        atom.re += rest.get(3 * a, 0);
        atom.im += rest.get(3 * a + 1, 0);
        atom.decay = Math.min(
          MOST_DECAY,
          Math.max(0, atom.decay + clamp(rest.get(3 * a + 2, 0), DECAY.sigma)),
        );
      });
    };
  }

  /** Cents of a partial for a change of B, at the same reported pitch. */
  private byB({ n, string }: Atom): number {
    const b = nth(this.b, string);
    return (0.5 / CENT) * ((n * n) / (1 + b * n * n) - 16 / (1 + 16 * b));
  }

  private timed(shape: Float64Array, count: number, by: (t: number) => number): Float64Array {
    const out = new Float64Array(shape.length);
    for (let m = 0; m < count; m++) {
      const factor = by(this.time(m));
      out[2 * m] = factor * nth64(shape, 2 * m);
      out[2 * m + 1] = factor * nth64(shape, 2 * m + 1);
    }
    return out;
  }
}

/**
 * What the law leaves out (two planes of vibration, a neighbour that sounds along) makes errors larger by
 * this; found on strums 1001–1054 of the bench, used on others.
 */
const UNMODELLED = 1.4;
/** Samples between two exact values of an atom's phase. */
const EXACT = 128;
/** A partial stands alone with no other so near, in bins, and stands out so many times over its noise. */
const ALONE_BINS = 2;
const STANDS_OUT = 8;
const MOST_SHIFT: Cents = 20;
const MOST_DECAY = 20;

function clamp(x: number, most: number): number {
  return Math.max(-most, Math.min(most, x));
}

/** A complex shape a quarter turn on. */
function turned(shape: Float64Array): Float64Array {
  const out = new Float64Array(shape.length);
  for (let i = 0; i < shape.length; i += 2) {
    out[i] = -nth64(shape, i + 1);
    out[i + 1] = nth64(shape, i);
  }
  return out;
}

function scaled(shape: Float64Array, re: number, im: number): Float64Array {
  const out = new Float64Array(shape.length);
  for (let i = 0; i < shape.length; i += 2) {
    out[i] = re * nth64(shape, i) - im * nth64(shape, i + 1);
    out[i + 1] = im * nth64(shape, i) + re * nth64(shape, i + 1);
  }
  return out;
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += nth64(a, i) * nth64(b, i);
  return sum;
}

function gram(a: readonly Float64Array[], b: readonly Float64Array[]): Matrix {
  return new Matrix(a.map((one) => b.map((two) => dot(one, two))));
}

/** Free of what rounding left. */
function symmetric(matrix: Matrix): Matrix {
  return Matrix.add(matrix, matrix.transpose()).mul(0.5);
}
