import type { Cents } from '../units.ts';

/** Where a string can be at all, in cents from its target: fully slack to just before it breaks. */
export const REACH = { low: -2600, high: 620 } as const satisfies Record<string, Cents>;

const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);

export function normalDensity(x: number, mean: number, sigma: number): number {
  return Math.exp(-0.5 * ((x - mean) / sigma) ** 2) / (sigma * ROOT_TWO_PI);
}

function uniformDensity(x: number, low: number, high: number): number {
  return x > low && x < high ? 1 / (high - low) : 0;
}

/** How instruments are found when a session begins. */
export const KINDS = ['ordinary', 'oneReplaced', 'allNew', 'allShifted', 'otherTuning'] as const;
export type Kind = (typeof KINDS)[number];

/** How often each is met; fitted to nothing, common practice, no source. */
export const KIND_SHARE: Readonly<Record<Kind, number>> = {
  ordinary: 0.7,
  oneReplaced: 0.1,
  allNew: 0.07,
  allShifted: 0.05,
  otherTuning: 0.08,
};
/** … of strings that are known to be new: most have been brought up once already. */
export const FRESH_SHARE: Readonly<Record<Kind, number>> = {
  ordinary: 0.5,
  oneReplaced: 0.1,
  allNew: 0.28,
  allShifted: 0.08,
  otherTuning: 0.04,
};

/** … of strings that are known to come from another tuning: they were heard in it. */
export const RETUNED_SHARE: Readonly<Record<Kind, number>> = {
  ordinary: 0.94,
  oneReplaced: 0.02,
  allNew: 0.01,
  allShifted: 0.02,
  otherTuning: 0.01,
};

/** Strings of an instrument that was put away in tune, in cents. */
const LEFT_ALONE = { sigma: 22, tail: 60, tailShare: 0.12 } as const;

/** A string that nobody turned since it was left at `before`. */
export function leftAlone(d: Cents, before: Cents): number {
  const tail = Math.exp(-Math.abs(d - before) / LEFT_ALONE.tail) / (2 * LEFT_ALONE.tail);
  return (
    (1 - LEFT_ALONE.tailShare) * normalDensity(d, before, LEFT_ALONE.sigma) +
    LEFT_ALONE.tailShare * tail
  );
}

/** A string that was just put on: seldom sharp, mostly a few semitones flat, sometimes slack. */
export function justPutOn(d: Cents): number {
  return (
    0.62 * uniformDensity(d, -700, 60) +
    0.3 * uniformDensity(d, -1700, -300) +
    0.08 * uniformDensity(d, REACH.low, REACH.high)
  );
}

/** All strings moved alike; the others' mean is known, or not yet. */
export function shiftedAlike(d: Cents, others: Cents | null): number {
  return others === null
    ? 0.5 * uniformDensity(d, -650, 350) + 0.5 * uniformDensity(d, -250, 250)
    : 0.8 * normalDensity(d, others, 22) + 0.2 * normalDensity(d, others, 70);
}

/** Where a string is that was heard before, and what may have been done to it since. */
export interface LastHeard {
  readonly cents: Cents;
  /** It was the string plucked just before. */
  readonly justNow: boolean;
  /** The screen told since to turn this string, or another one; null where it told nothing. */
  readonly told: 'it' | 'another' | null;
  /** A turn that was told earlier, while another string sounded; 0 where there was none. */
  readonly pending: Cents;
  /** It is new: it falls by itself, and more when it is pulled. */
  readonly fresh: boolean;
}

interface Moves {
  readonly stays: number;
  readonly turned: number;
  readonly anywhere: number;
}

/** Common practice, no source: most turn what is off, and most turn the string that they are told to. */
const MOVES = {
  told: { stays: 0.25, turned: 0.73, anywhere: 0.02 },
  anotherTold: { stays: 0.8, turned: 0.17, anywhere: 0.03 },
  offJustNow: { stays: 0.27, turned: 0.71, anywhere: 0.02 },
  offBefore: { stays: 0.55, turned: 0.42, anywhere: 0.03 },
  inTune: { stays: 0.87, turned: 0.12, anywhere: 0.01 },
} as const satisfies Record<string, Moves>;
/** Readings of a string that nobody turned scatter by this, and move by so much as others are tuned. */
const STAYS = { scatter: 3.5, coupled: 14, coupledShare: 0.2 } as const;
/** A turn leaves so much of the way, of its size. */
const TURNED = { leaves: 0.1, sigma: 0.22, least: 6 } as const;
/** A turn that was told while another string sounded was made so often, to within a share of its size. */
const PENDING = { made: 0.5, sigma: 0.3, least: 10 } as const;

/** How often a string that was heard before is found at a pitch now, by the cent. */
export function heardAgain(d: Cents, last: LastHeard, offFrom: Cents): number {
  const { cents, pending } = last;
  const moves = movesOf(last, Math.abs(cents) > offFrom);
  const stays =
    (1 - STAYS.coupledShare) * normalDensity(d, cents, STAYS.scatter) +
    STAYS.coupledShare * normalDensity(d, cents, STAYS.coupled);
  const usual =
    moves.stays * stays +
    moves.turned * turnedTo(d, cents) +
    moves.anywhere * uniformDensity(d, REACH.low, REACH.high);
  const plain = last.fresh ? (1 - FALLS.share) * usual + FALLS.share * fallen(d, cents) : usual;
  if (pending === 0) return plain;
  const sigma = Math.max(PENDING.least, PENDING.sigma * Math.abs(pending));
  return PENDING.made * normalDensity(d, cents + pending, sigma) + (1 - PENDING.made) * plain;
}

/** So often a new string has fallen since it was heard, by so much on the average: common practice, no source. */
const FALLS = { share: 0.4, mean: 45 } as const;

function fallen(d: Cents, from: Cents): number {
  return d < from ? Math.exp((d - from) / FALLS.mean) / FALLS.mean : 0;
}

function movesOf({ told, justNow }: LastHeard, isOff: boolean): Moves {
  if (told === 'it') return MOVES.told;
  if (told === 'another' && isOff) return MOVES.anotherTold;
  if (!isOff) return MOVES.inTune;
  return justNow ? MOVES.offJustNow : MOVES.offBefore;
}

/** A turn goes towards the note and mostly ends near it; of a long way it may be a part only. */
function turnedTo(d: Cents, from: Cents): number {
  const size = Math.abs(from);
  const near = normalDensity(d, TURNED.leaves * from, Math.max(TURNED.least, TURNED.sigma * size));
  const [low, high] = [Math.min(from, 0) - 20, Math.max(from, 0) + 20];
  const onTheWay = uniformDensity(d, low, high);
  return 0.7 * near + 0.3 * onTheWay;
}

/** How the stiffness that was heard fits what a string is known to have: ln(B·f²). */
export function stiffnessFit(heard: number, mean: number, sigma: number): number {
  return 0.85 * normalDensity(heard, mean, sigma) + 0.15 * normalDensity(heard, mean, 1.6);
}
