import { median, nth } from '../maths/index.ts';
import { shiftHz } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';
import type { Spectrum } from './spectrum.ts';
import { partialHz, reportedHz } from './stiffString.ts';

/** A string is looked for so far on either side of where it is expected, in such steps. */
const REACH: Cents = 84;
const STEP: Cents = 2;
const PLACES = (2 * REACH) / STEP + 1;
/** Partials that are looked at; of the lowest ones it counts when they are not there. */
const PARTIALS = 12;
const WANTED = 6;
/** A peak counts for no more than this, in dB; a low partial that is not there costs this. */
const MOST_DB = 40;
const MISSING_DB = 9;
/** How far from its place a peak may be: what bodies shift, a share of the lobe, what is not known of B. */
const PLACE = { cents: 3, lobe: 0.12, stiffness: 3e-5 } as const;
const HIGHEST: Hz = 4500;
/** A peak further from a place than so many of its errors is not there. */
const FARTHEST = 3;
const CENT = Math.LN2 / 1200;
/** Places this far away are another answer. */
const ELSEWHERE: Cents = 9;
const MOST_SWEEPS = 6;
/** So many other places of a string are tried. */
const TRIED = 4;

/** One string as the search knows it. */
export interface SoughtString {
  /** Where it is expected: the fourth partial over four. */
  readonly hz: Hz;
  readonly inharmonicity: number;
}

/** What the search found. */
export interface Found {
  /** Against where each string was expected. */
  readonly cents: readonly Cents[];
  /** What is lost, in dB of peaks explained, when the string stands at least 9 cents elsewhere. */
  readonly margin: readonly number[];
}

/** What one place of one string explains: peaks with how many dB of each. */
interface Place {
  readonly peaks: Int16Array;
  readonly db: Float64Array;
  readonly cost: number;
}

/**
 * Finds the places of several strings that sound together from the peaks of one spectrum.
 *
 * A peak counts once, for the string that explains it best, so strings that were sought one
 * by one and fell into each other's places are drawn apart: pairs of strings are moved
 * together until no pair gains.
 */
export function searchStrum(strings: readonly SoughtString[], spectrum: Spectrum): Found {
  const tables = strings.map((string) => placesOf(string, spectrum));
  const alone = tables.map((places) => bestOf(places, new Float64Array(spectrum.peakCount)));
  const starts = [alone, tables.map(() => (PLACES - 1) / 2)];
  let best = alone;
  let value = Number.NEGATIVE_INFINITY;
  for (const start of starts) {
    const end = climb(tables, start, spectrum.peakCount, -1);
    const reached = worthOf(tables, end, spectrum.peakCount);
    if (reached > value) [best, value] = [end, reached];
  }
  const margin = tables.map((_, s) => {
    const other = elsewhere(tables, best, s, spectrum.peakCount);
    return value - other;
  });
  return { cents: best.map((i) => i * STEP - REACH), margin };
}

/** How well a whole set of strings explains a spectrum, wherever each of them stands best. */
export interface Explained {
  /** dB of peaks explained, less what low partials are missing and how far the strings lie apart. */
  readonly value: number;
  readonly cents: readonly Cents[];
}

/**
 * Strings of one instrument are off together by so much, and each by so much besides; further costs so
 * many dB at each spread. So a tuning a semitone off is told from its neighbour by the nearer one.
 */
const APART = { cents: 30, db: 3 } as const;
const TOGETHER = { cents: 40, db: 6 } as const;

/** Says how well strings explain a spectrum, without asking how sure that is: to tell one tuning from another. */
export function explainedBy(strings: readonly SoughtString[], spectrum: Spectrum): Explained {
  const tables = strings.map((string) => placesOf(string, spectrum));
  const alone = tables.map((places) => bestOf(places, new Float64Array(spectrum.peakCount)));
  const end = climb(tables, alone, spectrum.peakCount, -1);
  const cents = end.map((i) => i * STEP - REACH);
  const middle = median(cents);
  const apart = cents.reduce((sum, c) => sum + ((c - middle) / APART.cents) ** 2, 0);
  const cost = APART.db * apart + TOGETHER.db * (middle / TOGETHER.cents) ** 2;
  return { value: worthOf(tables, end, spectrum.peakCount) - cost, cents };
}

function placesOf({ hz, inharmonicity }: SoughtString, spectrum: Spectrum): Place[] {
  return Array.from({ length: PLACES }, (_, i) => {
    const f0 = (shiftHz(hz, i * STEP - REACH) * hz) / reportedHz(hz, inharmonicity);
    const peaks: number[] = [];
    const db: number[] = [];
    let cost = 0;
    for (let n = 1; n <= PARTIALS; n++) {
      const at = partialHz(f0, inharmonicity, n);
      if (at > HIGHEST) break;
      const sigma =
        at * CENT * (PLACE.cents + 0.5 * n * n * (PLACE.stiffness / CENT)) +
        PLACE.lobe * spectrum.lobeHz;
      const p = spectrum.nearestPeak(at, FARTHEST * sigma);
      const off = p < 0 ? FARTHEST : (nth(spectrum.peakHz, p) - at) / sigma;
      const worth =
        p < 0 ? 0 : Math.min(MOST_DB, nth(spectrum.peakDb, p)) * Math.exp(-0.5 * off ** 2);
      if (worth > 1) {
        peaks.push(p);
        db.push(worth);
      }
      if (n <= WANTED) cost += MISSING_DB * (1 - Math.min(1, worth / MISSING_DB));
    }
    return { peaks: Int16Array.from(peaks), db: Float64Array.from(db), cost };
  });
}

