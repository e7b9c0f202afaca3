import { decibels } from '../maths/index.ts';
import type { Hz } from '../units.ts';
import { median } from './select.ts';
import { MAX_PEAKS, type Spectrum } from './spectrum.ts';

/** Candidates that are kept: the true pitch was among the first two in all seeded frames. */
const KEPT = 4;
/** Partials are followed up to this share of the sampling rate: above it the decimator lets little through. */
const USABLE_BAND = 1 / 2.2;
/** How far from its place a partial is looked for: shares of the pitch, of the window's lobe, of its own place. */
const REACH = { pitch: 0.3, lobe: 0.6, place: 0.004 } as const;
/** The first odd partial that has an even one on either side. */
const FIRST_BETWEEN = 3;
/** Fewer odd partials than this between even ones tell nothing. */
const FEWEST_ODD = 3;
/** Nearer than this two candidates are one. */
const SAME_PITCH = 0.02;

/** The pitch range that is searched, in Hz; lower where a lower string is known to be. */
export const PITCH_RANGE = { low: 38, high: 1480 } as const;
/** A peak may be any of these partials of a candidate. */
const HIGHEST_GUESSED_PARTIAL = 12;
/** The strongest peaks from which candidates are made. */
const SEED_PEAKS = 10;
/** How far up a candidate's partials are followed. */
const HIGHEST_CHECKED_PARTIAL = 24;
/** What the share of expected but missing partials costs against the share of explained peaks. */
const MISSING_COST = 0.65;
/**
 * A candidate is likely half the pitch where its odd partials hold less than this share of
 * what it explains, or where most of them stand this far below the even ones beside them:
 * no place of plucking weakens all odd partials at once.
 */
const STRAY_SHARE = 0.15;
const STRAY_DB = -14;
const HALF_COST = { stray: 0.1, weak: 0.25 } as const;

/** A pitch that would explain the peaks of a spectrum. */
export interface Candidate {
  hz: Hz;
  /** Share of the peaks explained, less the cost of missing partials; at most 1. */
  score: number;
  /** How many partials were found. */
  matched: number;
}

/**
 * Finds the pitches that could explain a spectrum, best first.
 *
 * A candidate is the true pitch when it explains the peaks (its double leaves
 * the odd ones) without expecting many that are not there (its half does).
 */
export class CandidateFinder {
  readonly best: Candidate[] = [];
  /** The lowest pitch that is searched. */
  lowest: Hz = PITCH_RANGE.low;
  /** Entries not in use, so that no frame takes memory. */
  private readonly spare: Candidate[] = [];
  private readonly used: Uint8Array;
  private readonly seeds: Int32Array;
  /** Level of each partial of the candidate at hand, in dB; −∞ where none was found. */
  private readonly level = new Float64Array(HIGHEST_CHECKED_PARTIAL + 2);
  private readonly contrast = new Float64Array(HIGHEST_CHECKED_PARTIAL);

  constructor(
    private readonly spectrum: Spectrum,
    private readonly keep = KEPT,
  ) {
    this.used = new Uint8Array(MAX_PEAKS);
    this.seeds = new Int32Array(SEED_PEAKS);
  }

  /**
   * Searches the current spectrum. Peaks marked in `ignore` (1 per peak) count
   * for nothing.
   */
  search(ignore?: Uint8Array): readonly Candidate[] {
    const { spectrum, best } = this;
    while (best.length > 0) this.spare.push(best.pop()!);
    let weight = 0;
    for (let p = 0; p < spectrum.peakCount; p++) if (!ignore?.[p]) weight += spectrum.peakDb[p]!;
    if (weight === 0) return best;
    const seeds = this.pickSeeds(ignore);
    for (let s = 0; s < seeds; s++) {
      const peak = spectrum.peakHz[this.seeds[s]!]!;
      for (let n = 1; n <= HIGHEST_GUESSED_PARTIAL; n++) {
        const hz = peak / n;
        if (hz < this.lowest) break;
        if (hz > PITCH_RANGE.high) continue;
        this.offer(hz, weight, ignore);
      }
    }
    return best;
  }

