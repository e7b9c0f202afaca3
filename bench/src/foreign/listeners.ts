import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import type { Cents } from '@rosefinch/core/units';

/*
 * People who say which of two notes was higher, none of them made of the model that judges them. A curve listener
 * answers by a psychometric curve; a trace listener has none: each note leaves a trace of many uneven periods, the
 * first one fades towards those heard before, attention goes in stretches, and the answer follows from two traces.
 */

export const LISTENERS = ['logistic', 'normal', 'trace', 'low', 'tired'] as const;
export type ListenerKind = (typeof LISTENERS)[number];
export const GUESSERS = ['coin', 'mostly low', 'in turns'] as const;
export type GuesserKind = (typeof GUESSERS)[number];

export type Said = 'lower' | 'same' | 'higher';

export interface ForeignListener {
  /** Says where the second note lies, `cents` above the first, in a cell of register and timbre. */
  readonly answer: (cell: number, cents: Cents, trial: number) => Said;
  /** Half of what lies between a quarter and three quarters of "higher", lapses apart, in the middle of the session. */
  readonly threshold: (cell: number) => Cents;
}

/** Registers by timbres. */
export const CELLS = 6;
const SESSION = 60;

/** How one note is remembered beside another, cents above it: the noise of one comparison. */
type Compare = (random: Random, cents: Cents, width: Cents) => Cents;

const COMPARE: Readonly<Record<'logistic' | 'normal' | 'trace', Compare>> = {
  logistic: (random, cents, width) => {
    const u = Math.min(1 - 1e-9, Math.max(1e-9, random()));
    return cents + 0.61 * width * Math.log(u / (1 - u));
  },
  normal: (random, cents, width) => cents + width * normal(random),
  trace: (random, cents, width) => {
    // Periods of uneven length, a few of them badly caught; their mean is what stays.
    const trace = () => {
      let sum = 0;
      for (let i = 0; i < 12; i++) {
        const u = random() - 0.5;
        sum += -Math.sign(u) * Math.log(1 - 2 * Math.abs(u)) * (random() < 0.1 ? 3 : 1);
      }
      return sum / 12;
    };
    const start = between(random, -150, 150);
    const faded = trace() * width * 1.6 + start - 0.012 * (start - between(random, -150, 150));
    return start + cents + trace() * width * 1.2 - faded;
  },
};

export function foreignListener(random: Random, kind: ListenerKind): ForeignListener {
  const how = kind === 'low' || kind === 'tired' ? (random() < 0.5 ? 'logistic' : 'trace') : kind;
  const compare = COMPARE[how];
  // From a trained ear to one that hears no half step.
  const usual = Math.exp(Math.log(12) + 0.8 * normal(random));
  const register = [0.3, 0, -0.1].map((shift) => shift + 0.25 * normal(random));
  const timbre = [0, 0.15].map((shift) => shift + 0.12 * normal(random));
  const widths = Array.from(
    { length: CELLS },
    (_, i) => usual * Math.exp(register[i % 3]! + timbre[Math.floor(i / 3)]!),
  );
  const lapses = between(random, 0, 0.05);
  const low = kind === 'low' ? between(random, 0.3, 0.9) : 0.15 * normal(random);
  const careful = random() < 0.5 ? 0 : between(random, 0.1, 0.7);
  const tires = kind === 'tired' ? between(random, 0.3, 0.9) : 0;
  let dreams = 0;
  const widthAt = (cell: number, trial: number) => widths[cell]! * (1 + (tires * trial) / SESSION);
  const chances = random;
  return {
    answer: (cell, cents, trial) => {
      if (how === 'trace' && dreams === 0 && chances() < lapses / 2) dreams = 2;
      const lapsed = how === 'trace' ? dreams-- > 0 : chances() < lapses;
      dreams = Math.max(0, dreams);
      if (lapsed) return chances() < 0.5 ? 'lower' : 'higher';
      const width = widthAt(cell, trial);
      const heard = compare(chances, cents, width) - low * width;
      const unsure = careful * width * between(chances, 0.6, 1.4);
      return Math.abs(heard) < unsure ? 'same' : heard < 0 ? 'lower' : 'higher';
    },
    threshold: (cell) => halfQuartiles(compare, widthAt(cell, SESSION / 2)),
  };
}

/** Half of the way from the first to the third quartile of what a comparison adds, by drawing many. */
function halfQuartiles(compare: Compare, width: Cents): Cents {
  const random = seededRandom(77);
  const all = Array.from({ length: 4001 }, () => compare(random, 0, width)).sort((a, b) => a - b);
  return (all[3000]! - all[1000]!) / 2;
}

/** Somebody who does not listen. */
export function guesser(random: Random, kind: GuesserKind): ForeignListener['answer'] {
  let turn = 0;
  return () => {
    turn++;
    if (kind === 'in turns') return turn % 2 === 0 ? 'lower' : 'higher';
    if (kind === 'mostly low') return random() < 0.75 ? 'lower' : 'higher';
    return random() < 0.45 ? 'lower' : random() < 0.8 ? 'higher' : 'same';
  };
}
