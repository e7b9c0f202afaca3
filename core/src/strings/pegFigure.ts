import { centsBetween, shiftHz } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';
import { soundingLength } from './length.ts';
import { expectedTurns } from './pegs.ts';
import { tensionOf } from './tension.ts';
import type { Instrument, Peg, PegFigure, PegKind, PegPlay, TightenDirection } from './types.ts';

/** A turn of known size, and what came of it. */
export interface PegTurn {
  /** Of the button; positive is thought to tighten. */
  readonly turns: number;
  readonly beforeHz: Hz;
  readonly afterHz: Hz;
}

/** Whether a turn goes against the one before it: then the play of peg and slot is taken up first. */
export type Reversal = 'reversed' | 'onward' | 'unknown';

/** Small turns by which each kind of peg is tried out: an eighth, a sixteenth, five degrees. */
export const TEST_TURN: Readonly<Record<PegKind, number>> = {
  geared: 1 / 8,
  planetary: 1 / 16,
  direct: 1 / 72,
};

/** A peg that moves its string less than this does not move it, or is another string's. */
const LEAST_MOVE: Cents = 2;
/** Physics alone is trusted so far, as a share: body and winding differ. */
const PHYSICS_ERROR = 0.5;
/**
 * How far a hand that is told a small turn misses it, as a share, with what a winding and a
 * nut add: more the smaller the turn; and a hand that may have turned so. Found with simulated hands that scatter by 20, 30 and 50 %.
 */
export const HAND_ERROR = {
  told: { geared: 0.18, planetary: 0.26, direct: 0.44 },
  perhaps: 0.5,
} as const satisfies {
  readonly told: Readonly<Record<PegKind, number>>;
  readonly perhaps: number;
};
/** A figure known no better than this is still a guess. */
const GUESSED = 0.35;
/** Play that is usual, in turns of the button: common practice, no source. A slot that holds the string adds to it. */
const USUAL_PLAY: Readonly<Record<PegKind, PegPlay>> = {
  geared: { turns: 0.01, error: 0.03 },
  planetary: { turns: 0.003, error: 0.02 },
  direct: { turns: 0, error: 0.001 },
};
/** How much of the play a turn goes through; of an unknown one half is as good as any. */
const PLAY_SHARE: Readonly<Record<Reversal, number>> = { reversed: 1, onward: 0, unknown: 0.5 };
/** A turn further from what was expected than so many standard errors is a surprise. */
const SURPRISED = 1.5;
/** Winding, temperature and the place of the worm are never the same: no figure is known better, as a share and in turns. */
const LEAST_ERROR = 0.05;
const LEAST_PLAY_ERROR = 0.002;
/** A hand’s smallest turns scatter by this share: common practice, no source. */
const LEAST_SCATTER = 0.4;
/** A turn that moved its string was not play alone: so much of it took hold at least. */
const TOOK_HOLD = 0.1;
/** Beyond these a turn was not the one that was asked for. */
const CREDIBLE = { low: 1 / 4, high: 4 } as const;

