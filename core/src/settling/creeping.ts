import { normal, nth, seededRandom, temperedDraws } from '../maths/index.ts';
import type { StringSpec } from '../strings/index.ts';
import type { Cents, Seconds } from '../units.ts';
import type { SettlingEvent } from './history.ts';
import {
  decayAfter,
  type Nature,
  natureOf,
  pulled,
  type StringKind,
  strengthOf,
  turned,
  unknownsOf,
  waited,
} from './spectrum.ts';

/** Draws a string is described by, and where their chance begins: the same readings always say the same. */
const DRAWS = 400;
const SEED = 29;

/** What a room does to a string in half a day, in cents: common practice, no source. */
const ROOM: Readonly<Record<StringSpec['material'], Cents>> = {
  nylon: 4,
  gut: 4,
  fluorocarbon: 4,
  steel: 3.5,
};
const HALF_DAY: Seconds = 43_200;
/** A room’s warmth is smoother than a walk of chance: at most a degree in a lesson. */
const SMOOTH = 0.7;
/** Creep may depart from its law by this share, a pull's drop by that one and by so many cents. */
const DEPARTS = 0.05;
const PULL_DEPARTS = { share: 0.12, cents: 0.3 } as const;
/** After a pull a string springs back in about this time. */
const SPRINGS_BACK: Seconds = 40;
/** How often a winding lets go, by itself in seconds and at a pull, and by how much in cents. Common practice, no source. */
export const SLIPS = {
  sound: { every: 200_000, pulled: 0.02, cents: 2.5 },
  slipping: { every: 1200, pulled: 0.6, cents: 7 },
} as const;
/** More of a lift than this is no correction but a tuning. */
const LIFT_MOST: Cents = 120;

/** How far a room moves a string in so long, as a standard deviation in cents. */
export function roomIn(seconds: Seconds, material: StringSpec['material']): Cents {
  return ROOM[material] * Math.min(1, seconds / HALF_DAY) ** SMOOTH;
}

/** A string as it may be at its last reading. */
export interface Draw {
  readonly nature: Nature;
  /** Cents that each mode has left to fall. */
  readonly rest: Float64Array;
  /** Where it stands, drawn from what the readings leave open. */
  readonly cents: Cents;
  /** Slack that the winding has left. */
  readonly slack: Cents;
}

/** One thing that happened, made ready. */
interface Step {
  /** What is left of each mode after the time since the step before. */
  readonly decay: Float64Array;
  readonly room: number;
  readonly gap: Seconds;
  readonly event: SettlingEvent;
  /** Which pull it is, of a pull. */
  readonly pull: number;
  /** By how much the peg brought it up before this reading. */
  readonly lift: Cents;
}

/**
 * The string as it may be, by its readings: creep that only slows is a mixture of
 * exponentials; its spectrum, the pulls, the winding and the lifts are drawn from what is
 * usual for the material and held against every reading with its error.
 */
export function drawsOf(events: readonly SettlingEvent[], kind: StringKind): readonly Draw[] {
  const first = events.find(({ kind }) => kind === 'reading');
  if (!first) return [];
  const steps = stepsOf(events, kind.material);
  const pulls = events.filter(({ kind }) => kind === 'stretch').length;
  const random = seededRandom(SEED);
  const run = (z: Float64Array) => runOf(z, steps, natureOf(z, kind, first.at));
  const all = temperedDraws(
    { count: unknownsOf(pulls), logLikelihood: (z) => run(z).says },
    DRAWS,
    random,
  );
  return all.map((z) => {
    const { nature, rest, level, variance, slack } = run(z);
    return { nature, rest, slack, cents: level + Math.sqrt(variance) * normal(random) };
  });
}

function stepsOf(events: readonly SettlingEvent[], material: StringSpec['material']): Step[] {
  let at = nth(events, 0).at;
  let pulls = 0;
  let cents: Cents | null = null;
  let fresh = false;
  let byPeg = false;
  return events.map((event) => {
    const gap = Math.max(0, event.at - at);
    at = event.at;
    let lift = 0;
    if (event.kind === 'reading') {
      if (fresh && byPeg && cents !== null) lift = event.cents - cents;
      cents = event.cents;
      fresh = false;
    } else if (event.kind !== 'stretch') {
      fresh = true;
      byPeg = event.kind === 'brought up';
    }
    return {
      decay: decayAfter(gap),
      room: roomIn(gap, material) ** 2,
      gap,
      event,
      pull: event.kind === 'stretch' ? pulls++ : 0,
      lift: Math.max(-LIFT_MOST, Math.min(LIFT_MOST, lift)),
    };
  });
}

interface Run {
  readonly nature: Nature;
  readonly says: number;
  readonly rest: Float64Array;
  readonly level: Cents;
  readonly variance: number;
  readonly slack: Cents;
}

/** One string drawn, led through all that happened; its level is filtered, as it wanders with the room. */
function runOf(z: Float64Array, steps: readonly Step[], nature: Nature): Run {
  const rest = nature.rest.slice();
  const slips = nature.slips ? SLIPS.slipping : SLIPS.sound;
  let { slack } = nature;
  let level = 0;
  let variance = Number.POSITIVE_INFINITY;
  let says = 0;
  let slip = 0;
  let sprung = 0;
  for (const { decay, room, gap, event, pull, lift } of steps) {
    const fell = waited(rest, decay);
    const back = sprung * -Math.expm1(-gap / SPRINGS_BACK);
    sprung -= back;
    level -= fell - back;
    variance += room + (DEPARTS * fell) ** 2;
    slip = 1 - (1 - slip) * Math.exp(-gap / slips.every);
    if (event.kind === 'stretch') {
      const gone = slack * nature.slackGoes;
      slack -= gone;
      const drop = gone + pulled(rest, nature, strengthOf(z, pull));
      level -= drop;
      sprung = nature.springs * drop;
      variance += (PULL_DEPARTS.share * drop) ** 2 + PULL_DEPARTS.cents ** 2;
      slip = 1 - (1 - slip) * (1 - slips.pulled);
    } else if (event.kind !== 'reading') variance = Number.POSITIVE_INFINITY;
    else if (variance === Number.POSITIVE_INFINITY) {
      level = event.cents;
      variance = event.errorCents ** 2;
      slip = 0;
      turned(rest, nature, lift);
    } else {
      const read = readingOf(event.cents - level, variance, event.errorCents, slip, slips.cents);
      says += read.says;
      level += read.moved;
      variance = read.variance;
      slip = 0;
    }
  }
  return { nature, says, rest, level, variance, slack };
}

/** What a reading says: the string as foretold, or let go by its winding besides. */
function readingOf(
  off: Cents,
  variance: number,
  error: Cents,
  slip: number,
  size: Cents,
): { readonly says: number; readonly moved: Cents; readonly variance: number } {
  const all = variance + error * error;
  const usual = ((1 - slip) * Math.exp((-0.5 * off * off) / all)) / Math.sqrt(2 * Math.PI * all);
  const tail = off < 0 ? Math.exp(off / size) : Math.exp((-0.5 * off * off) / all);
  const slipped = (slip * tail) / size;
  const share = slipped / (usual + slipped + Number.MIN_VALUE);
  const gain = variance / all;
  return {
    says: Math.log(usual + slipped + Number.MIN_VALUE),
    moved: off * ((1 - share) * gain + share),
    variance: (1 - share) * gain * error * error + share * error * error,
  };
}
