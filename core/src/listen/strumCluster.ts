import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { nth, nth64 } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import { type Atom, type StrumSound, scaled, turned } from './strumSound.ts';

/** What a body shifts a partial by, with Student's weights of so many degrees of freedom; never further than this. */
export const SHIFT: Cents = 1.5;
const STUDENT = 4;
const MOST_SHIFT = { ever: 20, step: 3 } as const satisfies Record<string, Cents>;
/** Decays of partials, in nepers a second. */
export const DECAY = { mean: 2, sigma: 3, most: 20 } as const;
/** Amplitudes are kept small by so much of what speaks for them, and by next to nothing. */
const RIDGE = 1e-3;
const NEXT_TO_NOTHING = 1e-9;
/** Power of digital silence. */
const SILENCE = 1e-14;
/** Of each atom: amplitude (two) and decay are its own, frequency and glide follow its string. */
const OWN = 3;
const FOLLOWING = 2;
/** Unknowns of a string: pitch in cents, B, glide in cents a second. */
export const UNKNOWNS = 3;
const CENT = Math.LN2 / 1200;

/** What a cluster needs to know of its strings as they stand. */
export interface StringsNow {
  /** Factors of e a second. */
  readonly glide: (string: number) => number;
  /** Cents of a partial for a change of its string's B, at the same reported pitch. */
  readonly byB: (atom: Atom) => number;
  readonly count: number;
}

/** What a cluster tells of its strings, and how its own unknowns follow once they are solved. */
export interface Told {
  readonly normal: Matrix;
  readonly right: Matrix;
  readonly follow: (step: Matrix) => void;
}

/** Partials that lie so close that they are worked out together, in one narrow band. */
export class StrumCluster {
  private readonly centre: number;

  constructor(
    readonly atoms: readonly Atom[],
    private readonly sound: StrumSound,
    private readonly strings: StringsNow,
  ) {
    const ends = [nth(atoms, 0), nth(atoms, atoms.length - 1)] as const;
    this.centre = (ends[0].omega + ends[1].omega) / 2;
  }

  /** Amplitudes alone, where atoms are new. */
  amplitudes(): void {
    const { atoms, sound } = this;
    const columns = this.shapes().flatMap((shape) => [shape, turned(shape)]);
    const data = sound.band(this.centre);
    const normal = gram(columns, columns);
    columns.forEach((_, k) => add(normal, k, sound.count * RIDGE));
    const change = new CholeskyDecomposition(normal).solve(against(columns, data));
    atoms.forEach((atom, k) => {
      const glide = this.strings.glide(atom.string);
      sound.put(atom, glide, 1);
      atom.re += change.get(2 * k, 0);
      atom.im += change.get(2 * k + 1, 0);
      sound.put(atom, glide, -1);
    });
  }

  /** Eliminates what is its own; what is left is of its strings. */
  tell(): Told {
    const { own, following } = this.columns();
    const data = this.sound.band(this.centre);
    const free = Math.max(1, data.length - own.length - this.atoms.length);
    const variance = (this.sound.overlap * dot(data, data)) / free + SILENCE;
    const inner = gram(own, own).mul(1 / variance);
    const gOwn = against(own, data).mul(1 / variance);
    this.atoms.forEach((atom, k) => {
      const decay = OWN * k + OWN - 1;
      for (let i = OWN * k; i < decay; i++)
        add(inner, i, RIDGE * inner.get(i, i) + NEXT_TO_NOTHING);
      add(inner, decay, 1 / DECAY.sigma ** 2);
      gOwn.set(decay, 0, gOwn.get(decay, 0) + (DECAY.mean - atom.decay) / DECAY.sigma ** 2);
      atom.snr = Math.hypot(atom.re, atom.im) / Math.sqrt(variance / this.sound.count);
    });
    const cross = gram(own, following).mul(1 / variance);
    const inverse = new CholeskyDecomposition(inner);
    const projected = inverse.solve(cross).transpose();
    const k = gram(following, following)
      .mul(1 / variance)
      .sub(projected.mmul(cross));
    const g = against(following, data)
      .mul(1 / variance)
      .sub(projected.mmul(gOwn));
    const rest = (moved: Matrix) => inverse.solve(Matrix.sub(gOwn, cross.mmul(moved)));
    return this.ofStrings(k, g, rest);
  }

