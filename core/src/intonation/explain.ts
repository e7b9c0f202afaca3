import { normal, seededRandom } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import { Evidence } from './evidence.ts';
import { type FretReading, heardOpen, semitonesOf } from './map.ts';
import { type Part, partKey } from './part.ts';
import type { Place, Unknowns } from './unknowns.ts';

/** How a finger scatters from press to press, in cents, with how usual it is: which it is here the readings tell. */
const SCATTERS = [
  { cents: 0.4, usual: 0.3 },
  { cents: 0.8, usual: 0.5 },
  { cents: 1.6, usual: 0.2 },
] as const;
/** A single reading goes wrong so often: a buzz, a sideways bend, a neighbour that sounded; by so many cents. */
const STRAY = { odds: 0.015, cents: 7 } as const;
/** No reading is better than this, whatever its error says. */
const LEAST_ERROR: Cents = 0.15;
/** Sets that are carried on from one size to the next, and how large they grow. */
const CARRIED = 7;
const MOST_IN_SET = 5;
/** Real faults come one at a time, seldom two; a third is not looked for. */
const MOST_PARTS = 2;
/** Sets further below the best than this, in logarithms, count for nothing. */
const NEGLIGIBLE = 8;

/** One explanation of all readings: which parts are at fault, which readings astray, how the finger scatters. */
interface Explained {
  readonly evidence: Evidence;
  readonly scatter: Cents;
  readonly parts: readonly Part[];
  /** Columns of the parts and of the readings that went astray. */
  readonly columns: readonly number[];
  readonly share: number;
  /** What the unknowns come to, in their standard deviations: the shared ones, then the columns. */
  readonly base: Float64Array;
  readonly amounts: Float64Array;
}

/** What readings of a neck come to. */
export interface Explanations {
  readonly unknowns: Unknowns;
  /** The likeliest first; their shares sum to 1. */
  readonly all: readonly Explained[];
  /** How a finger scatters here, as far as the readings tell, in cents. */
  readonly scatter: Cents;
  /** What was read, as it went in. */
  readonly data: Data;
}

interface Data {
  readonly y: Float64Array;
  readonly errors: Float64Array;
  readonly fretted: readonly boolean[];
  /** One row a reading. */
  readonly base: readonly Float64Array[];
  /** The numbers of those that do anything to it. */
  readonly which: readonly (readonly number[])[];
  readonly shared: Float64Array;
  /** Faults, then one column a reading for what goes astray. */
  readonly columns: Float64Array;
  readonly count: number;
}

/** The place of a reading; a touched octave is one more open reading. */
function placeOf({ course, place }: Pick<FretReading, 'course' | 'place'>): Place {
  if (place.kind !== 'fret') return { course, fret: 0, pressure: 'normal' };
  const { fret, pressure, capo } = place;
  return { course, fret, pressure, ...(capo && { capo }) };
}

/**
 * Weighs every explanation of the readings of a check: none at fault, one part, two, with single readings astray.
 * One model of the whole instrument, linear and normal, so that the evidence of each is exact.
 * @param readings those that count; null without an open string
 */
export function explain(unknowns: Unknowns, readings: readonly FretReading[]): Explanations | null {
  const counted = countedOf(unknowns, readings);
  if (!counted) return null;
  const data = dataOf(unknowns, counted);
  const found = SCATTERS.flatMap((scatter) => explainWith(unknowns, data, scatter));
  const best = Math.max(...found.map(({ score }) => score));
  const kept = found
    .filter(({ score }) => score > best - NEGLIGIBLE)
    .sort((a, b) => b.score - a.score)
    .slice(0, MOST_EXPLAINED);
  const sum = kept.reduce((all, { score }) => all + Math.exp(score - best), 0);
  const all = kept
    .map(({ score, ...one }): Explained => {
      const alpha = one.evidence.weigh(data.y, one.columns);
      return {
        ...one,
        share: Math.exp(score - best) / sum,
        base: sharedOf(data, alpha),
        amounts: Float64Array.from(one.columns, (c) => one.evidence.columnSum(alpha, c)),
      };
    })
    .sort((a, b) => b.share - a.share);
  const scatter = all.reduce((mean, one) => mean + one.share * one.scatter, 0);
  return { unknowns, all, scatter, data };
}

/** The readings of strings that were heard open, so that there is something to measure them against; null without a fretted one. */
function countedOf(unknowns: Unknowns, readings: readonly FretReading[]): FretReading[] | null {
  const courses = new Set(unknowns.neck.strings.map(({ course }) => course));
  const own = readings.filter(({ struckOut, course }) => !struckOut && courses.has(course));
  const opened = heardOpen(own);
  const counted = own.filter(({ course }) => opened.has(course));
  return counted.some(({ place }) => place.kind === 'fret') ? counted : null;
}

