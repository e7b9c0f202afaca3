import { between, nth, nth64, type Random } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import type { Answering, Manner } from './answering.ts';

/** Bound once: loops this long must not look it up at every step. */
const read = nth64;

/** One question and what was answered to it. */
export interface Trial<Answer extends string> {
  /** Register and timbre, or whatever else somebody may hear differently in. */
  readonly cell: string;
  /** How far the second note lay above the first, or the string off. */
  readonly cents: Cents;
  readonly answer: Answer;
}

/** A just-noticeable difference with its 90 % interval, cents. */
export interface Noticed {
  readonly cents: Cents;
  readonly low: Cents;
  readonly high: Cents;
}

/** Differences that are asked about, cents: steps of a fifth, up to three semitones. */
const ASKED: readonly Cents[] = steps(0.8, 300, 1.2);
/** How finely somebody may hear: from better than any ear to hardly at all. */
const WIDTHS: readonly Cents[] = steps(0.6, 250, 1.14);
const LOGS = Float64Array.from(WIDTHS, Math.log);
const COUNT = WIDTHS.length;
/**
 * Untrained adults notice 10 to 30 cents near 500 Hz, musicians 2 to 5, children more: from memory,
 * after Micheyl et al. 2006. As a width, with a spread that holds them all.
 */
const USUAL = { width: 18, spread: 1 } as const;
/** How far one register or timbre lies from another of the same person, as a factor e^x. */
const APART = [0.12, 0.3, 0.55] as const;
/** How the middle of a person is stepped through. */
const MIDDLES = [...LOGS].filter((_, i) => i % 2 === 0);
/** The interval that is stated. */
const TAIL = 0.05;
const NINETY = 1.6448536;
/** What is less likely than this beside the likeliest is left out. */
const NEGLIGIBLE = 1e-5;

function steps(from: number, to: number, factor: number): number[] {
  const count = Math.ceil(Math.log(to / from) / Math.log(factor));
  return Array.from({ length: count + 1 }, (_, i) => from * factor ** i);
}

/** Chances of answers to differences that were asked before: the same for every ear. */
const TABLES = new WeakMap<object, Map<Cents, readonly Float64Array[]>>();

/** For each spread and middle: what it weighs, and how likely each width is. */
const PEOPLE = APART.flatMap((apart) =>
  MIDDLES.map((middle) => ({
    weight: Math.exp(-0.5 * ((middle - Math.log(USUAL.width)) / USUAL.spread) ** 2),
    widths: normalised(Array.from(LOGS, (log) => Math.exp(-0.5 * ((log - middle) / apart) ** 2))),
  })),
);

function normalised(values: readonly number[]): Float64Array {
  const sum = values.reduce((all, value) => all + value, 0);
  return Float64Array.from(values, (value) => value / sum);
}

/**
 * How finely somebody hears, from their answers: every width and manner of answering is held against all of
 * them, registers and timbres lending each other what they share, and the next question is the one that is
 * expected to tell most of the width (psi method, Kontsevich and Tyler 1999; manners summed over, Prins 2013).
 */
export class Hearing<Answer extends string> {
  /** Likelihood of each manner × width, by cell. */
  private readonly cells = new Map<string, Float64Array>();
  private readonly chances: Map<Cents, readonly Float64Array[]>;
  private readonly size: number;
  /** ln of what likelihoods were scaled by, so that the evidence is kept. */
  private scaled = 0;
  private told: Told | null = null;

  constructor(
    private readonly answering: Answering<Answer>,
    trials: readonly Trial<Answer>[] = [],
  ) {
    this.chances = TABLES.get(answering) ?? new Map();
    TABLES.set(answering, this.chances);
    this.size = answering.manners.length * WIDTHS.length;
    for (const trial of trials) this.add(trial);
  }

  add({ cell, cents, answer }: Trial<Answer>): void {
    const likely = this.cells.get(cell) ?? new Float64Array(this.size).fill(1);
    const chance = nth(this.chancesAt(cents), this.answering.answers.indexOf(answer));
    let most = 0;
    for (let i = 0; i < this.size; i++) {
      likely[i] = read(likely, i) * read(chance, i);
      most = Math.max(most, read(likely, i));
    }
    this.scaled += Math.log(most);
    for (let i = 0; i < this.size; i++) likely[i] = read(likely, i) / most;
    this.cells.set(cell, likely);
    this.told = null;
  }

  /** Logarithm of how likely all answers are of somebody who listens. */
  get evidence(): number {
    return this.scaled + Math.log(this.tell().weight);
  }

  /** Over all that was asked: the geometric mean of the cells. */
  overall(): Noticed {
    const { mean, variance } = this.tell();
    const spread = NINETY * Math.sqrt(variance);
    return this.stated(mean - spread, mean, mean + spread);
  }

  /** In one register and timbre, asked about or not. */
  of(cell: string): Noticed {
    const share = byWidth(this.joint(cell));
    return this.stated(quantile(share, TAIL), quantile(share, 0.5), quantile(share, 1 - TAIL));
  }

  /** The difference that is expected to tell most of a cell; which way it goes is chance. */
  next(cell: string, random: Random): Cents {
    const joint = this.joint(cell);
    const expected = ASKED.map((cents) => ({ cents, open: this.leftOpen(joint, cents) }));
    const [best] = expected.sort((a, b) => a.open - b.open);
    const cents = best?.cents ?? USUAL.width;
    return between(random, -1, 1) < 0 ? -cents : cents;
  }

