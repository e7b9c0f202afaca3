import { median, nth64 } from '../maths/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';
import { Spectrum } from './spectrum.ts';
import { partialHz } from './stiffString.ts';

/** The stretch that is looked at: long enough to part what a reading's short frames melt together. */
const STRETCH = { from: 0.12, to: 0.8, shortest: 0.5 } as const satisfies Record<string, Seconds>;
/** Partials that are looked at, and how far from their place. */
const HIGHEST = 24;
const WITHIN: Cents = 60;
/** Two planes of one string are nearer than this; two strings meant alike are no further than twice `WITHIN`. */
const LEAST_APART: Cents = 7;
/** The weaker of two peaks holds at least this share of the stronger one's amplitude. */
const LEAST_SHARE = 0.1;
/** … and over all partials the weaker string this share of the stronger one's power: 11 dB below it may be somebody else. */
const BOTH_POWER = 0.08;
/** Peaks nearer than this many lobes melt together. */
const PARTED = 1.25;
/** Differences agree within this, and within what a peak's place leaves open, in lobes. */
const AGREE: Cents = 2.5;
const PLACE_ERROR = 0.12;
/** So many partials must be split alike, and this share of those that would show it. */
const FEWEST = 3;
const SHARE = 0.4;

interface Split {
  readonly low: Hz;
  readonly high: Hz;
  readonly number: number;
  readonly cents: Cents;
  /** Power of either line. */
  readonly lowPower: number;
  readonly highPower: number;
}

/** Tells two strings a few cents to half a semitone apart from one: every partial is split, by the same share of its pitch. */
export class PairFinder {
  private readonly spectrum: Spectrum;

  constructor(private readonly sampleRate: Hz) {
    this.spectrum = new Spectrum(Math.ceil((STRETCH.to - STRETCH.from) * sampleRate), sampleRate);
  }

  /**
   * The two pitches, the lower first; null where it is one string, or the note too short to tell.
   * @param law f0 and B of what was read
   */
  find(
    samples: Float64Array,
    onset: number,
    end: number,
    law: { readonly f0: Hz; readonly inharmonicity: number },
  ): readonly [Hz, Hz] | null {
    const { sampleRate, spectrum } = this;
    const from = onset + Math.round(STRETCH.from * sampleRate);
    const to = Math.min(end, onset + Math.round(STRETCH.to * sampleRate));
    if (to - from < STRETCH.shortest * sampleRate) return null;
    spectrum.analyse(samples, from, to - from);
    const splits: Split[] = [];
    const seen: number[] = [];
    for (let n = 1; n <= HIGHEST; n++) {
      const hz = partialHz(law.f0, law.inharmonicity, n);
      const split = this.splitAt(hz, n, seen);
      if (split) splits.push(split);
    }
    if (splits.length < FEWEST) return null;
    const apart = median(splits.map(({ cents }) => cents));
    const alike = splits.filter(
      ({ cents, number }) => Math.abs(cents - apart) < AGREE + this.placeError(law.f0 * number),
    );
    // Partials whose lines would have parted at that distance.
    const telling = seen.filter((hz) => shareOf(apart) * hz > PARTED * spectrum.lobeHz);
    if (alike.length < FEWEST || alike.length < SHARE * telling.length) return null;
    const lows = alike.reduce((sum, { lowPower }) => sum + lowPower, 0);
    const highs = alike.reduce((sum, { highPower }) => sum + highPower, 0);
    if (Math.min(lows, highs) < BOTH_POWER * Math.max(lows, highs)) return null;
    return [
      median(alike.map(({ low, number }) => low / number)),
      median(alike.map(({ high, number }) => high / number)),
    ];
  }

  /** The two strongest peaks about a partial; notes the partial as seen where there is one at all. */
  private splitAt(hz: Hz, number: number, seen: number[]): Split | null {
    const { peakHz, peakHeight, peakCount, lobeHz } = this.spectrum;
    let first = -1;
    let second = -1;
    for (let p = 0; p < peakCount; p++) {
      if (Math.abs(centsBetween(hz, nth64(peakHz, p))) > WITHIN) continue;
      if (first < 0 || nth64(peakHeight, p) > nth64(peakHeight, first)) {
        second = first;
        first = p;
      } else if (second < 0 || nth64(peakHeight, p) > nth64(peakHeight, second)) second = p;
    }
    if (first < 0) return null;
    seen.push(hz);
    if (second < 0 || nth64(peakHeight, second) < LEAST_SHARE * nth64(peakHeight, first))
      return null;
    const [a, b] = [nth64(peakHz, first), nth64(peakHz, second)];
    const powers = [nth64(peakHeight, first) ** 2, nth64(peakHeight, second) ** 2] as const;
    const [low, high] = a < b ? [a, b] : [b, a];
    const [lowPower, highPower] = a < b ? powers : [powers[1], powers[0]];
    const cents = centsBetween(low, high);
    if (cents < LEAST_APART || high - low < PARTED * lobeHz) return null;
    return { low, high, number, cents, lowPower, highPower };
  }

  private placeError(hz: Hz): Cents {
    return centsBetween(hz, hz + PLACE_ERROR * this.spectrum.lobeHz);
  }
}

const shareOf = (cents: Cents) => shiftHz(1, cents) - 1;
