import type { Cents, Millimetres } from '../units.ts';
import { CENTS_PER_E, saddleShift } from './saddle.ts';

/** The octave test of one outer string: its open pitch and its twelfth fret, each several times. */
export interface OctaveTest {
  /** Cents from any pitch, the same for both. */
  readonly open: readonly Cents[];
  /** Cents from an octave above that pitch. */
  readonly fretted: readonly Cents[];
}

/** One end of a loose bridge, under an outer string. */
export interface BridgeEnd {
  /** How sharp its octave is, with its standard error. */
  readonly sharp: Cents;
  readonly errorCents: Cents;
  /** How far it is to be moved, away from the nut; what its error explains is no move. */
  readonly mm: Millimetres;
  /** Standard error of `mm`. */
  readonly errorMm: Millimetres;
  /** Nothing shows that it stands wrong. */
  readonly right: boolean;
}

/**
 * A pluck at the twelfth fret scatters about so much at an ordinary hand: common practice, no
 * source. It stands for so many readings beside those that were repeated.
 */
const USUAL_SCATTER: Cents = 0.8;
const USUAL_WEIGHT = 4;
/**
 * An end is wrong beyond so many errors. Chosen so that at a cent of scatter a bridge that stands
 * right is told to move in fewer than 3 of 100 checks, both ends together.
 */
const WRONG_BEYOND = 2.9;
/** The same of more strings than two, each with a saddle of its own: all together as seldom. */
const WRONG_OF_MANY = 3.3;

/**
 * How each end of a loose bridge is to be moved, from the octave tests of the outer strings. The
 * scatter of the readings is taken from the readings themselves.
 * @param scale nut to bridge, twice the way to the twelfth fret
 * @param tests one or more strings, each with at least one reading of either kind
 */
export function bridgeEnds(scale: Millimetres, tests: readonly OctaveTest[]): BridgeEnd[] {
  const scatter = scatterOf(tests.flatMap(({ open, fretted }) => [open, fretted]));
  const beyond = tests.length > 2 ? WRONG_OF_MANY : WRONG_BEYOND;
  return tests.map(({ open, fretted }) => {
    const sharp = mean(fretted) - mean(open);
    const errorCents = scatter * Math.sqrt(1 / open.length + 1 / fretted.length);
    const right = Math.abs(sharp) <= beyond * errorCents;
    return {
      sharp,
      errorCents,
      mm: saddleShift(scale, sharp),
      errorMm: (scale * errorCents) / CENTS_PER_E,
      right,
    };
  });
}

/** Standard deviation within the groups, the usual one counted in. */
function scatterOf(groups: readonly (readonly Cents[])[]): Cents {
  let squares = USUAL_WEIGHT * USUAL_SCATTER ** 2;
  let freedom = USUAL_WEIGHT;
  for (const group of groups) {
    const middle = mean(group);
    squares += group.reduce((sum, value) => sum + (value - middle) ** 2, 0);
    freedom += group.length - 1;
  }
  return Math.sqrt(squares / freedom);
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
