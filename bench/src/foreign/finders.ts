import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import type { Cents } from '@rosefinch/core/units';

/*
 * People who find what is out, by no curve at all: each string of a chord seems off by what it is and by a noise of
 * its own, the one that seems furthest off is named, with its way; of two chords the one that seems rougher is not
 * the pure one.
 */

export const FINDERS = ['normal', 'heavy', 'lapses', 'one bad string'] as const;
export type FinderKind = (typeof FINDERS)[number];

export interface Finder {
  /** Whether somebody finds string and way. */
  readonly string: (which: number, cents: Cents) => boolean;
  /** Whether somebody finds the pure one of two chords, the other so far from it. */
  readonly chord: (cents: Cents) => boolean;
  /** Half way from chance to always, over the strings; and of chords: what the judge is to tell. */
  readonly thresholds: () => { readonly strings: Cents; readonly chords: Cents };
}

const DRAWS = 3000;
const STEPS = 24;

export function foreignFinder(random: Random, kind: FinderKind, strings: number): Finder {
  const usual = Math.exp(Math.log(14) + 0.7 * normal(random));
  const widths = Array.from(
    { length: strings },
    (_, i) =>
      usual * Math.exp(0.2 * normal(random)) * (kind === 'one bad string' && i === 0 ? 2.5 : 1),
  );
  const rough = usual * between(random, 0.3, 0.7);
  const lapses = kind === 'lapses' ? 0.06 : between(random, 0, 0.03);
  const noise = (from: Random) =>
    kind === 'heavy'
      ? normal(from) / Math.sqrt((normal(from) ** 2 + normal(from) ** 2 + normal(from) ** 2) / 3)
      : normal(from);
  const finds = (from: Random, which: number, cents: Cents) => {
    let [named, furthest] = [0, 0];
    widths.forEach((width, i) => {
      const seems = width * noise(from) + (i === which - 1 ? cents : 0);
      if (Math.abs(seems) > Math.abs(furthest)) [named, furthest] = [i + 1, seems];
    });
    return named === which && Math.sign(furthest) === Math.sign(cents);
  };
  const hears = (from: Random, cents: Cents) => {
    const seems = () => Math.abs(rough * noise(from));
    return seems() < Math.abs(cents + rough * noise(from));
  };
  const anywhere = (chance: number) => random() < chance;
  return {
    string: (which, cents) =>
      random() < lapses ? anywhere(1 / (2 * strings)) : finds(random, which, cents),
    chord: (cents) => (random() < lapses ? anywhere(0.5) : hears(random, cents)),
    thresholds: () => {
      const of = widths.map((_, i) =>
        halfWay(1 / (2 * strings), (from, cents) => finds(from, i + 1, cents)),
      );
      const mean = of.reduce((sum, cents) => sum + Math.log(cents), 0) / of.length;
      return { strings: Math.exp(mean), chords: halfWay(0.5, hears) };
    },
  };
}

/** The difference at which so many are found as lie half way between chance and all, by drawing many. */
function halfWay(chance: number, finds: (from: Random, cents: Cents) => boolean): Cents {
  let [low, high] = [0.3, 600];
  for (let step = 0; step < STEPS; step++) {
    const cents = Math.sqrt(low * high);
    const from = seededRandom(91);
    let found = 0;
    for (let i = 0; i < DRAWS; i++) if (finds(from, cents)) found++;
    if (found / DRAWS < (1 + chance) / 2) low = cents;
    else high = cents;
  }
  return Math.sqrt(low * high);
}
