import type { Cents, Millimetres } from '../units.ts';
import { mmOf } from './amounts.ts';
import {
  broughtAt,
  type Drawn,
  drawn,
  type Explanations,
  errorsAt,
  expectedError,
  explain,
  partShares,
} from './explain.ts';
import { type FretReading, type FretSheet, fretsHeard, heardNearNut, heardOpen } from './map.ts';
import { LAST_FRET, type Neck } from './neck.ts';
import { type Part, partKey, samePart } from './part.ts';
import { Unknowns } from './unknowns.ts';

/** Within so many cents a note is right, where nothing else is asked for. */
export const USUAL_LIMIT: Cents = 5;
/** Instruments drawn for a verdict. */
const DRAWS = 120;
/** Every note is within the limit with this probability: then it is said. */
const CERTAIN = 0.9;
/** A part is ordered where it is at fault with this probability, on two looks one after the other. */
const DECIDED = 0.97;
/** So often at least each string is plucked before anything is ordered. */
const PLUCKS_A_STRING = 4;
/** A fault that moves no note by so many cents is none to order. */
const AUDIBLE: Cents = 4;
/** A note comes so much nearer at least, or putting the part right is not worth its price. */
const WORTH: Cents = 2;
/** Put right, every note lies within so many limits: sound instruments of some builds are no better. */
const WITHIN = 1.4;
/** Nothing is at fault where a fault that can be heard is less likely than this. */
const INNOCENT = 0.02;
/** The interval that is told holds so much. */
const TOLD = 0.8;

/** A part that is at fault, by so much. */
export interface Fault {
  readonly part: Part;
  /** How likely it is. */
  readonly share: number;
  /** Cents at the note that it moves most, with its 80 % interval, the choice of cause in it. */
  readonly cents: Cents;
  readonly low: Cents;
  readonly high: Cents;
  /** The note that it moves most. */
  readonly at: { readonly course: number; readonly fret: number };
  /** The same in millimetres, where it is a place or a height; null of a string false in itself. */
  readonly mm: {
    readonly middle: Millimetres;
    readonly low: Millimetres;
    readonly high: Millimetres;
  } | null;
  /** The furthest off of the notes that it moves, now and with this part tuned. */
  readonly worst: Cents;
  readonly worstAfter: Cents;
}

/** What a check comes to. */
export type FretVerdict =
  /** Not enough was read to say anything. */
  | { readonly kind: 'begun' }
  /** It may still be several things. */
  | {
      readonly kind: 'undecided';
      readonly likely: readonly Fault[];
      /** Frets that no string was heard at: one of them may be bad. */
      readonly unheard: readonly number[];
      /** Strings that were not heard at their first frets: a slot may be too high. */
      readonly farFromNut: readonly number[];
    }
  /** Every note of frets 1 to 12 is within the limit. */
  | { readonly kind: 'certified' }
  /** No part is at fault; `off` are notes beyond the limit all the same, `within` how likely none is. */
  | {
      readonly kind: 'nothing to order';
      readonly off: readonly NoteOff[];
      readonly within: number;
    }
  | { readonly kind: 'at fault'; readonly faults: readonly Fault[] };

/** One note and how far it is off. */
export interface NoteOff {
  readonly course: number;
  readonly fret: number;
  readonly cents: Cents;
}

/** A check with everything that follows from it. */
export interface Judgement {
  readonly verdict: FretVerdict;
  readonly explanations: Explanations | null;
  readonly draws: readonly Drawn[];
  readonly unknowns: Unknowns;
}

/** Judges the readings of a check. @param limit a note further off than this is wrong, 4 to 8 cents */
export function judgeNeck(
  neck: Neck,
  readings: readonly FretReading[],
  limit: Cents = USUAL_LIMIT,
  unknowns: Unknowns = new Unknowns(neck),
): Judgement {
  const counted = readings.filter(({ struckOut }) => !struckOut);
  const explanations = explain(unknowns, counted);
  if (!explanations) return { verdict: { kind: 'begun' }, explanations, draws: [], unknowns };
  const draws = drawn(explanations, DRAWS);
  const notes = notesOf(neck);
  const errors = notes.map((note) => errorsAt(unknowns, draws, note));
  const seen = { notes, errors, explanations, draws, unknowns, limit };
  const verdict = verdictOf(neck, counted, seen);
  return { verdict, explanations, draws, unknowns };
}

