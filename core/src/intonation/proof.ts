import type { Cents } from '../units.ts';
import { explain, fittedPart, partShares } from './explain.ts';
import type { FretReading } from './map.ts';
import { LAST_FRET, type Neck } from './neck.ts';
import { type Ordered, type Part, samePart } from './part.ts';
import { type FretAsked, placeKey } from './sequence.ts';
import type { Unknowns } from './unknowns.ts';

/** What came of it. */
export interface Proof {
  readonly kind: 'more plucks' | 'done' | 'half done' | 'not done' | 'too much';
  /** What is left at that note, with its standard error. */
  readonly cents: Cents;
  readonly errorCents: Cents;
  /** What was taken away, of what was ordered. */
  readonly share: number;
  /** Another part that is at fault now, if any is likely. */
  readonly moved: Part | null;
}

/** So many strings stand for all of them. */
const STRINGS = 4;
/** Frets at which a part shows most: on every string, and on two of them beside. */
const TELLING: Readonly<Record<Part['kind'], readonly [all: number, two: number]>> = {
  saddle: [LAST_FRET, 7],
  slant: [LAST_FRET, 7],
  action: [LAST_FRET, 7],
  string: [LAST_FRET, 7],
  hand: [LAST_FRET, 5],
  nut: [5, 9],
  slots: [1, 2],
  slot: [1, 2],
  fret: [1, 2],
};
/** Less than this is nothing, in cents: no repairer hears it. */
const NOTHING: Cents = 2;
/** A repair is half done between these shares of what was ordered. */
const HALF = { from: 0.3, to: 0.7 } as const;
/** Another part is at fault where it is likelier than this. */
const LIKELY = 0.6;

/** About ten places that show whether a part was tuned. */
function proofPlaces({ strings }: Neck, { part, at }: Ordered): FretAsked[] {
  const single = part.kind === 'string' || part.kind === 'slot';
  const numbers = strings.map(({ course }) => course);
  const step = Math.max(1, (numbers.length - 1) / (STRINGS - 1));
  const spread = Array.from({ length: STRINGS }, (_, k) => numbers[Math.round(k * step)]).filter(
    (course) => course !== undefined,
  );
  const chosen = single
    ? [at.course, ...numbers.filter((course) => Math.abs(course - at.course) === 1)]
    : [...new Set([at.course, ...spread])].slice(0, STRINGS);
  const [all, two] = fretsFor(part);
  const fretted = (course: number, fret: number): FretAsked => ({
    course,
    place: { kind: 'fret', fret, pressure: 'normal' },
  });
  return [
    ...chosen.map((course): FretAsked => ({ course, place: { kind: 'open' } })),
    ...chosen.map((course) => fretted(course, all)),
    ...chosen.slice(0, 2).map((course) => fretted(course, two)),
  ];
}

function fretsFor(part: Part): readonly [number, number] {
  if (part.kind !== 'fret') return TELLING[part.kind];
  return [part.fret, part.fret < LAST_FRET ? part.fret + 1 : part.fret - 1];
}

/** Those of them that were not read. */
function leftOf(neck: Neck, readings: readonly FretReading[], ordered: Ordered): FretAsked[] {
  const read = new Set(
    readings
      .filter(({ struckOut }) => !struckOut)
      .map(({ course, place }) => `${course} ${placeKey(place)}`),
  );
  return proofPlaces(neck, ordered).filter(
    ({ course, place }) => !read.has(`${course} ${placeKey(place)}`),
  );
}

/** The next of them; null when all were read or left out. */
export function nextProof(
  neck: Neck,
  readings: readonly FretReading[],
  ordered: Ordered,
  skip: (asked: FretAsked) => boolean = () => false,
): FretAsked | null {
  return leftOf(neck, readings, ordered).find((asked) => !skip(asked)) ?? null;
}

/** Of its places no more than these may have been left out. */
const MOST_LEFT_OUT = 3;

/** Whether an order was carried out, from readings of the instrument that came back. */
export function proofOf(
  unknowns: Unknowns,
  readings: readonly FretReading[],
  ordered: Ordered,
): Proof {
  const found = fittedPart(unknowns, readings, ordered.part, ordered.at);
  const none = { cents: 0, errorCents: 0, share: 0, moved: null };
  if (!found || leftOf(unknowns.neck, readings, ordered).length > MOST_LEFT_OUT)
    return { kind: 'more plucks', ...none };
  const { cents, errorCents } = found;
  const share = 1 - cents / ordered.cents;
  return {
    kind: outcomeOf(cents, share),
    cents,
    errorCents,
    share,
    moved: movedOf(unknowns, readings, ordered),
  };
}

function outcomeOf(cents: Cents, share: number): Proof['kind'] {
  if (Math.abs(cents) < NOTHING) return 'done';
  if (share > 2 - HALF.to) return 'too much';
  if (share >= HALF.to) return 'done';
  return share >= HALF.from ? 'half done' : 'not done';
}

function movedOf(
  unknowns: Unknowns,
  readings: readonly FretReading[],
  { part }: Ordered,
): Part | null {
  const explanations = explain(unknowns, readings);
  if (!explanations) return null;
  const others = [...partShares(explanations).values()].filter(
    (other) => other.part.kind !== 'hand' && !samePart(other.part, part),
  );
  return others.find(({ share }) => share > LIKELY)?.part ?? null;
}
