import { median, nth } from '../maths/index.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';

/** A stretch that is cut short by the end of the note still counts from this share of it on. */
const LONG_ENOUGH = 0.7;

/** What a note's live track tells beside its reading. */
export interface Ringing {
  /** How far the start of the note lay above its middle; 0 where it was turned meanwhile. */
  readonly attackCents: Cents;
  /** Where the pitch last stood still long enough to be believed. */
  readonly endHz: Hz;
  /** The fastest lasting movement, in cents a second; its sign is up or down. */
  readonly fastest: number;
}

/** Attack and middle of a note, in seconds after the onset. */
const ATTACK_UNTIL: Seconds = 0.14;
const MIDDLE = { from: 0.3, to: 0.8 } as const;
/** In cents a second: what is left of a glide falls more slowly. */
const TURNED = 12;
/** Movement is judged over so long a stretch, once the attack is over. */
const STRETCH: Seconds = 0.24;
const ATTACK_OVER: Seconds = 0.25;
const FEWEST = 5;
/** So many values in a row within so many cents are a pitch that stands still. */
const STEADY = { values: 7, within: 4 } as const;

/** Sums up a live track: times since the onset and pitches, by turns. Null for one too short. */
export function ringingOf(track: ArrayLike<number>): Ringing | null {
  const points: { t: Seconds; hz: Hz }[] = [];
  for (let i = 0; i + 1 < track.length; i += 2)
    points.push({ t: nth(track, i), hz: nth(track, i + 1) });
  if (points.length < FEWEST) return null;
  const between = points.filter(({ t }) => t >= MIDDLE.from && t <= MIDDLE.to);
  // While a peg is turned the middle tells nothing of how the note began.
  const turned = between.length >= FEWEST && Math.abs(slopeOf(between)) > TURNED;
  const middle = turned ? null : meanCents(between);
  const attack = meanCents(points.filter(({ t }) => t < ATTACK_UNTIL));
  return {
    attackCents: middle === null || attack === null ? 0 : attack - middle,
    endHz: restOf(points) ?? nth(points, 0).hz,
    fastest: fastestOf(points.filter(({ t }) => t >= ATTACK_OVER)),
  };
}

/** The median of the last few values that agree: late in the decay single ones stray. */
function restOf(points: readonly { hz: Hz }[]): Hz | null {
  for (let to = points.length; to >= STEADY.values; to--) {
    const last = points.slice(to - STEADY.values, to).map(({ hz }) => hz);
    if (centsBetween(Math.min(...last), Math.max(...last)) <= STEADY.within) return median(last);
  }
  return null;
}

function meanCents(points: readonly { hz: Hz }[]): Cents | null {
  if (points.length === 0) return null;
  return points.reduce((sum, { hz }) => sum + centsBetween(1, hz), 0) / points.length;
}

function fastestOf(points: readonly { t: Seconds; hz: Hz }[]): number {
  let fastest = 0;
  let from = 0;
  points.forEach((point, to) => {
    while (point.t - nth(points, from).t > STRETCH) from++;
    if (to - from + 1 < FEWEST || point.t - nth(points, from).t < LONG_ENOUGH * STRETCH) return;
    const slope = slopeOf(points.slice(from, to + 1));
    if (Math.abs(slope) > Math.abs(fastest)) fastest = slope;
  });
  return fastest;
}

/** Least-squares slope in cents a second. */
function slopeOf(points: readonly { t: Seconds; hz: Hz }[]): number {
  const n = points.length;
  const t = points.reduce((sum, p) => sum + p.t, 0) / n;
  let above = 0;
  let below = 0;
  for (const p of points) {
    above += (p.t - t) * centsBetween(1, p.hz);
    below += (p.t - t) ** 2;
  }
  return above / below;
}
