import { type KnownReading, knowledgeOf, type StringKnowledge } from '../listen/index.ts';
import { centsBetween, shiftHz, type Target } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';

/** A string last heard further out than this comes from another tuning. */
export const FROM_ANOTHER_TUNING: Cents = 60;

/** What the open strings were heard at last before a session, course by course. */
export type LastPitches = ReadonlyMap<number, Hz>;

/** Where the open strings are before a session: as they were heard last, else as the tuning they are kept in has them. */
export function pitchesBefore(last: LastPitches, home: readonly Target[]): LastPitches {
  return new Map([...home.map(({ course, hz }) => [course, hz] as const), ...last]);
}

/** How far a string that comes from another tuning was from its target; null for any other. */
export function cameFrom({ course, hz }: Target, last: LastPitches, capo: number): Cents | null {
  const open = last.get(course);
  if (open === undefined) return null;
  const cents = centsBetween(hz, shiftHz(open, 100 * capo));
  return Math.abs(cents) > FROM_ANOTHER_TUNING ? cents : null;
}

/** What is known of the strings: from this session, and from earlier ones of those not heard in it. */
export function stringsNow(
  targets: readonly Target[],
  readings: readonly KnownReading[],
  last: LastPitches,
  capo: number,
): StringKnowledge[] {
  return knowledgeOf(targets, readings).map((string) => {
    const cents = string.lastHz === undefined ? cameFrom(string.target, last, capo) : null;
    if (cents === null) return string;
    // Strings that come from another tuning will be turned: that much is known of them unheard.
    return { ...string, lastHz: shiftHz(string.target.hz, cents), fresh: true };
  });
}
