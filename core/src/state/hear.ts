import type { Identity, Reading, StringKnowledge, StrumString } from '../listen/index.ts';
import { whoSounded } from '../listen/index.ts';
import {
  type BenchState,
  type ReadPitch,
  readingFor,
  type StringReading,
  strummedFor,
} from '../sitting/index.ts';
import type { Coupling } from '../strings/index.ts';
import type { Cents } from '../units.ts';
import { aimOf } from './ahead.ts';
import { type Fitted, type ReadAt, stateOf } from './strings.ts';

/** What a pluck is put to. */
export interface Hearing {
  readonly state: BenchState;
  /** The string that was chosen by hand when the pluck was made, or null. */
  readonly intended: number | null;
  /** The string that is worked on, where that is known. */
  readonly inHand?: number | null;
  readonly strings: readonly StringKnowledge[];
  /** The readings of the session so far. */
  readonly heard: readonly ReadAt[];
  /** When the strings were put on, course 1 first, where it is known. */
  readonly fitted?: readonly (Fitted | null)[];
  /** Null aims at the target itself. */
  readonly coupling: Coupling | null;
  /** Cents of every course from before the session, course 1 first, where they are known. */
  readonly before?: readonly (Cents | null)[];
}

/**
 * A pluck put to the string that it sounds like by itself, with where that string is to be
 * brought; or the doubt about which one it is.
 */
export function hearPluck(
  reading: Reading,
  hearing: Hearing,
): StringReading | Exclude<Identity, { kind: 'known' }> {
  const { strings, intended, inHand = null } = hearing;
  const identity = whoSounded(reading, strings, intended, inHand);
  if (identity.kind !== 'known') return identity;
  return readingOf(reading, identity.course, hearing) ?? { kind: 'none' };
}

/** A pluck of a string that is known, with where that string is to be brought; null of a string that is not there. */
export function readingOf(
  reading: ReadPitch,
  course: number,
  { state, strings, heard, coupling, before, fitted = [] }: Omit<Hearing, 'intended' | 'inHand'>,
): StringReading | null {
  const target = strings.find((string) => string.target.course === course)?.target;
  if (!target) return null;
  const plain = readingFor(course, reading, target.hz);
  if (!coupling) return plain;
  const known = before ?? state.goal.order.map(() => null);
  const now = stateOf({ readings: [...heard, plain], before: known, coupling, fitted });
  return readingFor(course, reading, target.hz, aimOf(state, course, now, coupling));
}

/**
 * The strings that a strum was sure of, each with where it is to be brought. All were heard at
 * one moment: each aim knows of all others.
 */
export function hearStrum(
  strings: readonly StrumString[],
  { state, heard, coupling, before, fitted = [] }: Hearing,
): StringReading[] {
  const sure = strings.filter((string) => string.sure);
  const plain = sure.map((string) => strummedFor(string));
  if (!coupling) return plain;
  const known = before ?? state.goal.order.map(() => null);
  const now = stateOf({ readings: [...heard, ...plain], before: known, coupling, fitted });
  return sure.map((string) => strummedFor(string, aimOf(state, string.course, now, coupling)));
}