function dataOf(unknowns: Unknowns, readings: readonly FretReading[]): Data {
  const n = readings.length;
  const { faultCount } = unknowns;
  const from = Math.min(...readings.map(({ at }) => at));
  const places = readings.map(placeOf);
  const effects = places.map((place) => unknowns.at(place));
  const base = readings.map(({ at }, i) => unknowns.read(places[i]!, at - from));
  const which = base.map((row) => [...row.keys()].filter((k) => row[k] !== 0));
  const count = faultCount + n;
  const columns = new Float64Array(n * count);
  for (let i = 0; i < n; i++) {
    columns.set(effects[i]!.faults, i * count);
    columns[i * count + faultCount + i] = STRAY.cents;
  }
  return {
    y: Float64Array.from(
      readings,
      (r, i) => r.cents - 100 * semitonesOf(r.place) - effects[i]!.mean,
    ),
    errors: Float64Array.from(readings, (r) => Math.max(LEAST_ERROR, r.errorCents)),
    // A capo holds a string as it is; a finger scatters.
    fretted: readings.map(
      ({ place }) => place.kind === 'fret' && !(place.capo && place.fret === 1),
    ),
    base,
    which,
    shared: productsOf(base, which),
    columns,
    count,
  };
}

/** Products of what readings share, n × n. */
function productsOf(
  base: readonly Float64Array[],
  which: readonly (readonly number[])[],
): Float64Array {
  const n = base.length;
  const shared = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = 0;
      for (const k of which[i]!) sum += base[i]![k]! * base[j]![k]!;
      shared[i * n + j] = sum;
      shared[j * n + i] = sum;
    }
  return shared;
}

interface Scored extends Omit<Explained, 'share' | 'base' | 'amounts'> {
  readonly score: number;
}

interface Row {
  readonly part: Part | null;
  /** Logarithm of its odds. */
  readonly log: number;
  readonly columns: readonly number[];
}

interface Grown {
  readonly rows: readonly number[];
  readonly columns: readonly number[];
  readonly odds: number;
  readonly score: number;
}

/** The sets that explain most, grown one row at a time from the best of each size. */
function explainWith(
  unknowns: Unknowns,
  data: Data,
  { cents, usual }: (typeof SCATTERS)[number],
): Scored[] {
  const noise = data.errors.map((error, i) => error ** 2 + (data.fretted[i] ? cents ** 2 : 0));
  const evidence = new Evidence(data.y, noise, data.shared, data.columns, data.count);
  const rows: Row[] = [
    ...unknowns.parts
      .filter(({ odds }) => odds > 0)
      .map(({ part, odds, columns }) => ({ part, log: Math.log(odds), columns })),
    ...data.fretted.map((_, i) => ({
      part: null,
      log: Math.log(STRAY.odds),
      columns: [unknowns.faultCount + i],
    })),
  ];
  const start = Math.log(usual) + evidence.log;
  let carried: Grown[] = [{ rows: [], columns: [], odds: 0, score: start }];
  const found = [...carried];
  for (let size = 1; size <= MOST_IN_SET; size++) {
    const grown = carried.flatMap((set) => grow(set, rows, evidence, start));
    const fresh = new Map(grown.map((set) => [set.rows.join(), set]));
    const sorted = [...fresh.values()].sort((a, b) => b.score - a.score);
    found.push(...sorted.slice(0, size === 1 ? sorted.length : MOST_KEPT));
    carried = sorted.slice(0, CARRIED);
  }
  const best = Math.max(...found.map(({ score }) => score));
  return found
    .filter(({ score }) => score > best - HOPELESS)
    .map(({ rows: chosen, columns, score }) => {
      const parts = chosen.flatMap((k) => rows[k]!.part ?? []);
      const upwards = upwardsShare(unknowns, parts, evidence, columns);
      return { evidence, scatter: cents, parts, columns, score: score + upwards };
    });
}

/**
 * What the rule that heights are too high alone makes of a set: twice the share of each one’s amount above 0, for half
 * of the law was counted for nothing. In logarithms.
 */