interface Seen {
  /** Every fretted note up to the octave, and its error on each drawn instrument. */
  readonly notes: readonly Note[];
  readonly errors: readonly Float64Array[];
  readonly explanations: Explanations;
  readonly draws: readonly Drawn[];
  readonly unknowns: Unknowns;
  readonly limit: Cents;
}

function verdictOf(neck: Neck, readings: readonly FretReading[], seen: Seen): FretVerdict {
  const { explanations, unknowns } = seen;
  const shares = partShares(explanations);
  const faults = [...shares.values()]
    .filter(({ part, share }) => part.kind !== 'hand' && share > LEAST_LIKELY)
    .map(({ part, share }) => faultOf(part, share, seen))
    .sort((a, b) => b.share - a.share);
  const enough = readings.length >= PLUCKS_A_STRING * neck.strings.length;
  const decided = faults.filter(
    (fault) => fault.share >= neededFor(fault.part) && isOrder(fault, seen),
  );
  if (enough && decided.length > 0 && agrees(neck, readings, decided, unknowns))
    return { kind: 'at fault', faults: decided };
  const undecided = {
    kind: 'undecided',
    likely: faults.slice(0, MOST_NAMED),
    unheard: unheardOf(readings),
    farFromNut: farFromNut(neck, readings),
  } as const;
  if (undecided.unheard.length + undecided.farFromNut.length > 0) return undecided;
  return clearedOf(seen, enough) ?? undecided;
}

/** That nothing is to be ordered, where it can be said. */
function clearedOf(seen: Seen, enough: boolean): FretVerdict | null {
  const { notes, errors, explanations, draws, limit } = seen;
  const within = weightOf(
    draws.filter((_, d) => errors.every((own) => Math.abs(own[d]!) <= limit)),
  );
  if (within >= CERTAIN) return { kind: 'certified' };
  if (!enough || suspicion(seen) > INNOCENT) return null;
  const off = notes.flatMap(({ course, fret }) => {
    const cents = expectedError(explanations, { course, fret, pressure: 'normal' });
    return Math.abs(cents) > limit ? [{ course, fret, cents }] : [];
  });
  return { kind: 'nothing to order', off, within };
}

const LEAST_LIKELY = 0.02;
const MOST_NAMED = 3;

/** How likely it is that some part moves a note by what can be heard. */
function suspicion({ draws, unknowns, notes }: Seen): number {
  const guilty = draws.filter((draw) => {
    const real = draw.parts.filter(({ kind }) => kind !== 'hand');
    const columns = real.flatMap((part) => unknowns.rowOf(part).columns);
    return notes.some(
      (note) => Math.abs(broughtAt(unknowns, [draw], note, columns)[0] ?? 0) > AUDIBLE,
    );
  });
  return weightOf(guilty);
}

function weightOf(draws: readonly Drawn[]): number {
  return draws.reduce((sum, { weight }) => sum + weight, 0);
}

interface Note {
  readonly course: number;
  readonly fret: number;
  readonly pressure: 'normal';
}

function notesOf({ strings }: Neck): Note[] {
  return strings.flatMap(({ course }) =>
    Array.from({ length: LAST_FRET }, (_, i) => ({
      course,
      fret: i + 1,
      pressure: 'normal' as const,
    })),
  );
}

function unheardOf(readings: readonly FretReading[]): number[] {
  const heard = fretsHeard(readings);
  return Array.from({ length: LAST_FRET }, (_, i) => i + 1).filter((fret) => !heard.has(fret));
}

function farFromNut({ strings, capo }: Neck, readings: readonly FretReading[]): number[] {
  const near = heardNearNut(readings);
  const opened = heardOpen(readings);
  return strings.flatMap(({ course }) =>
    capo || near.has(course) || !opened.has(course) ? [] : [course],
  );
}

function isOrder({ part, cents, worst, worstAfter }: Fault, { limit, unknowns }: Seen): boolean {
  // What lies too low buzzes; nobody orders it higher for its pitch.
  if (unknowns.rowOf(part).upwards && cents < 0) return false;
  const heard = Math.abs(cents) >= AUDIBLE && worst > limit;
  return heard && worstAfter <= WITHIN * limit && worst - worstAfter >= WORTH;
}

