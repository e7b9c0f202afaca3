import { median } from '../maths/index.ts';
import type { Value } from '../message.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';
import type { StringKnowledge } from './identity.ts';
import { priorOf } from './identity.ts';
import type { PluckOutcome } from './pluck.ts';
import { Spectrum } from './spectrum.ts';
import { GENERAL_PRIOR } from './stiffString.ts';
import { StrumFit, type StrumFitted } from './strumFit.ts';
import { explainedBy, searchStrum } from './strumSearch.ts';

/**
 * A strum is read from here after its first string, when six or seven strings 40 ms apart are all
 * struck: over the shorter time to check by, over the longer one for the answer.
 */
export const STRUM_WINDOW = { from: 0.32, first: 0.34, final: 0.68 } as const satisfies Record<
  string,
  Seconds
>;
/** What an answer must hold: error, partials of its own, outliers, how well places elsewhere are ruled out, agreement of the two windows. */
const SURE = { error: 2.2, own: 2, outliers: 0.34, margin: 20, agree: 3 } as const;
/** Partials of many strings at once. */
const MOST_PEAKS = 320;
/** Where the second search puts a string further from the first than this, it is fitted anew. */
const MOVED: Cents = 4;
/** The first half is fitted with B nearly as the whole has it: its prior that much narrower. */
const NARROWER = 4;
/** A sound is a strum by itself when so large a share of the strings is answered, and at least so many. */
const STRUMMED = { share: 0.6, fewest: 3 } as const;
/** What a strum may look like to an ear that seeks one string. */
const SEVERAL: ReadonlySet<PluckOutcome['kind']> = new Set(['not sure', 'more than one string']);
/** A reading that explains less of its sound than this may be of one string among many. */
const CLEAR = 0.6;
/** Loudness by steps, from when all strings are struck: plucked strings only fade. */
const FADES = { from: 0.3, step: 0.06, rise: 1.15, falls: 0.92 } as const;
/** A tuning is another than the one before it only from so many dB on; below, both are named. */
const SURELY_DB = 10;
/** What the strings are set to is believed until another tuning explains so many dB more. */
const OWN_DB = 25;
/** Nearer than this two strings are one. */
const SAME: Cents = 10;

/** What a strum tells of one string. */
export interface StrumString {
  readonly course: number;
  readonly hz: Hz;
  /** Against its note. */
  readonly cents: Cents;
  readonly errorCents: Cents;
  readonly inharmonicity: number;
  /** It is answered; otherwise it is to be plucked alone. */
  readonly sure: boolean;
  /** dB of peaks that are lost where it stands elsewhere. */
  readonly margin: number;
  /** Partials that stand by themselves, and the share of them that lie off its law. */
  readonly own: number;
  readonly outliers: number;
  /** How far the first half of the window says otherwise. */
  readonly agree: Cents;
}

/**
 * Reads all strings from one strum.
 *
 * @param samples decimated samples, at about 12 kHz
 * @param onset index of the onset of its first string
 * @param strings what is known of each; looked for within 84 cents of its last reading, or of its note
 */
export function readStrum(
  samples: Float64Array,
  onset: number,
  sampleRate: Hz,
  strings: readonly StringKnowledge[],
): StrumString[] | null {
  const window = windowOf(samples, onset, sampleRate);
  if (!window) return null;
  const { whole, spectrum } = window;
  const sought = strings.map((string) => ({
    hz: string.lastHz ?? string.target.hz,
    prior: priorOf(string),
  }));
  const search = (b: readonly number[]) =>
    searchStrum(
      sought.map(({ hz }, s) => ({ hz, inharmonicity: b[s]! })),
      spectrum,
    );
  const first = search(sought.map(({ prior }) => prior.mean));
  const fitted = fit(whole, sampleRate, sought, first.cents);
  // Once more with the stiffness that was found.
  const again = search(fitted.map(({ inharmonicity }) => inharmonicity));
  const moved = again.cents.some((cents, s) => Math.abs(cents - first.cents[s]!) > MOVED);
  const final = moved ? fit(whole, sampleRate, sought, again.cents) : fitted;
  const start = whole.subarray(0, Math.round(STRUM_WINDOW.first * sampleRate));
  const nested = fit(
    start,
    sampleRate,
    sought.map((string, s) => ({
      hz: final[s]!.hz,
      prior: { mean: final[s]!.inharmonicity, sigma: string.prior.sigma / NARROWER },
    })),
    sought.map(() => 0),
  );
  return strings.map(({ target }, s) => {
    const fitted = final[s]!;
    const told = {
      ...fitted,
      course: target.course,
      cents: centsBetween(target.hz, fitted.hz),
      margin: again.margin[s]!,
      agree: centsBetween(fitted.hz, nested[s]!.hz),
    };
    return { ...told, sure: isSure(told) };
  });
}

