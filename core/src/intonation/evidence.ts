/** A set of columns that explain what the rest does not, with what it gains. */
export interface Gain {
  /** Logarithm of the evidence against the set of none. */
  readonly log: number;
  /** Columns as they come out, in their own standard deviations. */
  readonly amounts: Float64Array;
}

/** A set with what growing it needs. */
export interface Grower {
  readonly set: readonly number[];
  readonly lower: Float64Array;
  readonly half: Float64Array;
  /** Room to work in. */
  readonly reach: Float64Array;
}

/**
 * Readings under a normal law: y ~ N(0, F Fᵀ + N), and what columns added to it explain more. Rasmussen & Williams
 * 2006, 2.7 and A.4: the evidence is exact, and a set of columns costs a small matrix alone.
 */
export class Evidence {
  private readonly n: number;
  /** Lower triangle of Cholesky’s factor, row by row. */
  private readonly lower: Float64Array;
  /** Columns and readings with the factor solved away, so that products between them are plain. */
  private readonly whiteColumns: Float64Array;
  private readonly white: Float64Array;
  /** Products of the columns with each other, and with the readings. */
  private readonly gram: Float64Array;
  private readonly seen: Float64Array;
  /** Logarithm of the evidence without any column. */
  readonly log: number;

  /**
   * @param y what was read against what is expected, in cents
   * @param noise variance of each reading
   * @param shared products of what the readings share, n × n
   * @param columns effects of what may be added, one row a reading, `count` wide
   */
  constructor(
    y: Float64Array,
    noise: Float64Array,
    shared: Float64Array,
    private readonly columns: Float64Array,
    private readonly count: number,
  ) {
    const n = y.length;
    this.n = n;
    const sum = Float64Array.from(shared);
    for (let i = 0; i < n; i++) sum[i * n + i]! += noise[i]!;
    this.lower = factorOf(sum, n);
    this.white = this.forward(y, 1);
    this.whiteColumns = this.forward(columns, count);
    let square = 0;
    let logs = 0;
    for (let i = 0; i < n; i++) {
      square += this.white[i]! ** 2;
      logs += Math.log(this.lower[i * n + i]!);
    }
    this.log = -0.5 * square - logs - (n / 2) * Math.log(2 * Math.PI);
    this.gram = new Float64Array(count * count);
    this.seen = new Float64Array(count);
    const own = this.whiteColumns;
    for (let i = 0; i < n; i++) {
      const row = i * count;
      const value = this.white[i]!;
      for (let a = 0; a < count; a++) {
        const left = own[row + a]!;
        if (left === 0) continue;
        this.seen[a]! += left * value;
        const line = a * count;
        for (let b = a; b < count; b++) this.gram[line + b]! += left * own[row + b]!;
      }
    }
    for (let a = 0; a < count; a++)
      for (let b = 0; b < a; b++) this.gram[a * count + b] = this.gram[b * count + a]!;
  }

  /** What a set of columns gains. */
  gainOf(set: readonly number[]): Gain {
    const k = set.length;
    if (k === 0) return { log: 0, amounts: new Float64Array(0) };
    const lower = this.innerFactor(set);
    const half = forwardIn(lower, k, this.seenBy(set));
    let log = 0;
    for (let a = 0; a < k; a++) log += 0.5 * half[a]! ** 2 - Math.log(lower[a * k + a]!);
    return { log, amounts: backwardIn(lower, k, half) };
  }

  /** How sure one column of a set comes out: its standard error, in its own standard deviations. */
  errorIn(set: readonly number[], column: number): number {
    const k = set.length;
    const unit = Float64Array.from(set, (one) => (one === column ? 1 : 0));
    const half = forwardIn(this.innerFactor(set), k, unit);
    return Math.sqrt(half.reduce((sum, value) => sum + value * value, 0));
  }

  /** A set that others grow from. */
  grownFrom(set: readonly number[]): Grower {
    const k = set.length;
    const lower = this.innerFactor(set);
    const half = forwardIn(lower, k, this.seenBy(set));
    return { set, lower, half, reach: new Float64Array(k) };
  }

