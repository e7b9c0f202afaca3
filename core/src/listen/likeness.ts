import type { Cents } from '../units.ts';

/** What of a note tells a string from a voice. */
export interface Ringing {
  /** The first moments against the loudest, in dB. */
  readonly attackDb: number;
  /** How the partials fade, in dB a second, and how much more for each factor of e in their number. */
  readonly dbPerSecond: number;
  readonly tilt: number;
  /** How far its pitch moved, and how far from an exponential that falls by so much from its first moments on. */
  readonly spread: Cents;
  readonly rest: Cents;
  readonly falls: Cents;
  /** The error of the reading: how well its partials lie on the law of a stiff string. */
  readonly errorCents: Cents;
}

/** So much evidence a value gives for a string, or against: linear between two ends. */
interface Evidence {
  /** The value that speaks for neither, and the one that speaks for a string by 1. */
  readonly even: number;
  readonly one: number;
  readonly least: number;
  readonly most: number;
}

/**
 * Limits by physics: a plucked string begins at its loudest and only fades, its high partials
 * first; its pitch glides down and rests. A voice is held up by breath. That something is even
 * does not prove a string, so evenness weighs less for it than unevenness against it.
 */
const EVIDENCE = {
  attackDb: { even: -1.6, one: -0.8, least: -2, most: 0.5 },
  dbPerSecond: { even: -3.5, one: -8, least: -1.5, most: 1.5 },
  /** Nothing that was plucked holds its loudness, not even behind a device that levels. */
  holds: { even: -1.6, one: -2.3, least: -2, most: 0 },
  tilt: { even: -1, one: -3.5, least: -1.5, most: 1.5 },
  logSpread: { even: Math.log(2.2), one: Math.log(1.1), least: -4, most: 1 },
  /** A pluck's pitch never rises by itself. */
  falls: { even: -6, one: 4, least: -1.5, most: 0 },
  logRest: { even: Math.log(0.6), one: Math.log(0.15), least: -2, most: 1 },
  logError: { even: Math.log(1.3), one: Math.log(0.5), least: -1, most: 0.5 },
} as const satisfies Record<string, Evidence>;

/** Evidence for a string, above 0, or a voice, below it. */
export function likeness(heard: Ringing): number {
  return (
    fadingLikeness(heard) +
    spreadOf(heard) +
    weigh(heard.falls, EVIDENCE.falls) +
    weigh(Math.log(heard.rest), EVIDENCE.logRest) +
    weigh(Math.log(heard.errorCents), EVIDENCE.logError)
  );
}

/** The same by its loudness alone: a string whose peg is turned while it rings still fades as one. */
export function fadingLikeness(heard: Ringing): number {
  return (
    weigh(heard.attackDb, EVIDENCE.attackDb) +
    weigh(heard.dbPerSecond, EVIDENCE.dbPerSecond) +
    weigh(heard.dbPerSecond, EVIDENCE.holds) +
    weigh(heard.tilt, EVIDENCE.tilt)
  );
}

/** A hard pluck glides down far, but evenly: that speaks neither for a string nor against it. */
const HARD = { falls: 45, rest: 0.15 } as const;

function spreadOf({ spread, rest, falls }: Ringing): number {
  const weight = weigh(Math.log(spread), EVIDENCE.logSpread);
  const isHard = falls > 0 && falls < HARD.falls && rest < HARD.rest * spread;
  return isHard ? Math.max(0, weight) : weight;
}

function weigh(value: number, { even, one, least, most }: Evidence): number {
  return Math.min(most, Math.max(least, (value - even) / (one - even)));
}