function upwardsShare(
  unknowns: Unknowns,
  parts: readonly Part[],
  evidence: Evidence,
  columns: readonly number[],
): number {
  const heights = parts.map((part) => unknowns.rowOf(part)).filter(({ upwards }) => upwards);
  if (heights.length === 0) return 0;
  const { amounts } = evidence.gainOf(columns);
  return heights.reduce((sum, { columns: [column = 0] }) => {
    const above = amounts[columns.indexOf(column)]! / evidence.errorIn(columns, column);
    return sum + Math.log(Math.max(LEAST_SHARE, 2 * shareAbove(above)));
  }, 0);
}

const LEAST_SHARE = 1e-9;

/** The share of a normal law above −x: Abramowitz & Stegun 26.2.17. */
function shareAbove(x: number): number {
  const t = 1 / (1 + TAIL.p * Math.abs(x));
  const series = t * TAIL.b.reduceRight((sum, b) => b + t * sum, 0);
  const tail = (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * series;
  return x >= 0 ? 1 - tail : tail;
}

const TAIL = {
  p: 0.2316419,
  b: [0.31938153, -0.356563782, 1.781477937, -1.821255978, 1.330274429],
} as const;

const MOST_KEPT = 40;
/** Explanations that are worked out to the end. */
const MOST_EXPLAINED = 80;

function grow(set: Grown, rows: readonly Row[], evidence: Evidence, start: number): Grown[] {
  const parts = set.rows.filter((k) => rows[k]!.part !== null).length;
  const grower = evidence.grownFrom(set.columns);
  const before = evidence.gainOf(set.columns).log;
  const grown: Grown[] = [];
  for (const [k, row] of rows.entries()) {
    if (set.rows.includes(k) || (row.part !== null && parts >= MOST_PARTS)) continue;
    const odds = set.odds + row.log;
    const [only] = row.columns;
    const log =
      row.columns.length === 1 && only !== undefined
        ? before + evidence.oneMore(grower, only)
        : evidence.gainOf([...set.columns, ...row.columns]).log;
    const score = start + odds + log;
    if (score < set.score - HOPELESS) continue;
    const columns = [...set.columns, ...row.columns];
    grown.push({ rows: [...set.rows, k].sort((a, b) => a - b), columns, odds, score });
  }
  return grown;
}

/** What makes a set so much less likely, in logarithms, is not grown on. */
const HOPELESS = 12;

function sharedOf({ base, which }: Data, alpha: Float64Array): Float64Array {
  const out = new Float64Array(base[0]!.length);
  for (let i = 0; i < base.length; i++) {
    const row = base[i]!;
    for (const k of which[i]!) out[k]! += row[k]! * alpha[i]!;
  }
  return out;
}

/**
 * What one part does to a note, all else being as on a sound instrument: its cents with their standard error.
 * Null where nothing tells of it.
 */
export function fittedPart(
  unknowns: Unknowns,
  readings: readonly FretReading[],
  part: Part,
  at: { readonly course: number; readonly fret: number },
): { readonly cents: Cents; readonly errorCents: Cents } | null {
  const counted = countedOf(unknowns, readings);
  if (!counted) return null;
  const data = dataOf(unknowns, counted);
  const usual = SCATTERS.reduce((a, b) => (b.usual > a.usual ? b : a)).cents;
  const noise = data.errors.map((error, i) => error ** 2 + (data.fretted[i] ? usual ** 2 : 0));
  const evidence = new Evidence(data.y, noise, data.shared, data.columns, data.count);
  const { columns } = unknowns.rowOf(part);
  const { amounts } = evidence.gainOf(columns);
  const { faults } = unknowns.at({ ...at, pressure: 'normal' });
  let [cents, variance] = [0, 0];
  for (const [k, column] of columns.entries()) {
    cents += amounts[k]! * faults[column]!;
    variance += (evidence.errorIn(columns, column) * faults[column]!) ** 2;
  }
  return { cents, errorCents: Math.sqrt(variance) };
}

/** A part with how likely it is at fault, alone or beside another. */
export interface PartShare {
  readonly part: Part;
  readonly share: number;
}

/** How likely each part is at fault, by its key, whatever else is. */
export function partShares({ all }: Explanations): ReadonlyMap<string, PartShare> {
  const shares = new Map<string, PartShare>();
  for (const { parts, share } of all)
    for (const part of parts) {
      const key = partKey(part);
      shares.set(key, { part, share: (shares.get(key)?.share ?? 0) + share });
    }
  return shares;
}

/** How far a fretted note is off its own open string, in cents, in the mean of all explanations. */
export function expectedError({ unknowns, all }: Explanations, place: Place): Cents {
  const { mean, base, faults, which } = unknowns.at(place);
  let sum = mean;
  for (const { share, base: own, columns, amounts } of all) {
    let cents = 0;
    for (const k of which) cents += base[k]! * own[k]!;
    for (const [k, column] of columns.entries())
      if (column < unknowns.faultCount) cents += faults[column]! * amounts[k]!;
    sum += share * cents;
  }
  return sum;
}

/** One instrument that would have been read so. */
export interface Drawn {
  /** How likely its kind is; all sum to 1. */
  readonly weight: number;
  readonly parts: readonly Part[];
  readonly base: Float64Array;
  /** By column of a fault. */
  readonly faults: ReadonlyMap<number, number>;
}

/**
 * Instruments that would have been read so: a draw of everything unknown, tuned by what it misses the readings
 * (Matheron’s rule; Doucet 2010). Unlikely causes are drawn more often than they are likely, and weigh less for it.
 * The same readings draw the same.
 */
export function drawn(explanations: Explanations, count: number): Drawn[] {
  const { data, unknowns } = explanations;
  const random = seededRandom(SEED);
  const n = data.y.length;
  const chosen = chosenFrom(explanations, count);
  return chosen.map(({ one, weight }) => {
    const base = Float64Array.from({ length: unknowns.baseCount }, () => normal(random));
    const amounts = one.columns.map(() => normal(random));
    const missed = new Float64Array(n);
    for (let r = 0; r < n; r++) {
      const sigma = Math.hypot(data.errors[r]!, data.fretted[r] ? one.scatter : 0);
      let cents = sigma * normal(random);
      const row = data.base[r]!;
      for (const k of data.which[r]!) cents += row[k]! * base[k]!;
      for (const [k, column] of one.columns.entries())
        cents += data.columns[r * data.count + column]! * amounts[k]!;
      missed[r] = data.y[r]! - cents;
    }
    const alpha = one.evidence.weigh(missed, one.columns);
    const right = sharedOf(data, alpha);
    for (let k = 0; k < base.length; k++) base[k]! += right[k]!;
    const faults = new Map(
      one.columns.flatMap((column, k) =>
        column < unknowns.faultCount
          ? [[column, amounts[k]! + one.evidence.columnSum(alpha, column)] as const]
          : [],
      ),
    );
    return { weight, parts: one.parts, base, faults };
  });
}

const SEED = 20261127;

/** Which explanations are drawn from: each set of parts by the root of its share, within it each as it is likely. */
function chosenFrom({ all }: Explanations, count: number): { one: Explained; weight: number }[] {
  const groups = new Map<string, Explained[]>();
  for (const one of all) {
    const key = one.parts.map(partKey).sort().join(' + ');
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  const shares = [...groups.values()].map((list) => ({
    list,
    share: list.reduce((sum, { share }) => sum + share, 0),
  }));
  const roots = shares.reduce((sum, { share }) => sum + Math.sqrt(share), 0);
  const drawnFrom = shares
    .map((group) => ({ ...group, n: Math.round((count * Math.sqrt(group.share)) / roots) }))
    .filter(({ n }) => n > 0);
  const covered = drawnFrom.reduce((sum, { share }) => sum + share, 0);
  return drawnFrom.flatMap(({ list, share, n }) =>
    Array.from({ length: n }, (_, i) => ({
      one: pick(list, (share * (i + 0.5)) / n),
      weight: share / covered / n,
    })),
  );
}

/** The explanation under which a share falls. */
function pick(all: readonly Explained[], share: number): Explained {
  let sum = 0;
  for (const one of all) {
    sum += one.share;
    if (share < sum) return one;
  }
  return all.at(-1)!;
}

/** How far a note is off on each drawn instrument, in cents. */
export function errorsAt(unknowns: Unknowns, draws: readonly Drawn[], place: Place): Float64Array {
  const { mean, base, faults, which } = unknowns.at(place);
  const out = new Float64Array(draws.length);
  for (let d = 0; d < out.length; d++) {
    const { base: own, faults: amounts } = draws[d]!;
    let cents = mean;
    for (let k = 0; k < which.length; k++) cents += base[which[k]!]! * own[which[k]!]!;
    for (const [column, amount] of amounts) cents += faults[column]! * amount;
    out[d] = cents;
  }
  return out;
}

/** What of that some columns bring: as much less it would be if those parts were tuned. */
export function broughtAt(
  unknowns: Unknowns,
  draws: readonly Drawn[],
  place: Place,
  columns: readonly number[],
): Float64Array {
  const { faults } = unknowns.at(place);
  return Float64Array.from(draws, ({ faults: amounts }) =>
    columns.reduce((sum, column) => sum + (amounts.get(column) ?? 0) * faults[column]!, 0),
  );
}
