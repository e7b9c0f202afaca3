import type { Target } from '../music/index.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';

/** No string is looked for further than this from its target or its last reading. */
export const FARTHEST: Cents = 1850;
/** Two strings whose distances differ by less than this are both within reach. */
const DOUBT: Cents = 60;
/** Within this distance the nearest string is taken without doubt. */
const SURE: Cents = 130;

/** What is known of each string before a pluck. */
export interface StringKnowledge {
  readonly target: Target;
  /** The last reading of this string in the session, in Hz. */
  readonly lastHz?: Hz;
}

export type Identity =
  | { readonly kind: 'known'; readonly course: number }
  | { readonly kind: 'doubt'; readonly courses: readonly number[] }
  | { readonly kind: 'none' };

/**
 * Says which string sounds at `hz`: the one whose last reading, or else whose
 * target, lies nearest. Two within reach are named, not guessed at.
 */
export function identify(hz: Hz, strings: readonly StringKnowledge[]): Identity {
  const ranked = strings
    .map(({ target, lastHz }) => ({
      course: target.course,
      distance: Math.min(
        Math.abs(centsBetween(target.hz, hz)),
        // A string stays near where it was last heard, but it may have been turned since.
        lastHz ? Math.abs(centsBetween(lastHz, hz)) + 20 : Number.POSITIVE_INFINITY,
      ),
    }))
    .sort((a, b) => a.distance - b.distance);
  const [first, second] = ranked;
  if (!first || first.distance > FARTHEST) return { kind: 'none' };
  if (first.distance > SURE && second && second.distance - first.distance < DOUBT)
    return { kind: 'doubt', courses: [first.course, second.course] };
  return { kind: 'known', course: first.course };
}
