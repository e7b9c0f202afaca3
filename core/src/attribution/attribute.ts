import { centsBetween } from '../music/index.ts';
import type { Cents } from '../units.ts';
import { type Beliefs, heardBefore, type Share, sharesOf } from './beliefs.ts';
import type { Attribution, Pluck } from './types.ts';

/** A string is known once it is this likely. */
const SURE = 0.93;
/** Where a string can be and still be heard, in cents from its note: a chosen one is believed within it. */
const BELIEVED = { low: -2410, high: 360 } as const satisfies Record<string, Cents>;
/** Of two strings that were both heard before the chosen one is believed unless it is less likely than this. */
const CHOSEN_AT_LEAST = 0.06;
/** A string that was touched at a node is said to be from here on. */
const TOUCHED_AT_LEAST = 0.5;
/** A question is put only where its answers hold the right string nearly always. */
const WORTH_ASKING = 0.95;
/** Strings are named in doubt until they hold the right one so surely; at least and at most so many. */
const NAMED = { surely: 0.985, least: 2, most: 4 } as const;

/** Which string the newest pluck is put to. */
export function attributionOf(beliefs: Beliefs, pluck: Pluck): Attribution {
  const { chosen } = pluck;
  const shares = sharesOf(beliefs);
  const open = shares.filter(({ part }) => part.node === 1 && part.course > 0);
  const [first] = open;
  const intended = open.find(({ part }) => part.course === chosen);
  const possible = chosen !== null && isPossible(beliefs, chosen, pluck);
  if (possible && isBelieved(beliefs, chosen, intended, first))
    return { kind: 'known', course: chosen, probability: intended?.probability ?? 0 };
  // One that was chosen and cannot sound so is left out of what else it may be.
  const left = chosen !== null && !possible ? 1 - (intended?.probability ?? 0) : 1;
  if (
    first &&
    first.part.course !== (possible ? null : chosen) &&
    first.probability >= SURE * left
  ) {
    const { course } = first.part;
    // Another one than was chosen, which could sound so as well: only the player can tell.
    return !possible
      ? { kind: 'known', course, probability: first.probability }
      : {
          kind: 'doubt',
          courses: [course, chosen],
          probability: first.probability,
          otherwiseSure: true,
          worthAsking: true,
        };
  }
  const [likeliest] = shares;
  if (likeliest && likeliest.part.node !== 1 && likeliest.probability >= TOUCHED_AT_LEAST) {
    const { course, node } = likeliest.part;
    // Only the stiffness of that very string tells its node from another open string.
    if (heardBefore(beliefs, course).stiffness) return { kind: 'touched', of: course, node };
  }
  return first ? doubtOf(shares) : { kind: 'none' };
}

/** A string can be where this pitch has it, and still be heard. */
function isPossible({ setup }: Beliefs, course: number, { hz }: Pluck): boolean {
  const target = setup.strings.find((one) => one.target.course === course)?.target;
  if (!target) return false;
  const cents = centsBetween(target.hz, hz);
  return cents >= BELIEVED.low && cents <= BELIEVED.high;
}

/** A chosen string is believed wherever it can be, unless it and the other one are known from before. */
function isBelieved(
  beliefs: Beliefs,
  chosen: number,
  intended: Share | undefined,
  first: Share | undefined,
): boolean {
  if (!first || first.part.course === chosen) return true;
  const known = (course: number) => heardBefore(beliefs, course).times > 0;
  const bothKnown = known(chosen) && known(first.part.course);
  return !bothKnown || (intended?.probability ?? 0) >= CHOSEN_AT_LEAST;
}

/** The strings that it most likely was, open or by a node. */
function doubtOf(shares: readonly Share[]): Attribution {
  const byCourse = new Map<number, number>();
  for (const { part, probability } of shares)
    byCourse.set(part.course, (byCourse.get(part.course) ?? 0) + probability);
  const ranked = [...byCourse].filter(([course]) => course > 0).sort(([, a], [, b]) => b - a);
  const upTo = ranked.map((_, i) => ranked.slice(0, i + 1).reduce((sum, [, one]) => sum + one, 0));
  const enough = 1 + upTo.findIndex((sum) => sum >= NAMED.surely);
  const named = Math.min(NAMED.most, Math.max(NAMED.least, enough === 0 ? NAMED.most : enough));
  return {
    kind: 'doubt',
    courses: ranked.slice(0, named).map(([course]) => course),
    probability: ranked[0]?.[1] ?? 0,
    otherwiseSure: false,
    worthAsking: (upTo[1] ?? upTo[0] ?? 0) >= WORTH_ASKING,
  };
}
