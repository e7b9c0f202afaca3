import type { StringKnowledge, WoundPitch, WoundString } from '../listen/index.ts';
import { centsBetween, shiftHz, type Target } from '../music/index.ts';
import type { WindingTask } from '../sentences/index.ts';
import { headroom, type Instrument, soundingLength, stiffnessOf } from '../strings/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';

/** A hand that is told to stop winds on for so long. */
const REACTION: Seconds = 0.35;
/** It is told to stop when it would come to rest here; a string that stands between the others is near its note. */
const NEAR = { stop: -70, from: -200, to: 60 } as const satisfies Record<string, Cents>;
/** A string that moves slower than this, in cents a second, is not being wound. */
const RESTS = 80;
/** It stands when it has moved less than this in so long. */
const STANDS: { readonly cents: Cents; readonly seconds: Seconds } = { cents: 30, seconds: 0.6 };
/** No string is wound nearer to its breaking than this, in semitones; what is heard is believed this far. */
const FROM_BREAKING = 2;
/** How uncertain ln B is: of a string that was read before another one was put on, and from its gauge. */
const SIGMA_B = { read: 0.5, gauge: 0.7 } as const;

/** Strings that are wound up one after the other, until all stand near their notes. */
export interface WindingRound {
  /** Courses still to be wound, the one in hand first. */
  readonly toCome: readonly number[];
  /** Those that stand near their notes. */
  readonly up: readonly number[];
  /** Those that were left as they are. */
  readonly left: readonly number[];
  /** What the string in hand was heard at last. */
  readonly pitch: WoundPitch | null;
  /** Where it has stood since when. */
  readonly stood: { readonly at: Seconds; readonly cents: Cents } | null;
  /** Where the strings before were left: they may ring on, or be plucked again. */
  readonly leftAt: readonly Hz[];
  /** One string that was read far below its note, followed while the session goes on. */
  readonly inSession: boolean;
}

/** What a round needs to know of the instrument. */
export interface WindingWorld {
  readonly instrument: Instrument;
  readonly targets: readonly Target[];
}

/** A round over some strings, in the order in which they are tuned. */
export function startWinding(courses: readonly number[]): WindingRound {
  return {
    ...{ toCome: courses, up: [], left: [], pitch: null, stood: null },
    ...{ leftAt: [], inSession: false },
  };
}

/** One string that was read far below its note, while the session goes on. */
export function followInSession(course: number): WindingRound {
  return { ...startWinding([course]), inSession: true };
}

/** The round after its string was heard: one that stands near its note makes room for the next. */
export function woundTo(
  round: WindingRound,
  pitch: WoundPitch,
  targets: readonly Target[],
): WindingRound {
  const [course] = round.toCome;
  // What is said late of the string before is none of this one.
  if (course === undefined || course !== pitch.course) return round;
  if (isOtherString(round, pitch, targets)) return round;
  const stays = round.stood && Math.abs(pitch.cents - round.stood.cents) < STANDS.cents;
  const stood = stays ? round.stood : { at: pitch.at, cents: pitch.cents };
  const near = pitch.cents > NEAR.from && pitch.cents < NEAR.to;
  if (near && stood && pitch.at - stood.at >= STANDS.seconds)
    return { ...onwards(round), up: [...round.up, course], leftAt: [...round.leftAt, pitch.hz] };
  return { ...round, pitch, stood };
}

/** A string that nobody turns stays within this of where it was; a jump is larger than the other. */
const STAYS_WITHIN: Cents = 60;
const JUMP: Cents = 250;

/**
 * What sounds is rather another string than the one in hand: the one before, which rings on or is
 * plucked again, or one that is in tune. It is not to be loosened.
 */
function isOtherString(
  { leftAt, pitch: own }: WindingRound,
  { hz, cents, course }: WoundPitch,
  targets: readonly Target[],
): boolean {
  if (own && Math.abs(cents - own.cents) < JUMP) return false;
  const isAt = (there: Hz) => Math.abs(centsBetween(there, hz)) < STAYS_WITHIN;
  const isAbove = cents >= NEAR.to;
  if (own === null && (isAbove || leftAt.some(isAt))) return true;
  return isAbove && (leftAt.some(isAt) || targets.some((t) => t.course !== course && isAt(t.hz)));
}

/** Takes another string in hand; one that is near its note already is wound again. */
export function windFirst(round: WindingRound, course: number): WindingRound {
  const others = (courses: readonly number[]) => courses.filter((other) => other !== course);
  const { toCome, up, left, leftAt } = round;
  return {
    ...startWinding([course, ...others(toCome)]),
    leftAt,
    up: others(up),
    left: others(left),
  };
}

/** Leaves the string in hand as it is. */
export function leaveWinding(round: WindingRound): WindingRound {
  const leftAt = round.pitch ? [...round.leftAt, round.pitch.hz] : round.leftAt;
  return { ...onwards(round), left: [...round.left, ...round.toCome.slice(0, 1)], leftAt };
}

function onwards({ toCome, up, left, leftAt, inSession }: WindingRound): WindingRound {
  return { ...startWinding(toCome.slice(1)), up, left, leftAt, inSession };
}

/** What to do with the string in hand now. */
export function windingTask(
  { toCome: [course], up, left, pitch, inSession }: WindingRound,
  world: WindingWorld,
): WindingTask {
  if (course === undefined)
    return inSession && up[0] !== undefined
      ? { kind: 'stop', course: up[0], last: true }
      : { kind: 'over', left };
  const target = world.targets[course - 1];
  if (!target || roomAt(world, course, target.hz) < FROM_BREAKING)
    return { kind: 'too high', course };
  if (!pitch) return { kind: 'pluck', course };
  const { cents, rate, errorCents } = pitch;
  const soon = cents + Math.max(0, rate) * REACTION;
  if (cents >= NEAR.to) return { kind: 'above', course, semitones: Math.ceil(cents / 100) };
  const highest = shiftHz(target.hz, soon + 2 * errorCents);
  if (roomAt(world, course, highest) < FROM_BREAKING) return { kind: 'near breaking', course };
  const rests = cents > NEAR.from && rate < RESTS;
  if (soon >= NEAR.stop || rests) return { kind: 'stop', course, last: inSession };
  return { kind: 'go on', course, semitones: Math.max(1, Math.round(-cents / 100)) };
}

/** Semitones from a pitch up to where the string breaks. */
function roomAt({ instrument }: WindingWorld, course: number, hz: Hz): number {
  const spec = instrument.courses[course - 1]?.strings[0]?.spec;
  return spec ? headroom(spec, soundingLength(instrument, course), hz) : 0;
}

/** What the ear is told of the string in hand; null where there is none. */
export function stringToWind(
  { toCome: [course] }: WindingRound,
  { instrument, targets }: WindingWorld,
  strings: readonly StringKnowledge[],
): WoundString | null {
  if (course === undefined) return null;
  const target = targets[course - 1];
  const spec = instrument.courses[course - 1]?.strings[0]?.spec;
  if (!target || !spec) return null;
  const read = strings[course - 1]?.inharmonicity;
  return {
    course,
    targetHz: target.hz,
    inharmonicity: read ?? stiffnessOf(spec, soundingLength(instrument, course), target.hz),
    sigmaB: read === undefined ? SIGMA_B.gauge : SIGMA_B.read,
  };
}
