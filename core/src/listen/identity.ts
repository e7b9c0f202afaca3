import type { Target } from '../music/index.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';
import type { StiffnessPrior } from './stiffString.ts';
import { GENERAL_PRIOR } from './stiffString.ts';

/** No string is looked for further than this from its target or its last reading. */
export const FARTHEST: Cents = 1850;
/** Two strings whose distances differ by less than this are both within reach. */
const DOUBT: Cents = 60;
/** Within this distance the nearest string is taken without doubt. */
const SURE: Cents = 130;

/** Strings whose distances differ by less than this are as good as in unison. */
const UNISON: Cents = 25;
/** B of a string comes out within this ratio from pluck to pluck, and tells strings further apart than the second. */
const SAME_STIFFNESS = 1.35;
const OTHER_STIFFNESS = 1.8;

/** What is known of each string before a pluck. */
export interface StringKnowledge {
  readonly target: Target;
  /** The last reading of this string in the session, in Hz. */
  readonly lastHz?: Hz;
  /** B of this string as its earlier readings found it (their median). */
  readonly inharmonicity?: number;
}

/** What a reading contributes to the knowledge of its string. */
export interface KnownReading {
  readonly course: number;
  readonly hz: Hz;
  readonly inharmonicity: number;
}

/** What earlier readings, oldest first, tell of each string. */
export function knowledgeOf(
  targets: readonly Target[],
  readings: readonly KnownReading[],
): StringKnowledge[] {
  return targets.map((target) => {
    const own = readings.filter((reading) => reading.course === target.course);
    const last = own.at(-1);
    if (!last) return { target };
    const sorted = own.map((reading) => reading.inharmonicity).sort((a, b) => a - b);
    return { target, lastHz: last.hz, inharmonicity: sorted[sorted.length >> 1]! };
  });
}

export type Identity =
  | { readonly kind: 'known'; readonly course: number }
  | { readonly kind: 'doubt'; readonly courses: readonly number[] }
  | { readonly kind: 'none' };

/** How far a pitch lies from where a string is known or wanted to be. */
function distanceTo({ target, lastHz }: StringKnowledge, hz: Hz): Cents {
  const toTarget = Math.abs(centsBetween(target.hz, hz));
  // A string stays near where it was last heard, but it may have been turned since.
  return lastHz ? Math.min(toTarget, Math.abs(centsBetween(lastHz, hz)) + 20) : toTarget;
}

/**
 * Says which string sounds: the one whose last reading, or else whose target,
 * lies nearest. Where two are within reach their stiffness decides if it can;
 * otherwise both are named, not guessed at.
 */
export function identify(
  sound: { readonly hz: Hz; readonly inharmonicity?: number },
  strings: readonly StringKnowledge[],
): Identity {
  const ranked = strings
    .map((string) => ({ string, distance: distanceTo(string, sound.hz) }))
    .sort((a, b) => a.distance - b.distance);
  const [first, second] = ranked;
  if (!first || first.distance > FARTHEST) return { kind: 'none' };
  const known = { kind: 'known', course: first.string.target.course } as const;
  if (!second) return known;
  const lead = second.distance - first.distance;
  if (lead > DOUBT || (first.distance <= SURE && lead > UNISON)) return known;
  const told = byStiffness(sound.inharmonicity, first.string, second.string);
  return told === null
    ? { kind: 'doubt', courses: [first.string.target.course, second.string.target.course] }
    : { kind: 'known', course: told };
}

/** The string whose stiffness this is, if it is clearly the one's and not the other's. */
function byStiffness(
  heard: number | undefined,
  one: StringKnowledge,
  other: StringKnowledge,
): number | null {
  if (!heard || !one.inharmonicity || !other.inharmonicity) return null;
  const ratio = (b: number) => Math.max(b / heard, heard / b);
  const toOne = ratio(one.inharmonicity);
  const toOther = ratio(other.inharmonicity);
  if (toOne < SAME_STIFFNESS && toOther > OTHER_STIFFNESS) return one.target.course;
  if (toOther < SAME_STIFFNESS && toOne > OTHER_STIFFNESS) return other.target.course;
  return null;
}

/** How near a pitch must be to a known string for that to count. */
const NEAR: Cents = 150;
/** B of a string varies so much from pluck to pluck, as a share, and never less than so much. */
const STIFFNESS_SIGMA = { share: 0.3, least: 4e-6 } as const;

/** What is believed of B at a pitch: that of the known string there, or of strings in general. */
export function priorAt(hz: Hz, strings: readonly StringKnowledge[]): StiffnessPrior {
  for (const string of strings)
    if (string.inharmonicity !== undefined && distanceTo(string, hz) < NEAR)
      return {
        mean: string.inharmonicity,
        sigma: Math.max(STIFFNESS_SIGMA.least, STIFFNESS_SIGMA.share * string.inharmonicity),
      };
  return GENERAL_PRIOR;
}

/** True if one of the strings is known or wanted to be about at this pitch. */
export function isNearString(hz: Hz, strings: readonly StringKnowledge[]): boolean {
  return strings.some((string) => distanceTo(string, hz) < NEAR);
}
