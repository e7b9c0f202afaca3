import { normal, nth, type Random, seededRandom } from '../maths/index.ts';
import type { StringSpec } from '../strings/index.ts';
import type { Cents, Seconds } from '../units.ts';
import { type Draw, roomIn, SLIPS } from './creeping.ts';
import { decayAfter, MODES, pulled, strengthAhead, turned, waited } from './spectrum.ts';

/** No outlook reaches further. */
export const FARTHEST: Seconds = 14 * 86_400;
/** Nor begins sooner. */
const SOONEST: Seconds = 10;
const TIMES_AHEAD = 48;
const TIMES: readonly Seconds[] = Array.from(
  { length: TIMES_AHEAD },
  (_, i) => SOONEST * (FARTHEST / SOONEST) ** (i / (TIMES_AHEAD - 1)),
);
/** What is gone of each mode after each of the times. */
const GONE: readonly Float64Array[] = TIMES.map((time) =>
  Float64Array.from(MODES, (tau) => -Math.expm1(-time / tau)),
);
const SEED = 31;
/** A hand brings a string to its note as nearly as this, in cents. */
const HAND: Cents = 0.8;
/** Ends of the interval of 80 %. */
const ENDS = { low: 0.1, high: 0.9 } as const;
/** Of the draws so many do not hold what is promised: less than the risk that is stated, for strings do more than draws. */
const RISK = 0.02;

/** A figure with its interval of 80 %. */
export interface Span {
  readonly expected: number;
  readonly low: number;
  readonly high: number;
}

/** How long a string stays within the tolerance. */
export interface Outlook {
  /** Time that it holds with a risk of 5 %, if the room stays about as it is. */
  readonly promise: Seconds;
  readonly hold: Span;
  /** Probability that it holds the lesson. */
  readonly lesson: number;
}

/** From where a string goes on. */
export interface Start {
  /** Left alone for so long before. */
  readonly wait: Seconds;
  /** Pulled so often before it is brought up. */
  readonly pulls?: number;
  /** Brought to its note; else it goes on from where it stands. */
  readonly lifted: boolean;
}

export interface Wanted {
  readonly material: StringSpec['material'];
  readonly tolerance: Cents;
  readonly lesson: Seconds;
  /** Where it is brought to: its note, or a little higher. */
  readonly aim: Cents;
}

/** The outlook by the draws alone. */
export function outlookOf(draws: readonly Draw[], start: Start, wanted: Wanted): Outlook {
  const holds = holdsOf(draws, start, wanted);
  const sorted = [...holds].sort((a, b) => a - b);
  const at = (share: number) => nth(sorted, Math.floor(share * (sorted.length - 1)));
  return {
    promise: at(RISK),
    hold: { expected: at(1 / 2), low: at(ENDS.low), high: at(ENDS.high) },
    lesson: holds.filter((hold) => hold >= wanted.lesson).length / holds.length,
  };
}

/** How long each draw holds. */
function holdsOf(draws: readonly Draw[], start: Start, wanted: Wanted): Seconds[] {
  const random = seededRandom(SEED);
  const rooms = TIMES.map((time) => roomIn(time, wanted.material));
  return draws.map((draw) => {
    const moved = standing(draw, start, wanted.aim, random);
    return leaves(moved, draw.nature.slips, rooms, wanted.tolerance, random);
  });
}

/** The string after what is done with it first. */
function standing(
  { nature, rest: now, cents: read, slack }: Draw,
  { wait, pulls = 0, lifted }: Start,
  aim: Cents,
  random: Random,
): { readonly rest: Float64Array; readonly cents: Cents } {
  const rest = now.slice();
  let cents = read - waited(rest, decayAfter(wait));
  let left = slack;
  for (let pull = 0; pull < pulls; pull++) {
    cents -= left * nature.slackGoes + pulled(rest, nature, strengthAhead(normal(random)));
    left *= 1 - nature.slackGoes;
  }
  const to = aim + HAND * normal(random);
  if (!lifted) return { rest, cents };
  turned(rest, nature, to - cents);
  return { rest, cents: to };
}

function leaves(
  { rest, cents }: { readonly rest: Float64Array; readonly cents: Cents },
  slipping: boolean,
  rooms: readonly Cents[],
  tolerance: Cents,
  random: Random,
): Seconds {
  const room = normal(random);
  const { every, cents: size } = slipping ? SLIPS.slipping : SLIPS.sound;
  const slipAt = -every * Math.log(1 - random());
  const slip = -size * Math.log(1 - random());
  let before = cents;
  if (Math.abs(cents) > tolerance) return 0;
  for (let i = 0; i < TIMES.length; i++) {
    const time = TIMES[i]!;
    let now = cents + room * rooms[i]!;
    const gone = GONE[i]!;
    for (let k = 0; k < rest.length; k++) now -= rest[k]! * gone[k]!;
    if (time > slipAt) now -= slip;
    if (Math.abs(now) > tolerance) {
      const from = i === 0 ? 0 : TIMES[i - 1]!;
      const edge = now > 0 ? tolerance : -tolerance;
      return from + ((time - from) * (edge - before)) / (now - before);
    }
    before = now;
  }
  return FARTHEST;
}

/** Where it will stand after each of these times, if nobody touches it: middle and interval of 80 %, in cents. */
export function aheadOf(
  draws: readonly Draw[],
  times: readonly Seconds[],
  material: StringSpec['material'],
): Span[] {
  const random = seededRandom(SEED);
  const rooms = draws.map(() => normal(random));
  return times.map((time) => {
    const room = roomIn(time, material);
    const places = draws
      .map(({ rest, cents }, i) => {
        let now = cents + room * nth(rooms, i);
        for (let k = 0; k < rest.length; k++) now += rest[k]! * Math.expm1(-time / nth(MODES, k));
        return now;
      })
      .sort((a, b) => a - b);
    const at = (share: number) => nth(places, Math.floor(share * (places.length - 1)));
    return { expected: at(1 / 2), low: at(ENDS.low), high: at(ENDS.high) };
  });
}