  private stated(low: number, middle: number, high: number): Noticed {
    const cents = (log: number) => this.answering.noticed * Math.exp(log);
    return { cents: cents(middle), low: cents(low), high: cents(high) };
  }

  /** Expected entropy of the width after an answer to so many cents. */
  private leftOpen(joint: Float64Array, cents: Cents): number {
    let open = 0;
    for (const chance of this.chancesAt(cents)) {
      const share = byWidth(joint, chance);
      let [sum, entropy] = [0, 0];
      for (const p of share) {
        sum += p;
        if (p > 0) entropy -= p * Math.log(p);
      }
      if (sum > 0) open += entropy + sum * Math.log(sum);
    }
    return open;
  }

  /** Chances of each answer by manner × width. */
  private chancesAt(cents: Cents): readonly Float64Array[] {
    const known = this.chances.get(cents);
    if (known) return known;
    const { answers, manners, chance } = this.answering;
    const made = answers.map((answer) =>
      Float64Array.from({ length: this.size }, (_, i) => {
        const manner = manners[Math.floor(i / COUNT)] as Manner;
        return chance(answer, cents, nth(WIDTHS, i % COUNT), manner);
      }),
    );
    this.chances.set(cents, made);
    return made;
  }

  /** How likely each manner × width is in a cell, all cells considered. */
  private joint(cell: string): Float64Array {
    const { shares } = this.tell();
    const likely = this.cells.get(cell);
    const joint = new Float64Array(this.size);
    this.answering.manners.forEach((_, m) => {
      PEOPLE.forEach(({ widths }, p) => {
        if (read(shares, m * PEOPLE.length + p) < NEGLIGIBLE) return;
        // What the other cells say of this person: the cell's own part is put in by width.
        const own = likely ? within(likely, m, widths).sum : 1;
        const share = read(shares, m * PEOPLE.length + p) / own;
        if (!(share > 0)) return;
        for (let w = 0; w < COUNT; w++) {
          const i = m * COUNT + w;
          joint[i] = read(joint, i) + share * read(widths, w) * (likely ? read(likely, i) : 1);
        }
      });
    });
    return joint;
  }

  /** Every manner and person held against all cells. */
  private tell(): Told {
    if (this.told) return this.told;
    const { manners } = this.answering;
    const shares = new Float64Array(manners.length * PEOPLE.length);
    const cells = [...this.cells.values()];
    const people = PEOPLE.reduce((sum, { weight }) => sum + weight, 0);
    let [weight, first, second] = [0, 0, 0];
    const most = manners.map((manner, m) =>
      cells.reduce((all, cell) => all * mostOf(cell, m), manner.weight),
    );
    const least = NEGLIGIBLE * Math.max(...most);
    manners.forEach((manner, m) => {
      if (nth(most, m) < least) return;
      PEOPLE.forEach((person, p) => {
        let share = (manner.weight * person.weight) / people;
        let [mean, variance] = [0, 0];
        for (const likely of cells) {
          const { sum, log, square } = within(likely, m, person.widths);
          share *= sum;
          mean += log / sum / cells.length;
          variance += (square / sum - (log / sum) ** 2) / cells.length ** 2;
        }
        shares[m * PEOPLE.length + p] = share;
        if (!(share > 0)) return;
        weight += share;
        first += share * mean;
        second += share * (variance + mean ** 2);
      });
    });
    for (let i = 0; i < shares.length; i++) shares[i] = read(shares, i) / weight;
    const mean = first / weight;
    this.told = { shares, weight, mean, variance: Math.max(0, second / weight - mean ** 2) };
    return this.told;
  }
}

interface Told {
  /** How likely each manner × person is. */
  readonly shares: Float64Array;
  readonly weight: number;
  /** Of the mean of ln width over the cells. */
  readonly mean: number;
  readonly variance: number;
}

/** How likely a cell's answers are at most under one manner. */
function mostOf(likely: Float64Array, manner: number): number {
  return likely.subarray(manner * COUNT, (manner + 1) * COUNT).reduce((a, b) => Math.max(a, b), 0);
}

/** A cell's likelihood under one manner and one person, with the moments of ln width. */
function within(likely: Float64Array, manner: number, widths: Float64Array) {
  let sum = 0;
  let log = 0;
  let square = 0;
  for (let w = 0; w < COUNT; w++) {
    const share = read(likely, manner * COUNT + w) * read(widths, w);
    const at = read(LOGS, w);
    sum += share;
    log += share * at;
    square += share * at * at;
  }
  return { sum, log, square };
}

/** Summed over manners; weighed by the chances of an answer where they are given. */
function byWidth(joint: Float64Array, chance?: Float64Array): Float64Array {
  const share = new Float64Array(COUNT);
  for (let i = 0, w = 0; i < joint.length; i++) {
    share[w] = read(share, w) + read(joint, i) * (chance ? read(chance, i) : 1);
    w = w + 1 === COUNT ? 0 : w + 1;
  }
  return share;
}

/** The ln width below which so much of it lies, between steps by straight lines. */
function quantile(share: Float64Array, part: number): number {
  const all = share.reduce((sum, value) => sum + value, 0);
  let below = 0;
  for (let w = 0; w < share.length; w++) {
    const here = read(share, w) / all;
    if (below + here >= part) {
      const step = read(LOGS, 1) - read(LOGS, 0);
      return read(LOGS, w) + step * ((part - below) / here - 0.5);
    }
    below += here;
  }
  return read(LOGS, LOGS.length - 1);
}