  /** What one more column gains beside a set. */
  oneMore({ set, lower, half, reach }: Grower, column: number): number {
    const { gram, count } = this;
    const k = set.length;
    let along = 0;
    let square = 0;
    for (let a = 0; a < k; a++) {
      let value = gram[set[a]! * count + column]!;
      for (let b = 0; b < a; b++) value -= lower[a * k + b]! * reach[b]!;
      value /= lower[a * k + a]!;
      reach[a] = value;
      along += value * half[a]!;
      square += value * value;
    }
    const left = Math.max(LEAST_PIVOT, 1 + gram[column * count + column]! - square);
    return (0.5 * (this.seen[column]! - along) ** 2) / left - 0.5 * Math.log(left);
  }

  /**
   * Weights of readings: what (C + V Vᵀ)⁻¹ makes of a vector, the set’s columns in it.
   * @param r one value a reading
   */
  weigh(r: Float64Array, set: readonly number[]): Float64Array {
    const { n, count } = this;
    const white = forwardIn(this.lower, n, r);
    const k = set.length;
    if (k > 0) {
      const right = new Float64Array(k);
      for (let a = 0; a < k; a++)
        for (let i = 0; i < n; i++)
          right[a]! += this.whiteColumns[i * count + set[a]!]! * white[i]!;
      const lower = this.innerFactor(set);
      const amounts = backwardIn(lower, k, forwardIn(lower, k, right));
      for (let i = 0; i < n; i++)
        for (let a = 0; a < k; a++)
          white[i]! -= this.whiteColumns[i * count + set[a]!]! * amounts[a]!;
    }
    return backwardIn(this.lower, n, white);
  }

  /** Cholesky’s factor of 1 + VᵀC⁻¹V of a set’s columns. */
  private innerFactor(set: readonly number[]): Float64Array {
    const k = set.length;
    const inner = new Float64Array(k * k);
    for (let a = 0; a < k; a++)
      for (let b = 0; b < k; b++)
        inner[a * k + b] = this.gram[set[a]! * this.count + set[b]!]! + (a === b ? 1 : 0);
    return factorOf(inner, k);
  }

  private seenBy(set: readonly number[]): Float64Array {
    return Float64Array.from(set, (column) => this.seen[column]!);
  }

  /** Σ over readings of a column’s effects with weights. */
  columnSum(weights: Float64Array, column: number): number {
    let sum = 0;
    for (let i = 0; i < this.n; i++) sum += this.columns[i * this.count + column]! * weights[i]!;
    return sum;
  }

  private forward(values: Float64Array, width: number): Float64Array {
    const { n, lower } = this;
    const out = Float64Array.from(values);
    for (let i = 0; i < n; i++) {
      const row = i * width;
      for (let j = 0; j < i; j++) {
        const factor = lower[i * n + j]!;
        if (factor === 0) continue;
        const other = j * width;
        for (let c = 0; c < width; c++) out[row + c]! -= factor * out[other + c]!;
      }
      const inverse = 1 / lower[i * n + i]!;
      for (let c = 0; c < width; c++) out[row + c]! *= inverse;
    }
    return out;
  }
}

/** Keeps a matrix that noise makes positive from failing at the last digit. */
const LEAST_PIVOT = 1e-12;

/** Cholesky’s factor of a symmetric positive matrix, row by row. */
function factorOf(matrix: Float64Array, n: number): Float64Array {
  const lower = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= lower[i * n + k]! * lower[j * n + k]!;
      lower[i * n + j] = i === j ? Math.sqrt(Math.max(LEAST_PIVOT, sum)) : sum / lower[j * n + j]!;
    }
  return lower;
}

function forwardIn(lower: Float64Array, n: number, right: Float64Array): Float64Array {
  const out = Float64Array.from(right);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < i; j++) out[i]! -= lower[i * n + j]! * out[j]!;
    out[i]! /= lower[i * n + i]!;
  }
  return out;
}

function backwardIn(lower: Float64Array, n: number, right: Float64Array): Float64Array {
  const out = Float64Array.from(right);
  for (let i = n - 1; i >= 0; i--) {
    for (let j = i + 1; j < n; j++) out[i]! -= lower[j * n + i]! * out[j]!;
    out[i]! /= lower[i * n + i]!;
  }
  return out;
}