/** What a place adds to what the others explain already. */
function gainOf({ peaks, db, cost }: Place, rest: Float64Array): number {
  let sum = -cost;
  for (let k = 0; k < peaks.length; k++) sum += Math.max(0, nth(db, k) - nth(rest, nth(peaks, k)));
  return sum;
}

function bestOf(places: readonly Place[], rest: Float64Array): number {
  let best = 0;
  let most = Number.NEGATIVE_INFINITY;
  places.forEach((place, i) => {
    const gain = gainOf(place, rest);
    if (gain > most) [best, most] = [i, gain];
  });
  return best;
}

/** What the strings explain, but for those that are left out. */
function coverOf(
  tables: readonly (readonly Place[])[],
  at: readonly number[],
  peaks: number,
  without: readonly number[],
): Float64Array {
  const cover = new Float64Array(peaks);
  tables.forEach((places, s) => {
    if (without.includes(s)) return;
    const place = nth(places, nth(at, s));
    for (let k = 0; k < place.peaks.length; k++) {
      const p = nth(place.peaks, k);
      cover[p] = Math.max(nth(cover, p), nth(place.db, k));
    }
  });
  return cover;
}

function worthOf(
  tables: readonly (readonly Place[])[],
  at: readonly number[],
  peaks: number,
): number {
  const cover = coverOf(tables, at, peaks, []);
  return (
    cover.reduce((sum, db) => sum + db, 0) -
    tables.reduce((sum, places, s) => sum + nth(places, nth(at, s)).cost, 0)
  );
}

/** Moves pairs of strings together until no pair gains; the one that is `held` stays. */
function climb(
  tables: readonly (readonly Place[])[],
  from: readonly number[],
  peaks: number,
  held: number,
): number[] {
  const at = [...from];
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep++) {
    const before = at.join();
    for (let s = 0; s < tables.length; s++)
      for (let t = s + 1; t < tables.length; t++) {
        if (s !== held && t !== held) [at[s], at[t]] = bestPair(tables, at, [s, t], peaks);
        else {
          const free = s === held ? t : s;
          at[free] = bestOf(nth(tables, free), coverOf(tables, at, peaks, [free]));
        }
      }
    if (at.join() === before) break;
  }
  return at;
}

function bestPair(
  tables: readonly (readonly Place[])[],
  at: readonly number[],
  [s, t]: readonly [number, number],
  peaks: number,
): [number, number] {
  const rest = coverOf(tables, at, peaks, [s, t]);
  const [one, two] = [nth(tables, s), nth(tables, t)];
  const gains = two.map((place) => gainOf(place, rest));
  const held = new Float64Array(peaks);
  let best: [number, number] = [nth(at, s), nth(at, t)];
  let most = Number.NEGATIVE_INFINITY;
  one.forEach((place, i) => {
    const own = gainOf(place, rest);
    for (let k = 0; k < place.peaks.length; k++)
      held[nth(place.peaks, k)] = Math.max(0, nth(place.db, k) - nth(rest, nth(place.peaks, k)));
    for (let j = 0; j < two.length; j++) {
      const other = nth(two, j);
      let value = own + nth(gains, j);
      if (value <= most) continue;
      // What both explain counts once.
      for (let k = 0; k < other.peaks.length; k++) {
        const p = nth(other.peaks, k);
        const shared = nth(held, p);
        if (shared > 0) value -= Math.min(shared, Math.max(0, nth(other.db, k) - nth(rest, p)));
      }
      if (value > most) [best, most] = [[i, j], value];
    }
    for (let k = 0; k < place.peaks.length; k++) held[nth(place.peaks, k)] = 0;
  });
  return best;
}

/** The best that can be had with one string at least 9 cents away from where it was found. */
function elsewhere(
  tables: readonly (readonly Place[])[],
  found: readonly number[],
  s: number,
  peaks: number,
): number {
  const rest = coverOf(tables, found, peaks, [s]);
  const places = nth(tables, s);
  const here = nth(found, s);
  const away = places
    .map((place, i) => ({ i, gain: gainOf(place, rest) }))
    .filter(({ i }) => Math.abs(i - here) * STEP >= ELSEWHERE)
    .sort((a, b) => b.gain - a.gain);
  // The best few apart from each other, each with its partners moved again.
  const tried: number[] = [];
  let most = Number.NEGATIVE_INFINITY;
  for (const { i } of away) {
    if (tried.some((other) => Math.abs(other - i) * STEP < ELSEWHERE)) continue;
    tried.push(i);
    const start = found.map((place, k) => (k === s ? i : place));
    most = Math.max(most, worthOf(tables, climb(tables, start, peaks, s), peaks));
    if (tried.length === TRIED) break;
  }
  return most;
}
