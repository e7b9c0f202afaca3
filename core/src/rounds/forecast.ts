import { median } from '../maths/index.ts';
import type { InstrumentKind } from '../music/index.ts';
import type { Round } from './types.ts';

const MINUTE_MS = 60_000;

/** An earlier session, as far as time goes. */
export interface TimedSitting {
  readonly minutes: number;
  /** Every string was found right. */
  readonly right: boolean;
}

/** What is known of an instrument of a round before it is taken. */
export interface ToForecast {
  readonly kind: InstrumentKind;
  readonly strings: number;
  readonly sittings: readonly TimedSitting[];
  /** Probability that a string is out by now; null where drift is not known. */
  readonly out: number | null;
}

/** Minutes that a string which is off takes, before anything is known of an instrument. Common practice, no source. */
const A_STRING: Readonly<Record<InstrumentKind, number>> = {
  guitar: 0.7,
  ukulele: 0.65,
  banjo: 0.7,
  bass: 0.75,
};
/** Of an instrument that is out so many strings are. */
const STRINGS_OUT = 0.5;
/** Taking it in hand, one strum, putting it back, in minutes. */
export const ONE_STRUM = 0.3;
/** The prior counts for so many sessions. */
const PRIOR_SITTINGS = 2;
/** Only so many of the last sessions count. */
const LAST = 8;
/** Nobody tunes longer than this without a break: a session that was left open tells nothing, in minutes. */
const LEFT_OPEN = 30;
/** So many times the usual is a long session. */
const LONG = 2.5;
/** Before anything is known an instrument is out so often. */
const OUT = 0.6;

/** Minutes that an instrument will take: what it took before, weighed by how likely it is out. */
export function minutesFor({ kind, strings, sittings, out }: ToForecast): number {
  const usual = A_STRING[kind] * strings * STRINGS_OUT + ONE_STRUM;
  const last = sittings.filter(({ minutes }) => minutes < LEFT_OPEN).slice(-LAST);
  const worked = last.filter(({ right }) => !right).map(({ minutes }) => minutes);
  const own = worked.length > 0 ? calmMean(worked) : usual;
  const atWork = (own * worked.length + usual * PRIOR_SITTINGS) / (worked.length + PRIOR_SITTINGS);
  const wasOut = (worked.length + PRIOR_SITTINGS * OUT) / (last.length + PRIOR_SITTINGS);
  const chance = out === null ? wasOut : (out + wasOut) / 2;
  return ONE_STRUM + chance * Math.max(0, atWork - ONE_STRUM);
}

/** Minutes add up, so their mean counts; a session that took much longer than usual counts as a long one, not more. */
function calmMean(minutes: readonly number[]): number {
  const most = LONG * median(minutes);
  return minutes.reduce((sum, one) => sum + Math.min(one, most), 0) / minutes.length;
}

/** In which order a round is best taken: those that must settle first, sure ones last. */
export function roundOrder<T>(
  instruments: readonly T[],
  facts: (one: T) => { readonly settles: boolean; readonly out: number | null },
): T[] {
  const rank = (one: T) => {
    const { settles, out } = facts(one);
    return settles ? 2 : (out ?? 1);
  };
  return [...instruments].sort((a, b) => rank(b) - rank(a));
}

/** A forecast is corrected by how long the others took, which counts like so many minutes of its own. */
const PRIOR_MINUTES = 4;

/** Minutes that what is left of a round will take: its forecast, at the pace that was kept so far. */
export function minutesLeft({ entries }: Pick<Round, 'entries'>): number {
  let [forecast, took, left] = [PRIOR_MINUTES, PRIOR_MINUTES, 0];
  for (const { standing, minutes = ONE_STRUM, from, to } of entries) {
    if (standing === 'waiting') left += minutes;
    else if (from !== undefined && to !== undefined) {
      const own = (to - from) / MINUTE_MS;
      // Somebody went for a coffee: that is no pace.
      took += Math.min(own, LEFT_OPEN);
      forecast += minutes;
    }
  }
  return (left * took) / forecast;
}