/** The look before the last reading had decided the same. */
function agrees(
  neck: Neck,
  readings: readonly FretReading[],
  faults: readonly Fault[],
  unknowns: Unknowns,
): boolean {
  const before = explain(unknowns, readings.slice(0, -1));
  if (!before || neck.strings.length === 0) return false;
  const shares = partShares(before);
  return faults.every(({ part }) => (shares.get(partKey(part))?.share ?? 0) >= neededFor(part));
}

/** A new string is no order: it costs little, and is what would be tried first. */
const STRING_DECIDED = 0.95;

const neededFor = ({ kind }: Part) => (kind === 'string' ? STRING_DECIDED : DECIDED);

function faultOf(part: Part, share: number, seen: Seen): Fault {
  const { draws, unknowns, notes } = seen;
  const { columns } = unknowns.rowOf(part);
  const which = draws.flatMap(({ parts }, d) =>
    parts.some((one) => samePart(one, part)) ? [d] : [],
  );
  const own = which.map((d) => draws[d]!);
  const weigh = (values: ArrayLike<number>) =>
    own.map(({ weight }, i) => [values[i]!, weight] as const);
  const brought = notes.map((note) => broughtAt(unknowns, own, note, columns));
  let most = 0;
  for (const [k, values] of brought.entries())
    if (middleOf(weigh(values)) > middleOf(weigh(brought[most]!))) most = k;
  const cents = weigh(brought[most]!);
  const note = notes[most]!;
  const [low, high] = [quantileOf(cents, (1 - TOLD) / 2), quantileOf(cents, (1 + TOLD) / 2)];
  return {
    part,
    share,
    cents: quantileOf(cents, 0.5),
    low,
    high,
    at: { course: note.course, fret: note.fret },
    mm: amountsOf(unknowns, part, note, [quantileOf(cents, 0.5), low, high]),
    worst: quantileOf(weigh(worstOf(seen, which, brought, 0)), 0.5),
    worstAfter: quantileOf(weigh(worstOf(seen, which, brought, 1)), 0.5),
  };
}

/**
 * The furthest off of the notes that a part moves, on each of some drawn instruments: what else is off is another matter.
 * @param right share of it that was tuned
 */
function worstOf(
  { errors }: Seen,
  which: readonly number[],
  brought: readonly Float64Array[],
  right: number,
): number[] {
  return which.map((d, i) =>
    brought.reduce((worst, values, k) => {
      const by = values[i]!;
      if (Math.abs(by) < WORTH) return worst;
      return Math.max(worst, Math.abs(errors[k]![d]! - right * by));
    }, 0),
  );
}

function amountsOf(
  unknowns: Unknowns,
  part: Part,
  at: Note,
  cents: readonly [middle: Cents, low: Cents, high: Cents],
): Fault['mm'] {
  const [middle, ...ends] = cents.map((one) => mmOf(unknowns, part, at, one));
  const [low, high] = [...ends].sort((a, b) => (a ?? 0) - (b ?? 0));
  if (middle == null || low == null || high == null) return null;
  return { middle, low, high };
}

/** The size of the middle value. */
function middleOf(values: readonly (readonly [value: number, weight: number])[]): number {
  return Math.abs(quantileOf(values, 0.5));
}

/** The value below which a share of the weight lies; 0 of none. */
function quantileOf(
  values: readonly (readonly [value: number, weight: number])[],
  share: number,
): number {
  const sorted = [...values].sort((a, b) => a[0] - b[0]);
  let left = share * sorted.reduce((sum, [, weight]) => sum + weight, 0);
  for (const [value, weight] of sorted) {
    left -= weight;
    if (left <= 0) return value;
  }
  return sorted.at(-1)?.[0] ?? 0;
}

const judged = new WeakMap<Neck, WeakMap<readonly FretReading[], Judgement>>();

/** What a check comes to, worked out once for the same readings. */
export function judgementOf(
  neck: Neck,
  { readings, limit }: Pick<FretSheet, 'readings' | 'limit'>,
): Judgement {
  const own = judged.get(neck) ?? new WeakMap<readonly FretReading[], Judgement>();
  judged.set(neck, own);
  const kept = own.get(readings);
  if (kept) return kept;
  const made = judgeNeck(neck, readings, limit);
  own.set(readings, made);
  return made;
}