const OTHER_WAY: Readonly<Record<TightenDirection, TightenDirection>> = {
  awayFromYou: 'towardsYou',
  towardsYou: 'awayFromYou',
  clockwise: 'counterClockwise',
  counterClockwise: 'clockwise',
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
  reversal: Reversal = 'unknown',
): { readonly outcome: PegOutcome; readonly cents: Cents; readonly peg: Peg } | null {
  const peg = instrument.courses[course - 1]?.strings[0]?.peg;
  const share = shareOfPhysics(instrument, course, turn);
  if (!peg || share === null) return null;
  const cents = centsBetween(turn.beforeHz, turn.afterHz);
  if (Math.abs(cents) < LEAST_MOVE) return { outcome: 'did not move', cents, peg };
  const figure = learnFigure(peg, {
    share: Math.abs(share),
    turns: turn.turns,
    handError: HAND_ERROR.told[peg.kind],
    reversal,
  });
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

/** One turn as a figure is learned from it. */
export interface Learned {
  /** Turns that physics alone asks for what it did, against those that were made: positive. */
  readonly share: number;
  /** Of the button, as they were told. */
  readonly turns: number;
  /** How far the hand may have missed them, as a share. */
  readonly handError: number;
  readonly reversal: Reversal;
}

/**
 * The figure with one more turn in it: logarithms of the shares, weighed by the error of the
 * hand; what a change of direction lost is put to the factor and to the play, each as far as it is
 * still open. Null if that turn cannot have been the one that was asked for.
 */
export function learnFigure(
  { measured, kind }: Pick<Peg, 'measured' | 'kind'>,
  { share, turns, handError, reversal }: Learned,
): PegFigure | null {
  const before = measured ?? { factor: 1, error: PHYSICS_ERROR, turns: 0 };
  const play = before.play ?? USUAL_PLAY[kind];
  const lost = PLAY_SHARE[reversal] / Math.abs(turns);
  const held = Math.max(TOOK_HOLD, 1 - lost * play.turns);
  const ratio = share / (before.factor * held);
  // What play eats may be anything: only too much is incredible then.
  const low = reversal === 'onward' ? CREDIBLE.low : 0;
  if (before.turns > 0 && !(ratio > low && ratio < CREDIBLE.high)) return null;
  if (!(share > 0)) return null;
  // How the logarithm of the share goes with the play.
  const byPlay = -lost / held;
  const unknown = reversal === 'unknown' ? (play.turns * lost) / held : 0;
  const hand = handError ** 2 + unknown ** 2;
  const missed = Math.log(ratio);
  const open = openOf(before.error, play, { byPlay, hand, missed });
  const spread = open.seen + hand;
  // What the turn tells of each, as a share of what was missed.
  const gain = { factor: open.byFactor / spread, play: open.byPlay / spread };
  const factorError = Math.sqrt(open.factor - gain.factor ** 2 * spread);
  const playError = Math.sqrt(open.play - gain.play ** 2 * spread);
  const both = open.both - gain.factor * gain.play * spread;
  const tellsOfPlay = before.play !== undefined || reversal === 'reversed';
  return {
    factor: before.factor * Math.exp(gain.factor * missed),
    error: Math.max(LEAST_ERROR, factorError),
    turns: before.turns + 1,
    ...(before.least && { least: before.least }),
    ...(tellsOfPlay && {
      play: {
        turns: Math.max(0, play.turns + gain.play * missed),
        error: Math.max(LEAST_PLAY_ERROR, playError),
        together: Math.max(-1, Math.min(1, both / (factorError * playError))),
      },
    }),
  };
}

/** What is open of factor and play before a turn, as variances, and how far the turn sees each; more after a surprise. */
function openOf(
  error: number,
  play: PegPlay,
  {
    byPlay,
    hand,
    missed,
  }: { readonly byPlay: number; readonly hand: number; readonly missed: number },
) {
  const both = (play.together ?? 0) * error * play.error;
  const seen = error ** 2 + 2 * byPlay * both + (byPlay * play.error) ** 2;
  // What surprises shows that less was known than was thought.
  const more = Math.max(1, missed ** 2 / (SURPRISED ** 2 * (seen + hand)));
  return {
    factor: more * error ** 2,
    play: more * play.error ** 2,
    both: more * both,
    seen: more * seen,
    byFactor: more * (error ** 2 + byPlay * both),
    byPlay: more * (both + byPlay * play.error ** 2),
  };
}

/** A peg after a turn that the hand was advised to make, as far as it did. */
export function pegAfterAdvice(
  instrument: Instrument,
  course: number,
  turn: PegTurn,
  reversal: Reversal = 'unknown',
): Peg | null {
  const peg = instrument.courses[course - 1]?.strings[0]?.peg;
  const share = shareOfPhysics(instrument, course, turn);
  if (!peg || share === null) return null;
  const { turns } = turn;
  const measured = learnFigure(peg, { share, turns, handError: HAND_ERROR.perhaps, reversal });
  return measured && { ...peg, measured };
}

/** A peg after a turn that was to be as small as the hand can make it; null where nothing is known of it. */
export function pegAfterLeast(
  instrument: Instrument,
  course: number,
  { beforeHz, afterHz }: Pick<PegTurn, 'beforeHz' | 'afterHz'>,
): Peg | null {
  const peg = instrument.courses[course - 1]?.strings[0]?.peg;
  const made = Math.abs(turnsFor(instrument, course, beforeHz, afterHz)?.turns ?? 0);
  if (!peg || made === 0) return null;
  const measured = peg.measured ?? { factor: 1, error: PHYSICS_ERROR, turns: 0 };
  const { turns, steps } = measured.least ?? { turns: made, steps: 0 };
  const log = (steps * Math.log(turns) + Math.log(made)) / (steps + 1);
  const error = LEAST_SCATTER / Math.sqrt(steps + 1);
  const least = { turns: Math.exp(log), error, steps: steps + 1 };
  return { ...peg, measured: { ...measured, least } };
}

/** Turns of the button that are lost after a change of direction, as far as is known of a course's peg. */
export function playOf(instrument: Instrument, course: number): number {
  const peg = instrument.courses[course - 1]?.strings[0]?.peg;
  return peg?.measured?.play?.turns ?? 0;
}

/** How far to turn, with what is known of that. */
export interface TurnsFor {
  /** Of the button, positive tightens. */
  readonly turns: number;
  readonly guess: boolean;
  /** As a share. */
  readonly error: number;
  /** The smallest turn that the hand makes on this peg, where that was seen. */
  readonly least?: number;
}

/** Turns from one pitch to another by what was measured of the peg, else by physics: then a guess; with its error as a share. */
export function turnsFor(
  instrument: Instrument,
  course: number,
  fromHz: Hz,
  toHz: Hz,
): TurnsFor | null {
  const turns = expectedTurns(instrument, course, fromHz, toHz);
  if (turns === null) return null;
  const measured = instrument.courses[course - 1]?.strings[0]?.peg.measured;
  const error = measured?.error ?? PHYSICS_ERROR;
  return {
    turns: turns / (measured?.factor ?? 1),
    guess: error > GUESSED,
    error,
    ...(measured?.least && { least: measured.least.turns }),
  };
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
