import { nth, nth64 } from '../maths/index.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';
import type { Spectrum } from './spectrum.ts';
import { partialHz, reportedHz } from './stiffString.ts';

/** Peaks are looked at in this band. */
const BAND = { low: 30, high: 4000 } as const satisfies Record<string, Hz>;
/** Width of a cell of the evidence. */
const CELL: Cents = 5;
const CELLS = Math.ceil(centsBetween(BAND.low, BAND.high) / CELL);
/** Partials that are weighed. */
const PARTIALS = 24;
/** How far a peak may lie from its place: a share of the lobe, and what bodies shift. */
const PLACE = { lobe: 0.08, cents: 7 } as const;
/** Beyond so many of those a peak is no evidence. */
const REACH = 3;
/** What the share of missing partials costs against the share of explained peaks. */
const MISSING_COST = 0.65;

const cellOf = (hz: Hz) => centsBetween(BAND.low, hz) / CELL;

/**
 * How well the partials of a stiff string explain a spectrum, for many pitches at once.
 *
 * Pitches stand in a row; for each one the places of its partials follow from the law of
 * its stiffness and are worked out once. A spectrum becomes one curve over its frequencies,
 * so that weighing a pitch is a look at two dozen places of that curve.
 */
export class SeriesEvidence {
  /** What is at a frequency, in dB over the noise, and how well it stands there, 0 to 1. */
  private readonly height = new Float64Array(CELLS);
  private readonly fit = new Float64Array(CELLS);
  private readonly places: Int16Array;
  private weight = 0;

  /** @param pitches reported pitch and B of each string that may sound */
  constructor(pitches: readonly { readonly hz: Hz; readonly inharmonicity: number }[]) {
    this.places = new Int16Array(pitches.length * PARTIALS).fill(-1);
    pitches.forEach(({ hz, inharmonicity }, i) => {
      const f0 = (hz * hz) / reportedHz(hz, inharmonicity);
      for (let n = 1; n <= PARTIALS; n++) {
        const cell = Math.round(cellOf(partialHz(f0, inharmonicity, n)));
        if (cell < CELLS) this.places[i * PARTIALS + n - 1] = Math.max(cell, -1);
      }
    });
  }

  /** Takes a spectrum to be weighed. */
  hear(spectrum: Spectrum): void {
    const { height, fit } = this;
    height.fill(0);
    fit.fill(0);
    this.weight = 0;
    for (let p = 0; p < spectrum.peakCount; p++) {
      const hz = nth64(spectrum.peakHz, p);
      if (hz < BAND.low || hz > BAND.high) continue;
      const db = nth64(spectrum.peakDb, p);
      this.weight += db;
      const sigma = (PLACE.cents + centsBetween(hz, hz + PLACE.lobe * spectrum.lobeHz)) / CELL;
      const at = cellOf(hz);
      const from = Math.max(0, Math.ceil(at - REACH * sigma));
      const to = Math.min(CELLS - 1, Math.floor(at + REACH * sigma));
      for (let k = from; k <= to; k++) {
        const near = Math.exp(-0.5 * ((k - at) / sigma) ** 2);
        if (db * near <= nth64(height, k)) continue;
        height[k] = db * near;
        fit[k] = near;
      }
    }
  }

  /** How well pitch number `i` explains it: 1 explains everything, 0 and less is no pitch. */
  score(i: number): number {
    const { height, fit, places, weight } = this;
    if (weight === 0) return 0;
    let explained = 0;
    let matched = 0;
    let best = 0;
    for (let n = 1; n <= PARTIALS; n++) {
      const cell = nth(places, i * PARTIALS + n - 1);
      if (cell < 0) continue;
      explained += nth64(height, cell);
      matched += nth64(fit, cell);
      // The series may end at any partial.
      best = Math.max(best, explained / weight - MISSING_COST * (1 - matched / n));
    }
    return best;
  }
}