function isSure({ errorCents, own, outliers, margin, agree }: Omit<StrumString, 'sure'>): boolean {
  return (
    errorCents < SURE.error &&
    own >= SURE.own &&
    outliers < SURE.outliers &&
    margin > SURE.margin &&
    Math.abs(agree) < SURE.agree
  );
}

/** True where a sound that was no clear reading of one string fades as strings do: it is worth looking for all of them. */
export function mayBeStrum(
  outcome: PluckOutcome,
  samples: Float64Array,
  onset: number,
  sampleRate: Hz,
): boolean {
  if (outcome.kind === 'reading' ? outcome.clarity > CLEAR : !SEVERAL.has(outcome.kind))
    return false;
  const step = Math.round(FADES.step * sampleRate);
  let before = Number.POSITIVE_INFINITY;
  let first = 0;
  let last = 0;
  for (
    let at = onset + Math.round(FADES.from * sampleRate);
    at + step <= samples.length;
    at += step
  ) {
    let power = 0;
    for (let i = at; i < at + step; i++) power += samples[i]! ** 2;
    const size = Math.sqrt(power);
    if (size > FADES.rise * before) return false;
    first ||= size;
    before = size;
    last = size;
  }
  return first > 0 && last < FADES.falls * first;
}

/** True where so many strings are answered that it was a strum; one is enough where it was asked for. */
export function isStrum(strings: readonly StrumString[], asked: boolean): boolean {
  const sure = strings.filter((string) => string.sure).length;
  if (asked) return sure > 0;
  return sure >= Math.max(STRUMMED.fewest, STRUMMED.share * strings.length);
}

/** A set of strings that a strum may be of. */
export interface StrumTuning {
  /** By which it is known again. */
  readonly id: string;
  /** What it is called, where that is said. */
  readonly name: Value;
  readonly hz: readonly Hz[];
}

/** How well a tuning explains a strum, in dB of peaks; the middle of how far its strings are off. */
export interface StrumLike {
  readonly id: string;
  readonly name: Value;
  readonly hz: readonly Hz[];
  readonly value: number;
  readonly cents: Cents;
}

/** Which tunings a strum sounds like, the likeliest first. Null where it is too short. */
export function tuningsLike(
  samples: Float64Array,
  onset: number,
  sampleRate: Hz,
  tunings: readonly StrumTuning[],
): StrumLike[] | null {
  const window = windowOf(samples, onset, sampleRate);
  if (!window) return null;
  const { mean } = GENERAL_PRIOR;
  return tunings
    .map(({ id, name, hz }) => {
      const strings = hz.map((one) => ({ hz: one, inharmonicity: mean }));
      const { value, cents } = explainedBy(strings, window.spectrum);
      return { id, name, hz, value, cents: median(cents) };
    })
    .sort((a, b) => b.value - a.value)
    .filter(({ hz }, i, all) => all.findIndex((other) => sameStrings(other.hz, hz)) === i);
}

/** The one tuning that a strum sounds like, or the two that it may be; none where it is `own`, as it is set. */
export function likeliest(
  like: readonly StrumLike[],
  own: readonly Hz[] = [],
): readonly StrumLike[] {
  const [first, second] = like;
  if (!first) return [];
  const set = like.find(({ hz }) => sameStrings(hz, own));
  if (set && first.value - set.value < OWN_DB) return [];
  return second && first.value - second.value < SURELY_DB ? [first, second] : [first];
}

/** Whatever the order of the strings: by their pitches no ear tells them apart. */
function sameStrings(one: readonly Hz[], two: readonly Hz[]): boolean {
  const sorted = (list: readonly Hz[]) => [...list].sort((a, b) => a - b);
  const [a, b] = [sorted(one), sorted(two)];
  return a.length === b.length && a.every((hz, i) => Math.abs(centsBetween(hz, b[i]!)) < SAME);
}

/** The stretch that is read, and its spectrum; null where the sound ends too soon. */
function windowOf(samples: Float64Array, onset: number, sampleRate: Hz) {
  const lengthOf = (seconds: Seconds) => Math.round(seconds * sampleRate);
  const from = onset + lengthOf(STRUM_WINDOW.from);
  const length = Math.min(lengthOf(STRUM_WINDOW.final), samples.length - from);
  if (length < lengthOf(STRUM_WINDOW.first)) return null;
  const whole = samples.subarray(from, from + length);
  const spectrum = new Spectrum(length, sampleRate, MOST_PEAKS);
  spectrum.analyse(whole, 0, length);
  return { whole, spectrum };
}

function fit(
  samples: Float64Array,
  sampleRate: Hz,
  sought: readonly { readonly hz: Hz; readonly prior: { mean: number; sigma: number } }[],
  cents: readonly Cents[],
): StrumFitted[] {
  const guesses = sought.map(({ hz, prior }, s) => ({
    hz: shiftHz(hz, cents[s]!),
    inharmonicity: prior.mean,
    sigmaB: prior.sigma,
  }));
  return new StrumFit(samples, sampleRate, guesses).fit();
}
