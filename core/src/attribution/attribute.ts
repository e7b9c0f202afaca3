import { type Beliefs, sharesOf } from './beliefs.ts';
import type { Attribution, Node, Pluck } from './types.ts';

/** A string is known once it is this likely. */
const SURE = 0.93;
/** A chosen string is believed unless it is less likely than this. */
const CHOSEN_AT_LEAST = 0.1;
/** A string that was touched at a node is said to be from here on. */
const TOUCHED_AT_LEAST = 0.5;
/** A question is put only where its answers hold the right string nearly always. */
const WORTH_ASKING = 0.95;
/** So many strings are named in doubt: the likeliest. */
const NAMED = 2;

/** Which string the newest pluck is put to. */
export function attributionOf(beliefs: Beliefs, { chosen }: Pluck): Attribution {
  const shares = sharesOf(beliefs);
  const open = shares.filter(({ part }) => part.node === 1 && part.course > 0);
  const [first] = open;
  if (!first && shares.every(({ part }) => part.course === 0)) return { kind: 'none' };
  const intended = open.find(({ part }) => part.course === chosen);
  if (intended && intended.probability >= CHOSEN_AT_LEAST)
    return { kind: 'known', course: intended.part.course, probability: intended.probability };
  if (first && first.probability >= SURE) {
    const { course } = first.part;
    // Another one than was chosen, which could sound so as well: only the player can tell.
    return chosen === null || !intended
      ? { kind: 'known', course, probability: first.probability }
      : { kind: 'doubt', courses: [course, chosen], otherwiseSure: true, worthAsking: true };
  }
  const [likeliest] = shares;
  if (likeliest && likeliest.part.node !== 1 && likeliest.probability >= TOUCHED_AT_LEAST)
    return { kind: 'touched', of: likeliest.part.course, node: likeliest.part.node as Node };
  const byCourse = new Map<number, number>();
  for (const { part, probability } of shares)
    byCourse.set(part.course, (byCourse.get(part.course) ?? 0) + probability);
  const named = [...byCourse]
    .filter(([course]) => course > 0)
    .sort(([, a], [, b]) => b - a)
    .slice(0, NAMED);
  const covered = named.reduce((sum, [, share]) => sum + share, 0);
  return {
    kind: 'doubt',
    courses: named.map(([course]) => course),
    otherwiseSure: false,
    worthAsking: covered >= WORTH_ASKING,
  };
}