  /** Eliminates the shifts of single partials too; K and g are of their frequencies and glides. */
  private ofStrings(k: Matrix, g: Matrix, rest: (moved: Matrix) => Matrix): Told {
    const { atoms } = this;
    const shifts = Matrix.columnVector(atoms.map(({ shift }) => shift));
    const prior = Matrix.diag(atoms.map(({ shift }) => trust(shift) / SHIFT ** 2));
    // Which of the unknowns are frequencies.
    const pick = Matrix.zeros(FOLLOWING * atoms.length, atoms.length);
    atoms.forEach((atom, a) => {
      pick.set(FOLLOWING * a, a, 1);
      const information = k.get(FOLLOWING * a, FOLLOWING * a);
      atom.sigma = 1 / Math.sqrt(Math.max(information, NEXT_TO_NOTHING));
    });
    const law = this.law();
    const picked = pick.transpose();
    const eliminate = new CholeskyDecomposition(symmetric(picked.mmul(k).mmul(pick).add(prior)));
    const kLaw = k.mmul(law);
    const shared = picked.mmul(kLaw);
    const gShift = picked.mmul(g).sub(prior.mmul(shifts));
    const down = shared.transpose();
    return {
      normal: law
        .transpose()
        .mmul(kLaw)
        .sub(down.mmul(eliminate.solve(shared))),
      right: law
        .transpose()
        .mmul(g)
        .sub(down.mmul(eliminate.solve(gShift))),
      follow: (step) => {
        const shift = eliminate.solve(Matrix.sub(gShift, shared.mmul(step)));
        this.take(shift, rest(law.mmul(step).add(pick.mmul(shift))));
      },
    };
  }

  private take(shift: Matrix, own: Matrix): void {
    this.atoms.forEach((atom, a) => {
      const { ever, step } = MOST_SHIFT;
      atom.shift = within(atom.shift + within(shift.get(a, 0), step), ever);
      atom.re += own.get(OWN * a, 0);
      atom.im += own.get(OWN * a + 1, 0);
      const decay = atom.decay + within(own.get(OWN * a + 2, 0), DECAY.sigma);
      atom.decay = Math.min(DECAY.most, Math.max(0, decay));
    });
  }

  private shapes(): Float64Array[] {
    const { sound, strings, centre } = this;
    return this.atoms.map((atom) => sound.shape(atom, centre, strings.glide(atom.string)));
  }

  private columns(): { own: Float64Array[]; following: Float64Array[] } {
    const { sound } = this;
    const own: Float64Array[] = [];
    const following: Float64Array[] = [];
    this.shapes().forEach((shape, k) => {
      const atom = nth(this.atoms, k);
      const sounding = scaled(shape, atom.re, atom.im);
      own.push(
        shape,
        turned(shape),
        sound.timed(sounding, (t) => -t),
      );
      const spin = turned(sounding);
      const perCent = atom.omega * sound.sampleRate * CENT;
      following.push(sound.timed(spin, (t) => t * perCent));
      following.push(sound.timed(spin, (t) => 0.5 * t * t * perCent));
    });
    return { own, following };
  }

  /** How frequencies and glides of the atoms follow from their strings. */
  private law(): Matrix {
    const law = Matrix.zeros(FOLLOWING * this.atoms.length, UNKNOWNS * this.strings.count);
    this.atoms.forEach((atom, a) => {
      const at = UNKNOWNS * atom.string;
      law.set(FOLLOWING * a, at, 1);
      law.set(FOLLOWING * a, at + 1, this.strings.byB(atom));
      law.set(FOLLOWING * a + 1, at + 2, 1);
    });
    return law;
  }
}

/** A number no larger than this either way. */
export function within(x: number, most: number): number {
  return Math.max(-most, Math.min(most, x));
}

/** Free of what rounding left. */
export function symmetric(matrix: Matrix): Matrix {
  return Matrix.add(matrix, matrix.transpose()).mul(0.5);
}

function trust(shift: Cents): number {
  return (STUDENT + 1) / (STUDENT + (shift / SHIFT) ** 2);
}

function add(matrix: Matrix, k: number, value: number): void {
  matrix.set(k, k, matrix.get(k, k) + value);
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += nth64(a, i) * nth64(b, i);
  return sum;
}

function gram(a: readonly Float64Array[], b: readonly Float64Array[]): Matrix {
  return new Matrix(a.map((one) => b.map((two) => dot(one, two))));
}

function against(columns: readonly Float64Array[], data: Float64Array): Matrix {
  return Matrix.columnVector(columns.map((column) => dot(column, data)));
}
