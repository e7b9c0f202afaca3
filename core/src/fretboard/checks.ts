import { centsBetween, offsetsOf, type Tuning } from '../music/index.ts';
import { type Instrument, startFret } from '../strings/index.ts';
import type { Cents, Midi } from '../units.ts';

/** One course as cross-checks see it. */
export interface NeckCourse {
  readonly course: number;
  readonly midi: Midi;
  /** Fret of the neck at which the string begins: 5 for a banjo's short string, else 0. */
  readonly startFret: number;
  /** How many frets the neck has, 0 for a fretless one; any where it is missing. */
  readonly frets?: number;
}

/** A string held at a fret of the neck; fret 0 is the open string. */
export interface Held {
  readonly course: number;
  readonly fret: number;
}

/** A fretted string that sounds what another one sounds open, or an octave from it: two octaves are hard to hear. */
export interface CrossCheck {
  readonly held: Held;
  readonly open: number;
  /** The held string sounds so many octaves above the open one; 0 is a unison. */
  readonly octaves: number;
}

/** The courses of an instrument in a tuning. */
export function neckOf(tuning: Tuning, instrument: Instrument): NeckCourse[] {
  return tuning.courses.flatMap(([midi], i) =>
    midi === undefined
      ? []
      : [
          {
            course: i + 1,
            midi,
            startFret: startFret(instrument, i + 1),
            frets: instrument.frets,
          },
        ],
  );
}

/** What a course sounds when held at a fret of the neck; null where it has no such fret. */
export function soundAt(course: NeckCourse, fret: number): Midi | null {
  if (fret === 0) return course.midi;
  const { startFret, frets = fret } = course;
  return fret > startFret && fret <= frets ? course.midi + fret - startFret : null;
}

/** Every comparison of a held or open string with another open one, up to a fret, best for use first. */
export function crossChecks(courses: readonly NeckCourse[], highestFret: number): CrossCheck[] {
  const checks: CrossCheck[] = [];
  for (const held of courses)
    for (const open of courses) {
      if (held.course === open.course) continue;
      for (let fret = 0; fret <= highestFret; fret++) {
        const sound = soundAt(held, fret);
        // Two open strings are the same comparison both ways round.
        if (sound === null || (fret === 0 && held.course < open.course)) continue;
        const octaves = (sound - open.midi) / 12;
        if (Number.isInteger(octaves) && Math.abs(octaves) <= 1)
          checks.push({ held: { course: held.course, fret }, open: open.course, octaves });
      }
    }
  return checks.sort((a, b) => usefulness(a) - usefulness(b));
}

/** Unison before octave, near neighbours and low frets first; the smaller the better. */
function usefulness({ held, open, octaves }: CrossCheck): number {
  return 100 * Math.abs(octaves) + 4 * (Math.abs(held.course - open) - 1) + held.fret;
}

/** The fewest comparisons that tie all strings together, each the best that brings a new one in; those best for use first. */
export function tyingChecks<C extends CrossCheck>(checks: readonly C[]): C[] {
  const group = new Map<number, number>();
  const of = (course: number) => group.get(course) ?? course;
  return checks.filter(({ held, open }) => {
    const [a, b] = [of(held.course), of(open)];
    if (a === b) return false;
    for (const course of new Set([...group.keys(), held.course, open]))
      if (of(course) === b) group.set(course, a);
    return true;
  });
}

/** Strings are compared at or below this fret: above it the hand stops in the body's way. */
const HIGHEST_FRET = 12;
/** Where a tuning sets two strings further apart than this they still beat when both are right. */
const AGREE: Cents = 2;

/** The best comparison of a course with another one, both sounding the same note; null where there is none. */
export function unisonFor(
  tuning: Tuning,
  instrument: Instrument,
  course: number,
): CrossCheck | null {
  const neck = neckOf(tuning, instrument);
  const offsets = offsetsOf(
    neck.map(({ midi }) => midi),
    tuning.temper,
  );
  const apart = (a: number, b: number) => (offsets[a - 1] ?? 0) - (offsets[b - 1] ?? 0);
  const unisons = crossChecks(neck, HIGHEST_FRET).filter(
    ({ octaves, held, open }) => octaves === 0 && Math.abs(apart(held.course, open)) < AGREE,
  );
  return unisons.find(({ held, open }) => held.course === course || open === course) ?? null;
}

/** Two natural harmonics that nearly agree. */
export interface HarmonicCheck {
  readonly low: { readonly course: number; readonly partial: number; readonly fret: number };
  readonly high: { readonly course: number; readonly partial: number; readonly fret: number };
  /** Tuning by it leaves the higher string so far from equal temperament, in cents. */
  readonly errorCents: Cents;
}

/** Frets over which touching gives partials 2, 3 and 4. */
const TOUCH: readonly (readonly [fret: number, partial: number])[] = [
  [12, 2],
  [7, 3],
  [5, 4],
];
/** Beyond this a comparison does not serve: thirds are 14 cents out. */
const SERVES: Cents = 3;

/**
 * Comparisons of harmonics between neighbours. A fourth set by 4 f against 3 f is
 * pure, 498.045 cents, and so 1.955 narrow of equal temperament.
 */
export function harmonicChecks(courses: readonly NeckCourse[]): HarmonicCheck[] {
  const checks: HarmonicCheck[] = [];
  const rising = [...courses].sort((a, b) => a.midi - b.midi);
  for (const [i, low] of rising.entries()) {
    const high = rising[i + 1];
    if (!high || high.midi === low.midi) continue;
    for (const [lowFret, lowPartial] of TOUCH)
      for (const [highFret, highPartial] of TOUCH) {
        const pure = centsBetween(highPartial, lowPartial);
        const errorCents = pure - 100 * (high.midi - low.midi);
        if (Math.abs(errorCents) < SERVES)
          checks.push({
            low: { course: low.course, partial: lowPartial, fret: low.startFret + lowFret },
            high: { course: high.course, partial: highPartial, fret: high.startFret + highFret },
            errorCents,
          });
      }
  }
  return checks;
}

/** One string of a chain, and how far it comes out from equal temperament when the first is right. */
export interface ChainLink {
  readonly course: number;
  readonly cents: Cents;
}

/**
 * The longest run of pure fourths in which each string is the next one's reference, the
 * first string included; empty without one. Errors of matching add to its cents.
 */
export function chainOfFourths(checks: readonly HarmonicCheck[]): readonly ChainLink[] {
  let best: readonly ChainLink[] = [];
  let run: readonly ChainLink[] = [];
  for (const { low, high, errorCents } of checks) {
    if (low.partial !== 4 || high.partial !== 3) continue;
    const last = run.at(-1);
    const before = last?.course === low.course ? run : [{ course: low.course, cents: 0 }];
    run = [...before, { course: high.course, cents: before.at(-1)!.cents + errorCents }];
    if (run.length > best.length) best = run;
  }
  return best;
}
