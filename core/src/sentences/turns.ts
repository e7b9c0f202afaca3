import type { TurnSize } from '../coach/index.ts';
import { type Message, message } from '../message.ts';
import {
  LEAST_DEGREES,
  type Peg,
  type PegPlace,
  roundTurns,
  SIXTEENTH,
  type TightenDirection,
} from '../strings/index.ts';
import type { Cents } from '../units.ts';

/** Counted from the nut. @example pegInWords({ row: 'upper', fromNut: 2 }) // ‘upper row, 2nd’ */
export function pegInWords({ row, fromNut }: PegPlace): Message {
  return message('common.pegPlace', { row, place: fromNut });
}

const ARROWS: Readonly<Record<TightenDirection, string>> = {
  awayFromYou: '↑',
  towardsYou: '↓',
  clockwise: '↻',
  counterClockwise: '↺',
};

/** A direction as an arrow, beside its words. @example arrowOf('clockwise') // => '↻' */
export function arrowOf(tighten: TightenDirection): string {
  return ARROWS[tighten];
}

const DIRECTIONS = {
  awayFromYou: 'away',
  towardsYou: 'towards',
  clockwise: 'clockwise',
  counterClockwise: 'counter',
} as const satisfies Readonly<Record<TightenDirection, string>>;

/** Which way a button turns. @example ‘away from you’ */
export function directionInWords(tighten: TightenDirection): Message {
  return message('common.direction', { way: DIRECTIONS[tighten] });
}

/** What is known of a peg. @example ‘tried, a quarter turn about 46 cents’ */
export function pegKnownInWords({ known, measured }: Peg, perTurn: Cents | null): Message {
  if (known === 'assumed') return message('common.pegNotTried');
  if (!measured || perTurn === null) return message('common.pegTried');
  return message('common.pegMeasured', { cents: Math.round(perTurn / 4) });
}

/** Further from an eighth than this share of one is said so. */
const NOT_QUITE = 0.25;

/**
 * A turn of the button in words a hand understands; the sign is left to anyone who says it.
 * @param least the smallest turn that the hand makes, where that is known: no smaller one is named
 * @param isGuess it is rounded to eighths, and not said to be a little more or less
 * @example turnInWords(0.22) // ‘nearly a quarter turn’
 * @example turnInWords(1 / 72) // ‘5°’
 */
export function turnInWords(turns: number, least = 0, isGuess = false): Message {
  const degrees = Math.abs(turns) * 360;
  if (isLeast(turns, least)) return message('common.turnLeast');
  if (degrees < SIXTEENTH.from)
    return message('common.turnDegrees', {
      degrees: Math.round(Math.abs(roundTurns(turns)) * 360),
    });
  if (degrees < SIXTEENTH.to) return message('common.turnSixteenth');
  const exact = Math.abs(turns) * 8;
  const eighths = Math.max(1, Math.round(exact));
  const off = exact - eighths;
  const about =
    isGuess || eighths >= 8 || Math.abs(off) <= NOT_QUITE ? 'exactly' : off < 0 ? 'nearly' : 'over';
  return message('common.turn', { about, size: eighthsInWords(eighths) });
}

/** A turn so small that no size of it can be kept. */
function isLeast(turns: number, least: number): boolean {
  return Math.abs(turns) * 360 < Math.max(LEAST_DEGREES, 360 * least);
}

/** How far to turn, and that it is a guess where no turn of the peg was measured. */
export function sizeInWords({ turns, guess, least = 0 }: TurnSize): Message {
  const size = turnInWords(turns, least, guess);
  return guess && !isLeast(turns, least) ? message('common.turnGuessed', { size }) : size;
}

/** Back to the note and just below it. */
export function backInWords({ turns, least }: TurnSize): Message {
  const size = turnInWords(turns, least);
  return isLeast(turns, least ?? 0) ? size : message('common.turnAndMore', { size });
}

function eighthsInWords(eighths: number): Message {
  if (eighths < 8) return message('common.turnEighths', { eighths });
  const whole = Math.floor(eighths / 8);
  return message('common.turnWhole', { whole, part: eighths % 8 });
}
