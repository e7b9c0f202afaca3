import { centsBetween, shiftHz } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';
import { soundingLength } from './length.ts';
import { expectedTurns } from './pegs.ts';
import { tensionOf } from './tension.ts';
import type { Instrument, Peg, PegFigure, PegKind, TightenDirection } from './types.ts';

/** A turn of known size, and what came of it. */
export interface PegTurn {
  /** Of the button; positive is thought to tighten. */
  readonly turns: number;
  readonly beforeHz: Hz;
  readonly afterHz: Hz;
}

/** Small turns by which each kind of peg is tried out: an eighth, a sixteenth, a hair. */
export const TEST_TURN: Readonly<Record<PegKind, number>> = {
  geared: 1 / 8,
  planetary: 1 / 16,
  direct: 1 / 60,
};

/** A peg that moves its string less than this does not move it, or is another string's. */
const LEAST_MOVE: Cents = 2;
/** Physics alone is trusted so far, as a share: body and winding differ. */
const PHYSICS_ERROR = 0.5;
/** A hand that turns as it is told, and one that may have: errors of the turn, as shares. */
export const HAND_ERROR = { told: 0.12, perhaps: 0.4 } as const;
/** Beyond these a turn was not the one that was asked for. */
const CREDIBLE = { low: 1 / 4, high: 4 } as const;

const OTHER_WAY: Readonly<Record<TightenDirection, TightenDirection>> = {
  'away from you': 'towards you',
  'towards you': 'away from you',
  clockwise: 'counter-clockwise',
  'counter-clockwise': 'clockwise',
};

/** The direction in which a peg loosens. */
export function loosen(tighten: TightenDirection): TightenDirection {
  return OTHER_WAY[tighten];
}

/** How a peg test came out. */
export type PegOutcome = 'as thought' | 'other way' | 'did not move';

/** What a turn shows of the peg: the way it works, and the peg with its figure learned. */
export function judgePegTurn(
  instrument: Instrument,
  course: number,
  turn: PegTurn,
): { readonly outcome: PegOutcome; readonly cents: Cents; readonly peg: Peg } | null {
  const peg = instrument.courses[course - 1]?.strings[0]?.peg;
  const share = shareOfPhysics(instrument, course, turn);
  if (!peg || share === null) return null;
  const cents = centsBetween(turn.beforeHz, turn.afterHz);
  if (Math.abs(cents) < LEAST_MOVE) return { outcome: 'did not move', cents, peg };
  const figure = learnFigure(peg.measured, Math.abs(share), HAND_ERROR.told);
  const tested = { ...peg, known: 'tested' as const, measured: figure ?? peg.measured };
  const { measured: _, ...bare } = tested;
  const next: Peg = tested.measured ? { ...bare, measured: tested.measured } : bare;
  if (share > 0) return { outcome: 'as thought', cents, peg: next };
  return { outcome: 'other way', cents, peg: { ...next, tighten: loosen(peg.tighten) } };
}

/** Tension gained by a turn, against what physics says of that turn; null where nothing can be said. */
function shareOfPhysics(instrument: Instrument, course: number, turn: PegTurn): number | null {
  const byPhysics = expectedTurns(instrument, course, turn.beforeHz, turn.afterHz);
  return byPhysics === null || turn.turns === 0 ? null : byPhysics / turn.turns;
}

/**
 * The figure with one more turn in it: logarithms of the shares, weighed by the error of
 * the hand; null if that turn cannot have been the one that was asked for.
 */
export function learnFigure(
  known: PegFigure | undefined,
  share: number,
  handError: number,
): PegFigure | null {
  const before = known ?? { factor: 1, error: PHYSICS_ERROR, turns: 0 };
  const ratio = share / before.factor;
  if (before.turns > 0 && !(ratio > CREDIBLE.low && ratio < CREDIBLE.high)) return null;
  if (!(share > 0)) return null;
  const had = 1 / before.error ** 2;
  const gained = 1 / handError ** 2;
  const log = (had * Math.log(before.factor) + gained * Math.log(share)) / (had + gained);
  return {
    factor: Math.exp(log),
    error: 1 / Math.sqrt(had + gained),
    turns: before.turns + 1,
  };
}

/** A peg after a turn that the hand was advised to make, as far as it did. */
export function pegAfterAdvice(instrument: Instrument, course: number, turn: PegTurn): Peg | null {
  const peg = instrument.courses[course - 1]?.strings[0]?.peg;
  const share = shareOfPhysics(instrument, course, turn);
  if (!peg || share === null) return null;
  const measured = learnFigure(peg.measured, share, HAND_ERROR.perhaps);
  return measured && { ...peg, measured };
}

/** Turns from one pitch to another by what was measured of the peg, else by physics: then a guess. */
export function turnsFor(
  instrument: Instrument,
  course: number,
  fromHz: Hz,
  toHz: Hz,
): { readonly turns: number; readonly guess: boolean } | null {
  const turns = expectedTurns(instrument, course, fromHz, toHz);
  if (turns === null) return null;
  const measured = instrument.courses[course - 1]?.strings[0]?.peg.measured;
  return { turns: turns / (measured?.factor ?? 1), guess: measured === undefined };
}

/** Cents by which a whole turn of the button would move a course about a pitch. */
export function centsPerTurn(instrument: Instrument, course: number, hz: Hz): Cents | null {
  const up = turnsFor(instrument, course, hz, shiftHz(hz, 1));
  const spec = instrument.courses[course - 1]?.strings[0]?.spec;
  if (!up || !spec) return null;
  // A slack string is not wound on by tension.
  return tensionOf(spec.unitWeight, soundingLength(instrument, course), hz) > 0
    ? 1 / up.turns
    : null;
}

/** The instrument with another peg on one of its courses. */
export function withPeg(instrument: Instrument, course: number, peg: Peg): Instrument {
  const courses = instrument.courses.map((entry) =>
    entry.number === course
      ? {
          ...entry,
          strings: entry.strings.map((string, i) => (i === 0 ? { ...string, peg } : string)),
        }
      : entry,
  );
  return { ...instrument, courses };
}
