import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { nth } from '../maths/index.ts';
import { shiftHz } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';
import { partialHz, REPORTED_PARTIAL, reportedHz } from './stiffString.ts';
import { DECAY, SHIFT, StrumCluster, symmetric, UNKNOWNS, within } from './strumCluster.ts';
import { type Atom, StrumSound } from './strumSound.ts';

/** Partials of each string, round by round: the low ones point to the high ones. */
const ROUNDS = [5, 8, 11, 14, 18, 20, 20] as const;
const HIGHEST: Hz = 4200;
/** Partials nearer than this are worked out together, so many at most; in bins of the stretch. */
const TOGETHER = { bins: 7, most: 9 } as const;
/** A partial stands alone with no other so near, in bins, and stands out so many times over its noise. */
const ALONE_BINS = 2;
const STANDS_OUT = 8;
/** Further off its law than so many errors a partial is none of the string's. */
const OUTLIER = 3;
/** How fast a string's pitch may glide, in cents a second; how far one step goes. */
const GLIDE = 8;
const STEP: Cents = 15;
/**
 * What the law leaves out (two planes of vibration, a neighbour that sounds along) makes errors larger by
 * this; found on strums 1001–1054 of the bench, used on others.
 */
const UNMODELLED = 1.4;
const CENT = Math.LN2 / 1200;

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
  /** Share of those that lie far off its law. */
  readonly outliers: number;
}

/** Where a string stands against its guess. */
interface Standing {
  cents: Cents;
  b: number;
  /** Cents a second. */
  glide: number;
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
  private readonly sound: StrumSound;
  private readonly atoms = new Map<string, Atom>();
  private readonly now: Standing[];
  private covariance: Matrix | null = null;

  constructor(
    samples: Float64Array,
    private readonly sampleRate: Hz,
    private readonly strings: readonly StrumGuess[],
  ) {
    this.sound = new StrumSound(samples, sampleRate);
    this.now = strings.map(({ inharmonicity }) => ({ cents: 0, b: inharmonicity, glide: 0 }));
  }

  /** Fits, and answers every string. */
  fit(): StrumFitted[] {
    for (const partials of ROUNDS) {
      const clusters = this.clusters(partials);
      for (const cluster of clusters)
        if (cluster.atoms.some(({ re, im }) => re === 0 && im === 0)) cluster.amplitudes();
      this.round(clusters);
    }
    return this.strings.map((string, s) => this.answer(string, s));
  }

  private answer({ hz }: StrumGuess, s: number): StrumFitted {
    const own = [...this.atoms.values()].filter(
      (atom) => atom.string === s && atom.alone && atom.snr > STANDS_OUT,
    );
    const off = own.filter(
      ({ shift, sigma }) => Math.abs(shift) > OUTLIER * Math.hypot(SHIFT, sigma),
    );
    const variance = this.covariance?.get(UNKNOWNS * s, UNKNOWNS * s) ?? Number.POSITIVE_INFINITY;
    const { cents, b } = nth(this.now, s);
    return {
      hz: shiftHz(hz, cents),
      errorCents: UNMODELLED * Math.sqrt(variance),
      inharmonicity: b,
      own: own.length,
      outliers: own.length === 0 ? 1 : off.length / own.length,
    };
  }

  private omegaOf(s: number, n: number): number {
    const { hz } = nth(this.strings, s);
    const { cents, b } = nth(this.now, s);
    const f0 = (shiftHz(hz, cents) * hz) / reportedHz(hz, b);
    return (2 * Math.PI * partialHz(f0, b, n)) / this.sampleRate;
  }

  /** Partials of all strings by groups of those that lie close. */
  private clusters(partials: number): StrumCluster[] {
    const bin = (2 * Math.PI) / this.sound.residual.length;
    const groups: Atom[][] = [];
    for (const atom of this.partials(partials).sort((a, b) => a.omega - b.omega)) {
      const last = groups.at(-1);
      const before = last?.at(-1);
      const near = before && atom.omega - before.omega < TOGETHER.bins * bin;
      if (last && near && last.length < TOGETHER.most) last.push(atom);
      else groups.push([atom]);
    }
    const strings = {
      glide: (s: number) => nth(this.now, s).glide * CENT,
      byB: (atom: Atom) => this.byB(atom),
      count: this.strings.length,
    };
    return groups.map((group) => {
      for (const atom of group)
        atom.alone = group.every(
          (other) => other === atom || Math.abs(other.omega - atom.omega) > ALONE_BINS * bin,
        );
      return new StrumCluster(group, this.sound, strings);
    });
  }

  /** The lowest partials of each string; those that are new are silent yet. */
  private partials(most: number): Atom[] {
    const all: Atom[] = [];
    this.strings.forEach((_, string) => {
      for (let n = 1; n <= most; n++) {
        const omega = this.omegaOf(string, n);
        if (omega > (2 * Math.PI * HIGHEST) / this.sampleRate) break;
        const key = `${string} ${n}`;
        const known = this.atoms.get(key);
        const atom = known ?? {
          string,
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
        if (!known) this.atoms.set(key, atom);
        all.push(atom);
      }
    });
    return all;
  }

  /** One step of all strings, from what every cluster tells. */
  private round(clusters: readonly StrumCluster[]): void {
    const { normal, right } = this.priors();
    const told = clusters.map((cluster) => cluster.tell());
    for (const one of told) {
      normal.add(one.normal);
      right.add(one.right);
    }
    const solver = new CholeskyDecomposition(symmetric(normal));
    const step = solver.solve(right);
    this.covariance = solver.solve(Matrix.eye(normal.rows, normal.rows));
    const atoms = clusters.flatMap((cluster) => cluster.atoms);
    this.putAll(atoms, 1);
    this.now.forEach((string, s) => {
      const at = UNKNOWNS * s;
      string.cents += within(step.get(at, 0), STEP);
      string.b = Math.max(0, string.b + step.get(at + 1, 0));
      string.glide += within(step.get(at + 2, 0), GLIDE);
    });
    for (const { follow } of told) follow(step);
    for (const atom of atoms)
      atom.omega = this.omegaOf(atom.string, atom.n) * Math.exp(atom.shift * CENT);
    this.putAll(atoms, -1);
  }

  private putAll(atoms: readonly Atom[], sign: 1 | -1): void {
    for (const atom of atoms) this.sound.put(atom, nth(this.now, atom.string).glide * CENT, sign);
  }

  /** What is believed before the sound: B of each string, and that it hardly glides. */
  private priors(): { normal: Matrix; right: Matrix } {
    const size = UNKNOWNS * this.strings.length;
    const normal = Matrix.zeros(size, size);
    const right = Matrix.zeros(size, 1);
    this.strings.forEach(({ inharmonicity, sigmaB }, s) => {
      const { b, glide } = nth(this.now, s);
      const at = UNKNOWNS * s;
      normal.set(at, at, 1 / STEP ** 2 / ROUNDS.length);
      normal.set(at + 1, at + 1, 1 / sigmaB ** 2);
      right.set(at + 1, 0, (inharmonicity - b) / sigmaB ** 2);
      normal.set(at + 2, at + 2, 1 / GLIDE ** 2);
      right.set(at + 2, 0, -glide / GLIDE ** 2);
    });
    return { normal, right };
  }

  /** Cents of a partial for a change of B, at the same reported pitch. */
  private byB({ n, string }: Atom): number {
    const { b } = nth(this.now, string);
    const of = (square: number) => square / (1 + b * square);
    return (0.5 / CENT) * (of(n ** 2) - of(REPORTED_PARTIAL ** 2));
  }
}