  private pickSeeds(ignore?: Uint8Array): number {
    const { spectrum, seeds } = this;
    let count = 0;
    for (let p = 0; p < spectrum.peakCount; p++) {
      if (ignore?.[p]) continue;
      const height = spectrum.peakHeight[p]!;
      let at = count < SEED_PEAKS ? count++ : SEED_PEAKS;
      for (; at > 0 && spectrum.peakHeight[seeds[at - 1]!]! < height; at--)
        if (at < SEED_PEAKS) seeds[at] = seeds[at - 1]!;
      if (at < SEED_PEAKS) seeds[at] = p;
    }
    return count;
  }

  /** Scores one pitch and puts it among the best, merged with a near neighbour. */
  private offer(hz: Hz, weight: number, ignore?: Uint8Array): void {
    const { spectrum, used, level } = this;
    used.fill(0, 0, spectrum.peakCount);
    level.fill(Number.NEGATIVE_INFINITY);
    let explained = 0;
    let odd = 0;
    let matched = 0;
    let score = Number.NEGATIVE_INFINITY;
    let unit = hz;
    const limit = Math.min(HIGHEST_CHECKED_PARTIAL, (spectrum.sampleRate * USABLE_BAND) / hz);
    for (let n = 1; n <= limit; n++) {
      // The unit follows the stretch of the partials as they are found.
      const tolerance = Math.min(
        REACH.pitch * hz,
        REACH.lobe * spectrum.lobeHz + REACH.place * n * hz,
      );
      const p = spectrum.nearestPeak(n * unit, tolerance);
      if (p < 0 || ignore?.[p]) continue;
      if (used[p]) continue;
      used[p] = 1;
      explained += spectrum.peakDb[p]!;
      if (n % 2 === 1) odd += spectrum.peakDb[p]!;
      level[n] = decibels(spectrum.peakHeight[p]!);
      matched++;
      // The series may end at any partial: a stray peak far above it must not make it look full of gaps.
      score = Math.max(score, explained / weight - MISSING_COST * (1 - matched / n));
      if (n > 1) unit = 0.5 * unit + (0.5 * spectrum.peakHz[p]!) / n;
    }
    if (matched === 0) return;
    // Half of the true pitch explains as much, but its odd partials are strays.
    if (this.oddContrast() < STRAY_DB) score -= HALF_COST.weak;
    else if (odd < STRAY_SHARE * explained) score -= HALF_COST.stray;
    this.insert(hz, score, matched);
  }

  /**
   * How far the odd partials of the candidate at hand stand above the even ones beside
   * them, in dB: the median, or 0 where fewer than three can be compared.
   */
  private oddContrast(): number {
    const { level, contrast } = this;
    let count = 0;
    for (let n = FIRST_BETWEEN; n <= HIGHEST_CHECKED_PARTIAL; n += 2) {
      const above = level[n]! - 0.5 * (level[n - 1]! + level[n + 1]!);
      if (Number.isFinite(above)) contrast[count++] = above;
    }
    return count < FEWEST_ODD ? 0 : median(contrast, count);
  }

  private insert(hz: Hz, score: number, matched: number): void {
    const { best, keep } = this;
    const same = this.indexNear(hz);
    if (same >= 0) {
      if (best[same]!.score >= score) return;
      this.spare.push(best.splice(same, 1)[0]!);
    } else if (best.length === keep) {
      if (best[keep - 1]!.score >= score) return;
      this.spare.push(best.pop()!);
    }
    const entry = this.spare.pop() ?? { hz: 0, score: 0, matched: 0 };
    entry.hz = hz;
    entry.score = score;
    entry.matched = matched;
    let at = best.length;
    while (at > 0 && best[at - 1]!.score < score) at--;
    best.splice(at, 0, entry);
  }

  private indexNear(hz: Hz): number {
    for (let i = 0; i < this.best.length; i++)
      if (Math.abs(this.best[i]!.hz / hz - 1) < SAME_PITCH) return i;
    return -1;
  }
}
