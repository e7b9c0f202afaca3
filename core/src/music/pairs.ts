import { type Message, message } from '../message.ts';
import type { InstrumentKind, Tuning } from './tunings.ts';

/**
 * How an instrument with courses of two strings is strung: semitones of each string above its
 * course's note, course 1 first, and in a course the one nearest the floor first. Which courses
 * have an octave beside them is common practice, no source.
 */
export interface Pairing {
  readonly id: string;
  /** @example 'twelve strings' */
  readonly name: Message;
  readonly kind: InstrumentKind;
  readonly courses: readonly (readonly number[])[];
}

/** An octave below a course whose note lies above the next one's, else above it. */
const OCTAVE = 12;

export const PAIRINGS: readonly Pairing[] = [
  {
    id: 'twelve',
    name: message('names.twelveStrings'),
    kind: 'guitar',
    courses: [
      [0, 0],
      [0, 0],
      [0, OCTAVE],
      [0, OCTAVE],
      [0, OCTAVE],
      [0, OCTAVE],
    ],
  },
  {
    id: 'eight',
    name: message('names.eightStrings'),
    kind: 'ukulele',
    courses: [
      [0, 0],
      [0, 0],
      [0, OCTAVE],
      [0, OCTAVE],
    ],
  },
  {
    id: 'six',
    name: message('names.sixStrings'),
    kind: 'ukulele',
    courses: [[0, -OCTAVE], [0], [0, OCTAVE], [0]],
  },
];

const STRUNG = '-strings-';

/** The pairing of an instrument by its kind and all its strings; undefined of one that is strung singly. */
export function pairingOf(kind: InstrumentKind, strings: number): Pairing | undefined {
  return PAIRINGS.find((one) => one.kind === kind && one.courses.flat().length === strings);
}

/** Where a string belongs: its course, its place in it, and what it is to the other one. */
export interface InCourse {
  readonly course: number;
  /** 1 is the one nearest the floor. */
  readonly member: number;
  /** How many strings the course has. */
  readonly of: number;
  /** Higher or lower than the other string of its pair, or the same. */
  readonly beside: 'higher' | 'lower' | 'same' | null;
}

/** Every string of a pairing, string 1 first. */
export function stringsOfPairing({ courses }: Pairing): InCourse[] {
  return courses.flatMap((own, i) =>
    own.map((above, k) => {
      const other = own[1 - k];
      const beside =
        other === undefined ? null : above === other ? 'same' : above > other ? 'higher' : 'lower';
      return { course: i + 1, member: k + 1, of: own.length, beside };
    }),
  );
}

/** The other string of each string's pair, string 1 first; undefined for one that is single. */
export function matesIn(pairing: Pairing): (number | undefined)[] {
  return stringsOfPairing(pairing).map(({ of, member }, i) =>
    of < 2 ? undefined : i + 1 + (member === 1 ? 1 : -1),
  );
}

/** A tuning of single strings on an instrument in pairs: every string by itself, string 1 first. */
export function inPairs(tuning: Tuning, pairing: Pairing): Tuning {
  const { id, name, courses, temper } = tuning;
  const notes = courses.map(([midi = 0]) => midi);
  const above = pairing.courses.map((own, i) => {
    // A re-entrant course stands high already: its octave is the low one.
    const high = (notes[i] ?? 0) > (notes[i - 1] ?? Infinity);
    return own.map((semitones) => (high ? -Math.abs(semitones) : semitones));
  });
  const spread = <T>(each: readonly T[]) =>
    above.flatMap((own, i) => own.map(() => each[i])).filter((one) => one !== undefined);
  return {
    ...tuning,
    id: `${id}${STRUNG}${pairing.id}`,
    name: message('names.inPairs', { tuning: name, pairing: pairing.name }),
    courses: above.flatMap((own, i) => own.map((semitones) => [(notes[i] ?? 0) + semitones])),
    ...(temper?.kind === 'own' && { temper: { ...temper, offsets: spread(temper.offsets) } }),
  };
}

/** The id of the tuning of single strings that one is made from; its own id where it is not in pairs. */
export function singleTuningId(id: string): string {
  return asInPairs(id)?.base ?? id;
}

/** The tuning of single strings, and the pairing, that the id of a tuning in pairs names; null for another id. */
export function asInPairs(id: string): { readonly base: string; readonly pairing: Pairing } | null {
  const at = id.lastIndexOf(STRUNG);
  if (at < 0) return null;
  const pairing = PAIRINGS.find((one) => one.id === id.slice(at + STRUNG.length));
  return pairing ? { base: id.slice(0, at), pairing } : null;
}
