import type { Presence } from '../listen/index.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';

/** What was expected of the next pluck. */
export interface Expected {
  /** Its string was chosen by hand, or is the one that the screen asks for. */
  readonly chosen: boolean;
  readonly asked: boolean;
}

/**
 * How one of the four features lies, in decibels: `usual` before anything is heard, which differs from
 * session to session by `between` and from pluck to pluck by `within`; of another instrument across
 * the room it is off by `apart`, give or take `spread`. Fitted on seeds 1–43 of the shoebox rooms of
 * the bench (T60 0.35–0.95 s, ours at 0.3–0.8 m, others at 1.5–6 m, 511 and 237 plucks); `between` is
 * wider than what was found there, because real hands and picks differ more than generated ones.
 */
const FEATURES = [
  { of: 'peak', usual: -18, between: 8, within: 4, apart: -7.3, spread: 5.2, weight: 1.2 },
  { of: 'attack', usual: -6.7, between: 2, within: 1.1, apart: -2.6, spread: 1.9, weight: 1.3 },
  { of: 'rise', usual: -0.7, between: 1.2, within: 2.1, apart: -4.7, spread: 3.2, weight: 0.9 },
  { of: 'ripple', usual: 1.55, between: 0.8, within: 0.8, apart: 1.8, spread: 1.2, weight: 1.5 },
] as const satisfies readonly ({ readonly of: keyof Presence } & Record<string, unknown>)[];
/** No feature by itself counts for more than this. */
const MOST = 4;
/** A string that was chosen, or asked for, is the likelier to be what sounded: natural logarithms of odds. */
const EXPECTED = { chosen: 4, asked: 1 } as const;
/** A pluck below this is another instrument's. */
const NOT_OURS = -0.5;
/** So many plucks of ours are compared with; older ones may have been made elsewhere. */
const COMPARED_WITH = 10;

/**
 * Whether a pluck was made on this instrument rather than on another one in the room.
 * @param own plucks that were surely made on this one, the latest last
 */
export function isOurs(heard: Presence, own: readonly Presence[], expected: Expected): boolean {
  const bonus = (expected.chosen ? EXPECTED.chosen : 0) + (expected.asked ? EXPECTED.asked : 0);
  return evidenceFor(heard, own.slice(-COMPARED_WITH)) + bonus >= NOT_OURS;
}

/** Evidence for this instrument, a weighted sum of natural logarithms of likelihood ratios. */
function evidenceFor(heard: Presence, own: readonly Presence[]): number {
  let sum = 0;
  for (const { of, usual, between, within, apart, spread, weight } of FEATURES) {
    // Where this session's plucks lie: the usual, corrected by those that were heard.
    const variance = 1 / (1 / between ** 2 + own.length / within ** 2);
    const total = own.reduce((so, one) => so + one[of], 0);
    const mean = variance * (usual / between ** 2 + total / within ** 2);
    const ours = logStudent(heard[of] - mean, Math.hypot(within, Math.sqrt(variance)));
    const others = logStudent(heard[of] - mean - apart, Math.hypot(spread, Math.sqrt(variance)));
    sum += weight * Math.max(-MOST, Math.min(MOST, ours - others));
  }
  return sum;
}

/** Logarithm of Student's density with four degrees of freedom, but for a constant. */
function logStudent(x: number, scale: number): number {
  return -2.5 * Math.log1p((x / scale) ** 2 / 4) - Math.log(scale);
}

/** The plucks to compare with after one more: all anew where the teacher vouched for one that had been left out. */
export function withOwn(
  own: readonly Presence[],
  one: Presence,
  vouchedFor: boolean,
): readonly Presence[] {
  return vouchedFor ? [one] : [...own, one].slice(-COMPARED_WITH);
}

/** The same note again and again lies so near together. */
const SAME_NOTE: Cents = 40;
/** Who plucks the string that is asked for so often in a row is believed: at first, and once ours is known. */
const INSISTS = { atFirst: 1, known: 2 } as const;

/** A note is plucked again that was just left out. */
export function isRepeated(hz: Hz, leftOut: readonly Hz[]): boolean {
  const last = leftOut.at(-1);
  return last !== undefined && Math.abs(centsBetween(last, hz)) < SAME_NOTE;
}

/**
 * The string that is asked for was left out and is plucked again and again: the teacher sits somewhere
 * else, and wonders why nothing happens.
 */
export function insistsOnIt(hz: Hz, leftOut: readonly Hz[], own: readonly Presence[]): boolean {
  const often = own.length === 0 ? INSISTS.atFirst : INSISTS.known;
  const late = leftOut.slice(-often);
  return late.length === often && late.every((other) => isRepeated(hz, [other]));
}
