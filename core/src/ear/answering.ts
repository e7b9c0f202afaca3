import { upperTail } from '../maths/index.ts';
import type { Cents } from '../units.ts';

/** What was answered to "higher or lower?", in the order of their keys. */
export const DIRECTIONS = ['lower', 'same', 'higher'] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** What was answered where one of several is to be found. */
export const FINDINGS = ['right', 'wrong'] as const;
export type Finding = (typeof FINDINGS)[number];

/** Somebody's way of answering, apart from how finely they hear. */
export interface Manner {
  /** How likely it is before anything was answered; all add up to 1. */
  readonly weight: number;
  /** Leans towards "higher" by so many widths. */
  readonly lean: number;
  /** Says "same" of what seems nearer than so many widths. */
  readonly caution: number;
  /** Answers a share of all questions without having heard. */
  readonly lapses: number;
}

/** How answers come from how finely somebody hears. */
export interface Answering<Answer extends string> {
  readonly answers: readonly Answer[];
  readonly manners: readonly Manner[];
  /** Chance of an answer to a difference of `cents` where hearing scatters by `width` cents; 0 to 1. */
  readonly chance: (answer: Answer, cents: Cents, width: Cents, manner: Manner) => number;
  /** Just-noticeable difference of somebody of width 1: heard three times in four, or half way from chance to always. */
  readonly noticed: number;
}

/** Upper quartile of the standard normal: half of the way between the quartiles. */
const QUARTILE = 0.6744898;

/** Most people lean by less than half a width. */
const LEANING = { tried: [-0.8, -0.4, 0, 0.4, 0.8], usual: 0.4 } as const;
const LEANS = spreadOut(LEANING.tried, (lean) => Math.exp(-0.5 * (lean / LEANING.usual) ** 2));
const CAUTIONS = spreadOut([0, 0.25, 0.6, 1.2], (caution) => (caution === 0 ? 2 : 1));
/** Lapses are few: Wichmann and Hill 2001 allow 0 to 6 %. */
const LAPSING = { tried: [0.005, 0.025, 0.06], many: 0.05 } as const;
const LAPSES = spreadOut(LAPSING.tried, (lapses) => (lapses > LAPSING.many ? 0.5 : 1));
/** Who answers without having heard says either direction, seldom "same". */
const BLIND: Readonly<Record<Direction, number>> = { lower: 0.47, same: 0.06, higher: 0.47 };

function spreadOut(values: readonly number[], weigh: (value: number) => number) {
  const sum = values.reduce((all, value) => all + weigh(value), 0);
  return values.map((value) => ({ value, weight: weigh(value) / sum }));
}

/**
 * Two notes, the second higher or lower, or the same for all that can be heard: what is heard scatters
 * normally about what is (Green and Swets 1966), and is held against a lean and a caution.
 */
export const DIRECTION: Answering<Direction> = {
  answers: DIRECTIONS,
  manners: LEANS.flatMap((lean) =>
    CAUTIONS.flatMap((caution) =>
      LAPSES.map((lapses) => ({
        weight: lean.weight * caution.weight * lapses.weight,
        lean: lean.value,
        caution: caution.value,
        lapses: lapses.value,
      })),
    ),
  ),
  chance: (answer, cents, width, { lean, caution, lapses }) => {
    const heard = cents / width + lean;
    const higher = upperTail(caution - heard);
    const lower = upperTail(caution + heard);
    const listened = answer === 'higher' ? higher : answer === 'lower' ? lower : 1 - higher - lower;
    return lapses * BLIND[answer] + (1 - lapses) * Math.max(0, listened);
  },
  noticed: QUARTILE,
};

/** How steeply finding one of several rises with the difference; about that of a normal law. */
const STEEP = 1.5;

const AMONG = new Map<number, Answering<Finding>>();

/** One of `of` answers is right. By a Weibull curve from chance on (Watson and Pelli 1983). */
export function findingOne(of: number): Answering<Finding> {
  const known = AMONG.get(of);
  if (known) return known;
  const made = among(of);
  AMONG.set(of, made);
  return made;
}

function among(of: number): Answering<Finding> {
  return {
    answers: FINDINGS,
    manners: LAPSES.map(({ value, weight }) => ({ weight, lean: 0, caution: 0, lapses: value })),
    chance: (answer, cents, width, { lapses }) => {
      const heard = 1 - 2 ** -((Math.abs(cents) / width) ** STEEP);
      const right = (lapses + (1 - lapses) * (1 - heard)) / of + (1 - lapses) * heard;
      return answer === 'right' ? right : 1 - right;
    },
    noticed: 1,
  };
}
